import type { Code } from '../model/code.ts';
import type { Entry } from '../model/entry.ts';
import type { Control, Sign } from '../model/panel.ts';
import { entriesOf } from '../model/select.ts';
import { encode } from '../readout/encode.ts';

/** What a unit needs before somebody can repair by it, in the order one usually comes to it; each for itself, in any order. */
export const unitSteps = ['what', 'panel', 'ways', 'shown', 'codes', 'tests', 'hurts'] as const;
export type UnitStep = (typeof unitSteps)[number];

export const unitStepWords: Readonly<Record<UnitStep, string>> = {
  what: 'What it is',
  panel: 'Its panel',
  ways: 'Ways in and out',
  shown: 'How a code is shown',
  codes: 'The codes',
  tests: 'Tests',
  hurts: 'What can hurt',
};

/** How far one step is: what is there, and what whoever stands at the unit would miss. Done is what lacks nothing. */
export type StepStands = Readonly<{
  step: UnitStep;
  has: readonly string[];
  lacks: readonly string[];
  isBegun: boolean;
}>;

const many = (n: number, one: string, more = `${one}s`): string => (n === 1 ? `1 ${one}` : `${n} ${more}`);
const listed = (items: readonly string[], most = 4): string =>
  items.length > most ? `${items.slice(0, most).join(', ')} and ${items.length - most} more` : items.join(', ');

const signWords: Readonly<Record<Exclude<Sign['kind'], 'felt'>, string>> = {
  lamp: 'lamp',
  segments: 'display',
  text: 'display',
  beeper: 'sound',
  bar: 'bar',
};
const senseWords = { heard: 'sound', felt: 'thing felt', seen: 'thing seen' } as const;
const signWord = (sign: Sign): string => (sign.kind === 'felt' ? senseWords[sign.sense] : signWords[sign.kind]);
const plurals: Readonly<Record<string, string>> = {
  'thing felt': 'things felt',
  'thing seen': 'things seen',
  switch: 'switches',
};

/** `4 lamps, 1 knob, 2 buttons`: what a panel has, most first. */
function partsOf(signs: readonly Sign[], controls: readonly Control[]): string[] {
  const counts = new Map<string, number>();
  for (const word of [...signs.map(signWord), ...controls.map((c) => c.look as string)])
    counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]).map(([word, n]) => many(n, word, plurals[word] ?? `${word}s`));
}

/**
 * How far a unit is in each of its steps, from what is written of it. Nothing is done by being ticked: a step is done when
 * nothing of it would be missed.
 */
export function unitStepsOf(entries: readonly Entry[]): StepStands[] {
  // what all units share is of this one where a code of it leads there
  const led = new Set(
    entries.flatMap((e) => ((e.kind === 'code' || e.kind === 'symptom') && e.chart !== null ? [e.chart] : [])),
  );
  const isOwn = (e: Entry): boolean => !('family' in e) || e.family !== null || (e.kind === 'chart' && led.has(e.id));
  const all = { entries: entries.filter(isOwn) };
  const family = entriesOf(all, 'family')[0];
  const faces = entriesOf(all, 'panel').flatMap((p) => p.faces);
  const [signs, controls] = [faces.flatMap((f) => f.signs), faces.flatMap((f) => f.controls)];
  const routes = entriesOf(all, 'route');
  const readouts = entriesOf(all, 'readout').filter((r) => r.stages.length > 0);
  const codes = entriesOf(all, 'code');
  const symptoms = entriesOf(all, 'symptom');
  const charts = entriesOf(all, 'chart');
  const of = (purpose: string) => routes.filter((r) => r.purpose === purpose);
  const when = (is: boolean, words: string): string[] => (is ? [words] : []);
  const undescribed = codes.filter((c) => c.title === '' || c.title === 'Not described yet');
  const bare = codes.filter((c) => c.suspects.length === 0 && !c.decoy);
  // only where a code says which readout shows it, or there is but one
  const shownBy = (code: Code) =>
    readouts.find((r) => r.id === code.readout) ?? (readouts.length === 1 ? readouts[0] : undefined);
  const unshown = codes.filter((c) => {
    const readout = shownBy(c);
    return readout !== undefined && !encode(readout, c.text).ok;
  });
  const harms = [...codes, ...symptoms];
  const silent = harms.filter((c) => c.hazards.length === 0 && !c.harmless);
  const stands: Record<UnitStep, Omit<StepStands, 'step'>> = {
    what: {
      isBegun: family !== undefined,
      has: family
        ? [
            ...when(
              family.recognisedBy.length > 0,
              many(family.recognisedBy.length, 'thing to know it by', 'things to know it by'),
            ),
            ...when(Boolean(family.plate), 'where the plate is'),
            ...when(family.variants.length > 0, many(family.variants.length, 'variant')),
          ]
        : [],
      lacks: [
        ...when(!family || family.recognisedBy.length === 0, 'how one knows it from others'),
        ...when(!family?.plate, 'where its plate is'),
      ],
    },
    panel: {
      isBegun: signs.length + controls.length > 0,
      has: [...partsOf(signs, controls), ...when(faces.length > 1, `on ${faces.length} sides`)],
      lacks: [
        ...when(signs.length === 0, 'lamps, displays or sounds'),
        ...when(controls.length === 0, 'anything to press or turn'),
      ],
    },
    ways: {
      isBegun: routes.length > 0,
      has: routes.map((r) => r.name),
      lacks: [
        ...when(of('enter').length === 0, 'a way in'),
        ...when(of('clear').length === 0, 'how codes are erased'),
        ...when(of('leave').length === 0, 'the way out'),
      ],
    },
    shown: {
      isBegun: readouts.length > 0,
      has: readouts.map((r) => r.name),
      lacks: [
        ...when(readouts.length === 0, 'how a code is read off it'),
        ...when(unshown.length > 0, `${listed(unshown.map((c) => c.text))} cannot be shown as described`),
        ...when(
          readouts.length > 0 && readouts.every((r) => r.specials.length === 0),
          'what it looks like when nothing is stored',
        ),
      ],
    },
    codes: {
      isBegun: codes.length > 0,
      has: [
        ...when(codes.length > 0, many(codes.length, 'code')),
        ...when(symptoms.length > 0, many(symptoms.length, 'symptom')),
      ],
      lacks: [
        ...when(codes.length === 0, 'any code'),
        ...when(
          undescribed.length > 0,
          `what ${listed(undescribed.map((c) => c.text))} ${undescribed.length === 1 ? 'means' : 'mean'}`,
        ),
        ...when(bare.length > 0, `what to suspect for ${listed(bare.map((c) => c.text))}`),
      ],
    },
    tests: {
      isBegun: charts.length > 0,
      has: charts.map((c) => c.title),
      lacks: when(
        charts.length === 0 || codes.every((c) => c.chart === null && !c.decoy),
        charts.length === 0 ? 'a test to follow' : 'a code that leads to one of them',
      ),
    },
    hurts: {
      isBegun: harms.some((c) => c.hazards.length > 0 || c.harmless),
      has: when(
        harms.length > silent.length,
        `said for ${harms.length - silent.length} of ${many(harms.length, 'code or symptom', 'codes and symptoms')}`,
      ),
      lacks:
        harms.length === 0
          ? ['said once there are codes']
          : when(
              silent.length > 0,
              `for ${listed(silent.map((c) => ('text' in c ? c.text : c.title)))}: needed to publish`,
            ),
    },
  };
  return unitSteps.map((step) => {
    const carried = all.entries.filter((e) => e.carriedFrom !== undefined && stepOf[e.kind] === step).length;
    const { lacks, ...own } = stands[step];
    return {
      step,
      ...own,
      lacks: [...lacks, ...when(carried > 0, `a look at ${many(carried, 'thing', 'things')} carried over`)],
    };
  });
}

/** The step in which an entry is written. */
const stepOf: Partial<Record<Entry['kind'], UnitStep>> = {
  family: 'what',
  panel: 'panel',
  mode: 'ways',
  route: 'ways',
  access: 'ways',
  readout: 'shown',
  code: 'codes',
  symptom: 'codes',
  setting: 'codes',
  chart: 'tests',
};
