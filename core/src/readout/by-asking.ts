import type { ControllerId, FamilyId, ModeId, SignId } from '../base/ids.ts';
import { parseReading, type Quantity, quantities } from '../base/quantity.ts';
import { fail, ok, type Result } from '../base/result.ts';
import { entrySchemas } from '../model/entry.ts';
import type { Panel, Sign } from '../model/panel.ts';
import type { Readout } from '../model/readout.ts';

/** How a unit says a code, as somebody answers who stands in front of it. */
export const showsBy = ['lamps', 'blinks', 'runs', 'beeps', 'which', 'display', 'pair', 'parts'] as const;
export type ShowsBy = (typeof showsBy)[number];

/** Each in words of the trade. */
export const showsByWords: Readonly<Record<ShowsBy, Readonly<{ name: string; says: string }>>> = {
  lamps: { name: 'Lamps that add up', says: 'each lamp counts for something' },
  blinks: { name: 'Blinks', says: 'one lamp, so many times' },
  runs: { name: 'Blinks in two runs', says: 'first the tens, then the ones' },
  beeps: { name: 'Beeps', says: 'so many times' },
  which: { name: 'Which lamp, and how often', says: 'the lamp says the letter, the blinks the number' },
  display: { name: 'A display', says: 'the code stands on it' },
  pair: { name: 'Two numbers on a display', says: 'such as 412-7' },
  parts: { name: 'In parts', says: 'one after the other, each in its own way' },
};

const signsOf = (panels: readonly Panel[]): Sign[] => panels.flatMap((p) => p.faces.flatMap((f) => f.signs));
/** The signs a way of showing can be by. */
export function signsFor(way: ShowsBy, panels: readonly Panel[]): Sign[] {
  const all = signsOf(panels);
  switch (way) {
    case 'lamps':
    case 'blinks':
    case 'runs':
    case 'which':
      return all.filter((s) => s.kind === 'lamp');
    case 'beeps':
      return all.filter((s) => s.kind === 'beeper' || (s.kind === 'felt' && s.sense === 'heard'));
    case 'display':
    case 'pair':
      return all.filter((s) => s.kind === 'segments' || s.kind === 'text');
    case 'parts':
      return all.filter((s) => s.kind !== 'felt' || s.sense === 'heard');
  }
}
/** The ways this panel can say a code at all. */
export const waysOf = (panels: readonly Panel[]): ShowsBy[] =>
  showsBy.filter((w) => signsFor(w, panels).length >= (w === 'lamps' || w === 'which' ? 2 : 1));

export type ShownAnswers = Readonly<{
  by: Exclude<ShowsBy, 'lamps' | 'parts'>;
  sign: SignId;
  /** Codes of the unit, from which lengths, letters and how often come. */
  codes: readonly string[];
  /** What stands on the display where nothing is stored; empty where nobody said. */
  nothing: string;
}>;
export type About = Readonly<{
  id: string;
  family: FamilyId;
  name: string;
  controller: ControllerId;
  modes: readonly ModeId[];
}>;

const sorted = (letters: Iterable<string>): string => [...new Set(letters)].sort().join('');
const greatest = (texts: readonly string[], usual: number): number =>
  Math.max(...texts.map(Number).filter((n) => Number.isInteger(n) && n > 0), 0) || usual;

/** What a display reads of these texts: their letters, as long as the longest, shorter where some are. */
export function textOn(sign: SignId, panels: readonly Panel[], texts: readonly string[]): object {
  const own = signsOf(panels).find((s) => s.id === sign);
  const lengths = texts.map((t) => t.length);
  const [shortest, length] = [Math.min(...lengths), Math.min(12, Math.max(...lengths))];
  return {
    kind: 'text',
    sign,
    face: own?.kind === 'segments' ? 'segments' : 'text',
    length,
    ...(shortest < length ? { shortest } : {}),
    characters: sorted(texts.join('')),
  };
}

/** A readout as it was answered: lengths, letters and counts come from the codes, the rest is as usual. */
export function readoutAsAsked(
  { by, sign, codes, nothing }: ShownAnswers,
  panels: readonly Panel[],
  about: About,
): Readout {
  const count = (label: string, most: number) => ({
    reads: { kind: 'blinks', sign, heard: by === 'beeps', most, to: { kind: 'number', least: 1, most, digits: 1 } },
    label,
  });
  const stages = ((): object[] => {
    switch (by) {
      case 'blinks':
      case 'beeps':
        return [
          {
            id: 'count',
            comes: { kind: 'at-once' },
            ...count(by === 'beeps' ? 'beeps' : 'blinks', Math.min(60, greatest(codes, 9))),
          },
        ];
      case 'runs':
        return [
          { id: 'tens', comes: { kind: 'at-once' }, ...count('first run', 9) },
          { id: 'ones', comes: { kind: 'alternates', everyMs: 3200 }, ...count('second run', 9) },
        ];
      case 'which': {
        const lamps = signsFor('which', panels).slice(0, 16);
        return [
          {
            id: 'lamp',
            label: 'which lamp, how often',
            comes: { kind: 'at-once' },
            reads: { kind: 'which', lamps: lamps.map((l) => ({ sign: l.id, value: l.label.slice(0, 6) })), most: 9 },
          },
        ];
      }
      case 'display':
        return [
          {
            id: 'text',
            label: 'text',
            comes: { kind: 'at-once' },
            reads:
              codes.length > 0
                ? textOn(sign, panels, codes)
                : { ...textOn(sign, panels, ['000']), characters: '0123456789AbCdEFHLnoPrtU' },
          },
        ];
      case 'pair':
        return [{ id: 'pair', label: 'pair', comes: { kind: 'at-once' }, reads: { kind: 'pair', sign, between: '-' } }];
    }
  })();
  return entrySchemas.readout.parse({
    kind: 'readout',
    standing: 'hearsay',
    ...about,
    stages,
    compose: stages.map((s) => ({ kind: 'stage', stage: (s as { id: string }).id })),
    ...(nothing.trim() !== '' && (by === 'display' || by === 'pair')
      ? {
          specials: [
            {
              id: 'nothing-stored',
              label: `nothing stored: ${nothing.trim()}`,
              means: 'nothing-stored',
              signs: [{ kind: 'text', sign, text: nothing.trim() }],
            },
          ],
        }
      : {}),
  });
}

/** One live value as it is written down: `t1 cabinet, -10 to 60 °C`. */
export type LiveValue = Readonly<{
  key: string;
  name: string;
  quantity: Quantity;
  unit: string;
  least: number;
  most: number;
}>;
const liveLine = /^(\S{1,12})\s*[:=]?\s+(.*?)[\s,:]+(-?\d+(?:[.,]\d+)?)\s*(?:to|–|\.\.)\s*(-?\d+(?:[.,]\d+)?)\s*(\S+)$/;

/** Lines of live values; a line that is none is told by its number. */
export function liveValuesIn(text: string): Result<LiveValue[], Readonly<{ line: number; text: string }>> {
  const out: LiveValue[] = [];
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const said = raw.trim();
    if (said === '') continue;
    const [, key = '', name = '', least = '', most = '', unit = ''] = liveLine.exec(said) ?? [];
    const quantity = quantities.find((q) => parseReading(`1 ${unit}`, q).ok);
    const [low, high] = [Number(least.replace(',', '.')), Number(most.replace(',', '.'))];
    if (key === '' || name === '' || !quantity || !(low < high)) return fail({ line: i + 1, text: said });
    out.push({ key, name, quantity, unit, least: low, most: high });
  }
  return ok(out);
}

/** A readout of live values: what each is called comes first, the value in turn with it. */
export function liveReadout(
  values: readonly LiveValue[],
  sign: SignId,
  panels: readonly Panel[],
  about: About,
): Readout {
  return entrySchemas.readout.parse({
    kind: 'readout',
    standing: 'hearsay',
    ...about,
    tells: 'entry',
    stages: [
      {
        id: 'name',
        label: 'which value',
        comes: { kind: 'at-once' },
        reads: textOn(
          sign,
          panels,
          values.map((v) => v.key),
        ),
      },
      {
        id: 'value',
        label: 'the value',
        comes: { kind: 'alternates', everyMs: 2500 },
        reads: {
          kind: 'value',
          sign,
          after: 'name',
          fields: values.map((v) => ({
            when: v.key,
            name: v.name,
            quantity: v.quantity,
            unit: v.unit,
            least: v.least,
            most: v.most,
          })),
        },
      },
    ],
    compose: [{ kind: 'stage', stage: 'name' }],
  });
}
