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

/** The codes of one controller as their text: latest first, the other way round, or what stands before what is stored. */
export function codesIn(
  stored: StoredCodes,
  controller: ControllerId,
  order: 'latest-first' | 'oldest-first' | 'active-first' = 'latest-first',
): readonly string[] {
  const codes = stored.get(controller) ?? [];
  const sorted =
    order === 'active-first' ? [...codes.filter((c) => c.standing), ...codes.filter((c) => !c.standing)] : codes;
  const texts = sorted.map((c) => c.text);
  return order === 'oldest-first' ? texts.reverse() : texts;
}

/** A code comes up, in front of what is stored; or it stands no longer, and is only stored. */
export function codeStands(
  stored: StoredCodes,
  { controller, text }: Readonly<{ controller: ControllerId; text: string }>,
  stands: boolean,
): StoredCodes {
  const codes = stored.get(controller) ?? [];
  const now = stands
    ? [{ text, standing: true }, ...codes.filter((c) => c.text !== text)]
    : codes.map((c) => (c.text === text ? { text, standing: false } : c));
  return new Map(stored).set(controller, now);
}

/** Whether one of these codes, or any where none is named, is in a controller's memory; with `standing`, stands now. */
export const hasCode = (
  stored: StoredCodes,
  controller: ControllerId,
  texts: readonly string[],
  { standing }: Readonly<{ standing: boolean }>,
): boolean =>
  (stored.get(controller) ?? []).some(
    (c) => (c.standing || !standing) && (texts.length === 0 || texts.includes(c.text)),
  );

/** A controller's memory erased: what still stands stays. */
export function erased(stored: StoredCodes, controller: ControllerId): StoredCodes {
  return new Map(stored).set(
    controller,
    (stored.get(controller) ?? []).filter((c) => c.standing),
  );
}
