import type { FamilyId } from '../base/ids.ts';
import type { Family } from '../model/family.ts';
import { SoftwareVersion } from '../model/family.ts';
import { compilePattern, fits } from './pattern.ts';

/** What the code on a plate says of the unit. */
export type ScannedPlate = Readonly<{
  serial: string | null;
  model: string | null;
  software: string | null;
  /** The one family whose model numbers look like this. */
  family: FamilyId | null;
}>;

type Field = 'serial' | 'model' | 'software';
const labels: ReadonlyArray<readonly [RegExp, Field]> = [
  [/^(?:s\/?n|ser(?:ial)?(?:[ _-]?(?:no|nr|number))?\.?|21)$/i, 'serial'],
  [/^(?:m\/?n|mod(?:el)?(?:[ _-]?(?:no|nr|number))?\.?|type|240|241)$/i, 'model'],
  [/^(?:s\/?w|f\/?w|soft(?:ware)?|firmware|ver(?:sion)?\.?|rev\.?)$/i, 'software'],
];
const fieldOf = (label: string): Field | null => labels.find(([is]) => is.test(label.trim()))?.[1] ?? null;

const unescaped = (text: string): string => {
  try {
    return decodeURIComponent(text.replaceAll('+', ' '));
  } catch {
    return text;
  }
};

type Said = Readonly<{ label: string | null; value: string }>;

/** The parts of a text as plates carry them: an address, a JSON object, numbered fields, labelled or bare parts. */
function partsOf(text: string): Said[] {
  const pairs = (entries: Iterable<readonly [string, unknown]>): Said[] =>
    [...entries].map(([label, value]) => ({ label, value: String(value) }));
  const [, path, query] = /^https?:\/\/[^/]+\/?([^?#]*)(?:\?([^#]*))?/i.exec(text) ?? [];
  if (path !== undefined) {
    const asked = (query ?? '').split('&').flatMap((pair): Said[] => {
      const [label = '', value = ''] = pair.split(/=(.*)/).map(unescaped);
      return value === '' ? [] : [{ label, value }];
    });
    return asked.length > 0 ? asked : [{ label: null, value: unescaped(path.split('/').filter(Boolean).at(-1) ?? '') }];
  }
  if (text.startsWith('{')) {
    try {
      const read: unknown = JSON.parse(text);
      if (typeof read === 'object' && read !== null) return pairs(Object.entries(read));
    } catch {
      return [{ label: null, value: text }];
    }
  }
  const numbered = [...text.matchAll(/\((\d{2,4})\)([^(]+)/g)];
  if (numbered.length > 0) return numbered.map(([, label = '', value = '']) => ({ label, value }));
  return text
    .replace(/^\*(.*)\*$/, '$1')
    .replace(beforeLabel, ';')
    .replaceAll(groupMark, ';')
    .split(/[;|,\t\r\n]+/)
    .map((part): Said => {
      const [, label, value] = labelled.exec(part) ?? [];
      return label !== undefined && value !== undefined ? { label, value } : { label: null, value: part };
    });
}

/** What ends a field in codes with numbered fields. */
const groupMark = String.fromCharCode(29);
const labelled = /^\s*([A-Za-z/]{1,10}(?:[ _-]?(?:no|nr|number))?\.?)\s*[:=#]\s*(.+)$/i;
/** Where a label stands behind something else in one line. */
const beforeLabel = /\s+(?=(?:s\/?n|m\/?n|mod(?:el)?|ser(?:ial)?|type|[sf]\/?w|ver|rev)(?: no\.?)?\.?\s*[:=#])/gi;

/** A bare part that is several: words with a label before them, or one of which is a model number. */
function apart(value: string, isModel: (text: string) => boolean): Said[] {
  const words = value.split(/[\s/]+/).filter(Boolean);
  if (words.length < 2) return [{ label: null, value }];
  const said = words.flatMap((word, i): Said[] => {
    if (fieldOf(word)) return [];
    const before = words[i - 1] ?? '';
    return [{ label: fieldOf(before) ? before : null, value: word }];
  });
  const known = said.some((w) => w.label !== null || isModel(w.value));
  return known ? said : [{ label: null, value }];
}

/**
 * Reads what a bar code or a square code on a plate says. Labels are gone by where there are any; of bare parts the one that
 * looks like a model number of a known family is the model, one like `v2.4` the software, and the first other one the serial
 * number.
 */
export function readScan(text: string, families: readonly Family[]): ScannedPlate {
  const matchers = families.map((family) => ({
    family,
    own: family.variants
      .flatMap((v) => v.models)
      .flatMap((pattern) => {
        const compiled = compilePattern(pattern);
        return compiled.ok ? [compiled.value] : [];
      }),
  }));
  const makes = (model: string): Family[] =>
    matchers.flatMap(({ family, own }) => (own.some((matcher) => fits(matcher, model)) ? [family] : []));
  const found: Record<Field, string | null> = { serial: null, model: null, software: null };
  const bare: string[] = [];
  const parts = partsOf(text.trim()).flatMap((part) =>
    part.label === null ? apart(part.value, (word) => makes(word).length > 0) : [part],
  );
  for (const { label, value } of parts) {
    const said = value.trim().slice(0, 60);
    if (said === '') continue;
    const field = label === null ? null : fieldOf(label);
    if (field) found[field] ??= said;
    else if (label === null) bare.push(said);
  }
  for (const said of bare) {
    const version = /^v(?:er)?\.? ?(\d.*)$/i.exec(said)?.[1];
    if (found.model === null && makes(said).length > 0) found.model = said;
    else if (found.software === null && version && SoftwareVersion.safeParse(version).success) found.software = version;
    else found.serial ??= said;
  }
  const software = found.software?.replace(/^v(?:er)?\.? ?/i, '') ?? null;
  const own = found.model === null ? [] : makes(found.model);
  return {
    ...found,
    software: software !== null && SoftwareVersion.safeParse(software).success ? software : null,
    family: own.length === 1 ? (own[0]?.id ?? null) : null,
  };
}
