import { assertNever } from '../base/result.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Panel } from '../model/panel.ts';
import type { Step } from '../model/route.ts';
import { entriesOf, entryOf } from '../model/select.ts';
import type { Miss, MissCode } from '../play/attempt-state.ts';
import type { GestureOf } from '../play/gestures.ts';
import { printDuration } from '../script/print.ts';
import { stepAt } from '../timeline/edit.ts';
import { asBuilt } from '../unit/as-built.ts';
import { onlyWhereWords } from './condition.ts';
import { partName, placeName } from './sign.ts';
import { stepsInLine } from './step.ts';

const words: Readonly<Record<MissCode, string>> = {
  'too-early': 'done before the rest was over',
  'too-late': 'came too late',
  'before-sign': 'done before the sign came',
  'before-window': 'done before its time began',
  'after-window': 'not done in time',
  'other-control': 'another control was worked',
  'other-place': 'put to another place',
  'other-way': 'turned the other way',
  'other-choice': 'something else was chosen',
  'one-too-many': 'done too often',
  'too-few': 'not done often enough',
  'left-out': 'left out',
  swapped: 'two steps the other way round',
  unfinished: 'not gone on with',
  'let-go-early': 'let go too early',
  'let-go-late': 'let go too late',
  'held-not-pressed': 'held where it should be pressed',
  'held-too-long': 'held too long',
  'not-together': 'went down one after the other',
  'no-power': 'there was no supply',
  'other-mode': 'begun in another mode',
  'not-now': 'what it wants does not hold now',
  deaf: 'begun while the unit takes nothing',
};

/** Why a try came to nothing. */
export const missWords = (code: MissCode): string => words[code];

const tenths = (ms: number): string =>
  ms < 950 ? printDuration(Math.max(50, Math.round(ms / 50) * 50)) : printDuration(Math.round(ms / 100) * 100);
/** Once and twice as people say them. */
const often = (n: number): string => (n === 0 ? 'not at all' : n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

/** Everything a family's panels name, as one. */
function allFaces(bundle: Bundle): Panel | undefined {
  const [first, ...more] = entriesOf(bundle, 'panel').filter((p) => p.family === bundle.family);
  return first && { ...first, faces: [first, ...more].flatMap((p) => p.faces) };
}

function stepsOf(bundle: Bundle, of: GestureOf): readonly Step[] {
  switch (of.kind) {
    case 'route':
      return entryOf(asBuilt(bundle, null), 'route', of.id)?.steps ?? [];
    case 'known-not-to-work':
      return entryOf(bundle, 'route', of.id)?.knownNotToWork.find((k) => k.how === of.how)?.steps ?? [];
    case 'test':
      return testSteps(bundle, of);
    case 'transition': {
      const on = entryOf(bundle, 'mode', of.mode)?.transitions[of.index]?.on;
      return on?.kind === 'gesture' ? on.steps : [];
    }
    default:
      return assertNever(of);
  }
}

function testSteps(bundle: Bundle, of: Extract<GestureOf, { kind: 'test' }>): readonly Step[] {
  const test = entryOf(bundle, 'mode', of.mode)?.tests.find((t) => t.number === of.number);
  const steps = { starts: test?.gesture, skips: test?.skipBy, repeats: test?.againBy };
  return steps[of.does] ?? [];
}

/** The ways within a way that a step stands in, by name: a miss is told within the part it happened in. */
function partsAt(bundle: Bundle, of: GestureOf, at: string): string[] {
  const steps = stepsOf(bundle, of);
  const places = at.split('.');
  return places.flatMap((place, i): string[] => {
    if (place === '' || i % 2 === 1 || i === places.length - 1) return [];
    const step = stepAt(steps, places.slice(0, i + 1).join('.'));
    return step?.kind === 'do' ? [step.name ?? step.route] : [];
  });
}

/** A step of what was tried, in a few words: “temp up: press 3 times”. */
function stepWords(bundle: Bundle, of: GestureOf, at: string): string {
  const step = at === '' ? null : stepAt(stepsOf(bundle, of), at);
  const panel = allFaces(bundle);
  // what is done while it is kept is told on its own
  const told: Step | null =
    step?.kind === 'keep' ? { kind: 'hold', controls: step.controls, until: { kind: 'release' } } : step;
  const said = told && panel ? stepsInLine([told], panel) : '';
  return said === '' ? 'its end' : `“${said}”`;
}

const modesOf = (bundle: Bundle, of: GestureOf): string => {
  const from =
    of.kind === 'route' ? entryOf(bundle, 'route', of.id)?.from : of.kind === 'known-not-to-work' ? 'any' : [of.mode];
  if (from === undefined || from === 'any') return '';
  return from.map((m) => `“${entryOf(bundle, 'mode', m)?.name ?? m}”`).join(' or ');
};

/** What was wrong, as the end of a sentence about a step. */
function whatWords(bundle: Bundle, of: GestureOf, miss: Miss): string {
  const panel = allFaces(bundle);
  const control = (id: string | undefined): string => `“${id === undefined || !panel ? id : partName(panel, id)}”`;
  const place = (at: string | undefined): string =>
    `“${at === undefined || !panel ? at : placeName(panel, miss.control ?? null, at)}”`;
  const by = miss.byMs === null ? null : tenths(miss.byMs);
  const plain = `${words[miss.code]}${by === null ? '' : `, by ${by}`}`;
  const mode = entryOf(bundle, 'mode', miss.mode)?.name ?? miss.mode;
  switch (miss.code) {
    case 'too-early':
      return by === null ? plain : `begun ${by} before the wait was over`;
    case 'let-go-early':
      return by === null ? plain : `let go ${by} too early`;
    case 'before-sign':
    case 'before-window':
      return by === null ? plain : `${by} too early: ${words[miss.code]}`;
    case 'too-late':
      return by === null ? plain : `${by} too late`;
    case 'let-go-late':
    case 'held-too-long':
      return by === null ? plain : `held ${by} too long`;
    case 'not-together':
      return by === null ? plain : `${words[miss.code]}: ${by} too far apart, they go down together`;
    case 'held-not-pressed':
      return by === null ? plain : `held where it should be pressed: ${by} too long`;
    case 'after-window': {
      const { wholeMs, allowedMs } = miss;
      if (wholeMs === undefined || allowedMs === undefined) return plain;
      const pace = Math.round((wholeMs / (allowedMs * 0.9)) * 10) / 10;
      return `all of it takes ${tenths(wholeMs)} at that pace and may take ${printDuration(allowedMs)}: try it ${pace} times as fast`;
    }
    case 'other-control':
      if (miss.control === undefined) return words[miss.code];
      return miss.instead === undefined
        ? `${control(miss.control)} was worked, which has no place there`
        : `${control(miss.control)} was worked instead of ${control(miss.instead)}`;
    case 'other-place':
      return miss.place === undefined
        ? plain
        : `${control(miss.control)} was put to ${place(miss.place)} instead of ${place(miss.wanted)}`;
    case 'one-too-many':
    case 'too-few':
      return miss.meant === undefined || miss.did === undefined
        ? plain
        : `done ${often(miss.did)} instead of ${often(miss.meant)}`;
    case 'swapped':
      return miss.other === undefined ? plain : `done the other way round with ${stepWords(bundle, of, miss.other)}`;
    case 'no-power':
      return miss.control === undefined
        ? words[miss.code]
        : `there was no supply${miss.place === undefined ? '' : `, ${control(miss.control)} stands at ${place(miss.place)}`}`;
    case 'other-mode': {
      const from = modesOf(bundle, of);
      const begins = from === '' ? words[miss.code] : `it begins in ${from}`;
      const was = mode === undefined ? begins : `${begins}, and the unit was in “${mode}”`;
      return miss.lastsMs === undefined || miss.leftMs === undefined
        ? was
        : `${was}, which takes ${printDuration(miss.lastsMs)}: begin again in ${printDuration(Math.ceil(miss.leftMs / 1000) * 1000)}`;
    }
    case 'deaf':
      return miss.lastsMs === undefined || miss.leftMs === undefined
        ? plain
        : `the unit takes nothing for ${printDuration(miss.lastsMs)} after “${mode}” begins: begin again in ${printDuration(Math.ceil(miss.leftMs / 1000) * 1000)}`;
    case 'not-now': {
      const own = of.kind === 'route' ? entryOf(bundle, 'route', of.id) : undefined;
      const only = own ? onlyWhereWords(own, bundle) : [];
      return [words[miss.code], ...only.map(inSentence)].join(': ');
    }
    case 'other-way':
    case 'other-choice':
    case 'left-out':
    case 'unfinished':
      return words[miss.code];
    default:
      return assertNever(miss.code);
  }
}

const inSentence = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1).replace(/\.$/, '')}`;

const aboutBeginning: ReadonlySet<MissCode> = new Set(['other-mode', 'not-now', 'deaf', 'no-power']);

/** One thing that was otherwise: the step, and what was wrong with it. */
function oneWords(bundle: Bundle, of: GestureOf, miss: Miss): string {
  const what = whatWords(bundle, of, miss);
  if (aboutBeginning.has(miss.code)) return what;
  if (miss.code === 'unfinished') {
    const count = miss.meant === undefined || miss.did === undefined ? '' : `, done ${often(miss.did)} so far`;
    return `so far so good, next comes ${stepWords(bundle, of, miss.at)}${count}`;
  }
  const within = partsAt(bundle, of, miss.at);
  const part = within.length > 0 ? `in its part “${within.join(' › ')}”, ` : '';
  return `${part}${stepWords(bundle, of, miss.at)} ${miss.code === 'left-out' ? 'was ' : ''}${what}`;
}

/** Which way a try came nearest to, where it failed and by how much, in a sentence. */
export function missedWords(bundle: Bundle, of: GestureOf, miss: Miss): string {
  const all = [miss, ...(miss.also ?? [])].map((m) => oneWords(bundle, of, m));
  return `Nearest was “${of.name}”: ${all.join('; and ')}.`;
}
