import { assertNever } from '../base/result.ts';
import type { Span } from '../base/text.ts';
import { defaultWithinMs, type Held, type Moment, type Step } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';

/** What a script says of a route: where it begins, its steps, and the mode it reaches. */
export type Script = Readonly<{ from: 'any' | readonly string[] | null; steps: readonly Step[]; to: string | null }>;

/** A length of time, in the largest unit that says it exactly. */
export function printDuration(ms: number): string {
  if (ms >= 120_000 && ms % 60_000 === 0) return `${ms / 60_000} min`;
  const seconds = ms / 1000;
  if (ms >= 100 && seconds * 1000 === ms && String(seconds).length <= 8) return `${seconds} s`;
  return `${ms} ms`;
}

/** A span: one length, two, or two with the usual one between them. */
export function printSpan({ leastMs, usualMs, mostMs }: Span): string {
  if (leastMs === mostMs) return printDuration(leastMs);
  const both = `${printDuration(leastMs)} to ${printDuration(mostMs)}`;
  return usualMs === (leastMs + mostMs) / 2 ? both : `${both} usually ${printDuration(usualMs)}`;
}

/** An id where some words mean something else there: those are written with an `@` before them. */
const unlike = (id: string, ...words: readonly string[]): string => (words.includes(id) ? `@${id}` : id);

export function printShown(shown: Shown, ...words: readonly string[]): string {
  const sign = unlike(shown.sign, ...words);
  switch (shown.kind) {
    case 'lamp':
      return `${sign} ${shown.state}${shown.colour ? ` ${shown.colour}` : ''}`;
    case 'text':
      return `${sign} ${JSON.stringify(shown.text)}${shown.flashes === undefined ? '' : shown.flashes ? ' flashing' : ' steady'}`;
    case 'sound':
      return `${sign} ${shown.state}${shown.times ? ` x${shown.times}` : ''}`;
    default:
      return assertNever(shown);
  }
}

export function printMoment(moment: Moment): string {
  if (moment.kind !== 'sign') return moment.kind;
  const also = (moment.also ?? []).map((s) => ` and ${printShown(s)}`).join('');
  return `${printShown(moment.shown, 'power-on', 'step-before')}${moment.nth === 1 ? '' : ` #${moment.nth}`}${also}`;
}

const printHeld = (held: readonly Held[]): string =>
  held.map((h) => `${h.control}${h.place ? ` ${unlike(h.place, 'for', 'until')}` : ''}`).join(' + ');

/** Text to the end of the line; quoted where a line could not hold it as it is. */
const tail = (text: string): string =>
  text === '' || text !== text.trim() || /["\n\t\\]/.test(text) ? JSON.stringify(text) : text;

const list = (parts: ReadonlyArray<string | null | false | undefined>): string => parts.filter(Boolean).join(' ');
const count = (times: number): string | false => times > 1 && `${times} times`;
const way = { cw: 'right', ccw: 'left' } as const;
const must = { must: 'see', may: 'may', 'must-not': 'no' } as const;

const untilWords = (until: Extract<Step, { kind: 'hold' | 'keep' }>['until']): string | false =>
  until?.kind === 'span'
    ? `for ${printSpan(until.span)}${until.from ? ' from power-on' : ''}`
    : until?.kind === 'moment'
      ? `until ${printMoment(until.moment)}`
      : false;

function head(step: Step): string {
  switch (step.kind) {
    case 'press':
      return list(['press', step.control, count(step.times)]);
    case 'hold':
      return list(['hold', printHeld(step.controls), untilWords(step.until)]);
    case 'keep':
      return list(['keep', printHeld(step.controls), untilWords(step.until)]);
    case 'release':
      return list([
        'let-go',
        step.controls.length === 0 ? 'all' : step.controls.map((c) => unlike(c, 'all')).join(' + '),
        step.at && `at ${printMoment(step.at)}`,
      ]);
    case 'turn':
      return list(['turn', step.control, way[step.way], `${step.clicks} clicks`]);
    case 'sweep':
      return list(['sweep', step.control, way[step.way], `${step.turns} turns`, step.stopAt && `to ${step.stopAt}`]);
    case 'set':
      return `set ${step.control} ${step.to}`;
    case 'rest':
      return `rest ${printSpan(step.span)}`;
    case 'step-list':
      return list([
        'step',
        step.control,
        step.start !== 0 && `from ${step.start}`,
        `to ${step.to}`,
        step.by === 'ramp' && 'ramp',
        step.repeats && `after ${printDuration(step.repeats.afterMs)} every ${printDuration(step.repeats.everyMs)}`,
        step.back && `back ${step.back}`,
        step.round && `round ${step.round.from} to ${step.round.to}`,
        step.overshoot !== undefined && `over ${JSON.stringify(step.overshoot)}`,
      ]);
    case 'together':
      return list([
        'together',
        step.controls.join(' + '),
        count(step.times),
        step.withinMs !== defaultWithinMs && `within ${printDuration(step.withinMs)}`,
      ]);
    case 'do':
      return list([
        'do',
        step.route,
        count(step.times),
        step.values && `with ${step.values.map((v) => `${v.parameter} ${v.is}`).join(', ')}`,
      ]);
    case 'dial':
      return list([
        'dial',
        JSON.stringify(step.text),
        'from',
        JSON.stringify(step.start),
        'with',
        step.by.kind === 'each'
          ? list([step.by.up.join(' + '), step.by.down.length > 0 && `down-with ${step.by.down.join(' + ')}`])
          : step.by.kind === 'knob'
            ? list(['knob', step.by.knob, step.by.next && `next ${step.by.next}`])
            : list([step.by.up, step.by.down && `down-with ${step.by.down}`, `next ${step.by.next}`]),
        step.alphabet.join('') !== '0123456789' && `of ${JSON.stringify(step.alphabet.join(''))}`,
        !step.wraps && 'stops',
      ]);
    case 'choose':
      return list([
        'choose',
        step.path.map((p) => JSON.stringify(p)).join(' > '),
        step.on === 'unit' ? 'on-unit' : `with ${step.on}`,
        step.needs !== undefined && `needs ${JSON.stringify(step.needs)}`,
        step.confirm !== undefined && `confirm ${JSON.stringify(step.confirm)}`,
        step.value !== undefined && `value ${JSON.stringify(step.value)}`,
      ]);
    case 'see':
      return list([
        must[step.must],
        step.signs.map((s) => printShown(s)).join(', '),
        step.within && `within ${printSpan(step.within)}`,
      ]);
    case 'group':
      return step.window
        ? list([`within ${printDuration(step.window.mostMs)} of ${printMoment(step.window.from)}`, count(step.times)])
        : list(['group', count(step.times)]);
    case 'branch':
      return step.on.kind === 'sign'
        ? `if ${printShown(step.on.shown, 'reads', 'nothing')}`
        : step.on.kind === 'reads'
          ? `if reads ${step.on.readout} ${step.on.code}`
          : `if nothing within ${printDuration(step.on.withinMs)}`;
    case 'at-place':
      return `at ${tail(step.place)}`;
    case 'say':
      return `say ${tail(step.text)}`;
    case 'bypass':
      return `bypass ${step.what}`;
    default:
      return assertNever(step);
  }
}

function notesOf(step: Step): string[] {
  return [
    step.amount && `amount ${step.amount}`,
    step.scope && `for ${step.scope}`,
    step.takes && `takes ${printSpan(step.takes)}`,
    step.why !== undefined && `why ${tail(step.why)}`,
    step.caution !== undefined && `caution ${tail(step.caution)}`,
    step.tool !== undefined && `tool ${tail(step.tool)}`,
    step.feelsLike !== undefined && `feels ${tail(step.feelsLike)}`,
    step.ifItFails !== undefined && `if-it-fails ${tail(step.ifItFails)}`,
    step.retry && `retry ${step.retry.join(', ')}`,
    step.source && `source ${step.source}`,
    step.standing && `standing ${step.standing}`,
  ].flatMap((note) => (note ? [`- ${note}`] : []));
}

/** The lines of one step with those inside it, and the place of each in the steps: `4.during.0`. */
function lines(step: Step, at: string, depth: number, out: Array<{ text: string; at: string }>): void {
  const put = (text: string, deep: number): void => {
    out.push({ text: `${'  '.repeat(deep)}${text}`, at });
  };
  const inside = (steps: readonly Step[], key: string): void =>
    steps.forEach((child, i) => {
      lines(child, `${at}.${key}.${i}`, depth + 1, out);
    });
  put(head(step), depth);
  for (const note of notesOf(step)) put(note, depth + 1);
  if (step.kind === 'keep') inside(step.during, 'during');
  if (step.kind === 'group') inside(step.steps, 'steps');
  if (step.kind === 'branch') {
    inside(step.met, 'met');
    if (step.otherwise.length > 0) {
      put('else', depth);
      inside(step.otherwise, 'otherwise');
    }
  }
}

/** Steps as the lines of a script. `parseScript` gives the same steps back. */
export function printSteps(steps: readonly Step[]): string {
  return printScript({ from: null, steps, to: null });
}

/** A script with its first and last line, `from …` and `reach …`, where the route has them. */
export function printScript({ from, steps, to }: Script): string {
  const out: Array<{ text: string; at: string }> = [];
  if (from !== null)
    out.push({ text: `from ${from === 'any' ? 'any' : from.map((m) => unlike(m, 'any')).join(', ')}`, at: '' });
  steps.forEach((step, i) => {
    lines(step, String(i), 0, out);
  });
  if (to !== null) out.push({ text: `reach ${to}`, at: '' });
  return out.length === 0 ? '' : `${out.map((l) => l.text).join('\n')}\n`;
}

/** One step in one line, for lists and comparisons; what stands inside it is left out. */
export function printStep(step: Step): string {
  return head(step);
}

/** Steps in one line, as a route is written. */
export const printInLine = (steps: readonly Step[]): string =>
  printSteps(steps)
    .trim()
    .split('\n')
    .map((line) => line.trim())
    .join('; ');
