import { z } from 'zod';
import { ControllerId } from '../base/ids.ts';
import { Label } from '../base/text.ts';
import type { Bundle } from '../model/bundle.ts';
import { entriesOf, familyEntry } from '../model/select.ts';

/** A code in a controller's memory, latest first; one that still stands is there again as soon as it was erased. */
export type StoredCode = Readonly<{ text: string; standing: boolean }>;
export type StoredCodes = ReadonlyMap<ControllerId, readonly StoredCode[]>;

/** Codes to begin with: as their text, or with the controller they sit in and whether they still stand. */
export const CodesAtStart = z.array(
  z.union([
    Label,
    z.strictObject({ code: Label, controller: ControllerId.optional(), standing: z.boolean().default(false) }),
  ]),
);
export type CodesAtStart = Readonly<z.input<typeof CodesAtStart>>;

/**
 * The memory of every controller. A code without a controller sits in those that have it in their list, in the first where
 * none has.
 */
export function storedCodes(bundle: Bundle, codes: CodesAtStart): StoredCodes {
  const stored = new Map<ControllerId, StoredCode[]>();
  const known = entriesOf(bundle, 'code');
  const [first] = familyEntry(bundle).controllers;
  for (const code of codes) {
    const { code: text, standing = false, controller } = typeof code === 'string' ? { code } : { ...code };
    const own = known.filter((k) => k.text === text).map((k) => k.controller);
    const places =
      controller !== undefined ? [controller as ControllerId] : own.length > 0 ? own : first ? [first.id] : [];
    for (const at of new Set(places)) stored.set(at, [...(stored.get(at) ?? []), { text, standing }]);
  }
  return stored;
}

/** The codes of one controller, latest first, as their text. */
export const codesIn = (stored: StoredCodes, controller: ControllerId): readonly string[] =>
  (stored.get(controller) ?? []).map((c) => c.text);

/** A controller's memory erased: what still stands stays. */
export function erased(stored: StoredCodes, controller: ControllerId): StoredCodes {
  return new Map(stored).set(
    controller,
    (stored.get(controller) ?? []).filter((c) => c.standing),
  );
}
