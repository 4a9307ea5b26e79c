import type { ControlId, PlaceId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Standing } from '../base/text.ts';
import type { Moment, Retry, Step } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';
import { stepTraits } from '../model/steps.ts';
import { dialPresses } from './dial.ts';
import { stepSpan, stepsSpan } from './timing.ts';

/** One thing a hand does, for the words and the panel: which control, what with it, and where it ends up. */
export type HandAct = Readonly<{
  control: ControlId | 'any' | null;
  act:
    | 'press'
    | 'hold'
    | 'let-go'
    | 'set'
    | 'turn-right'
    | 'turn-left'
    | 'sweep-right'
    | 'sweep-left'
    | 'confirm'
    | 'enter'
    | 'do';
  place: PlaceId | null;
  times: number;
  words: string | null;
}>;

/** One card of the coach: what to do now, how often, in which window, and what it should show. */
export type CoachCard = Readonly<{
  /** Where the step stands in the route, for keys and notes. */
  path: string;
  step: Step;
  acts: readonly HandAct[];
  /** How often the acts are done in a row. */
  times: number;
  windowMs: number | null;
  windowFrom: Moment | null;
  /** What one round of the acts usually takes, for the beat. */
  usualMs: number;
  holdMs: number | null;
  holdUntil: Moment | null;
  /** Held down the while, from steps around this one. */
  keeping: ReadonlyArray<Readonly<{ control: ControlId; place: PlaceId | null }>>;
  watch: readonly Shown[];
  must: 'must' | 'may' | 'must-not' | null;
  withinMs: number | null;
  /** The ways within this one it belongs to, by name, outermost first, and which time it is gone where it is gone again. */
  part: Readonly<{ names: readonly string[]; round: Readonly<{ n: number; of: number }> | null }> | null;
  /** What the step carries along, and what the steps put together on this card and around it carry. */
  notes: CardNotes;
}>;

/** What is told beside an act. Each list holds everything that was written, in the order of the steps, nothing twice. */
export type CardNotes = Readonly<{
  cautions: readonly string[];
  tools: readonly string[];
  why: readonly string[];
  feelsLike: readonly string[];
  ifItFails: readonly string[];
  retry: readonly Retry[];
  /** How sure somebody is of the step, where the step says so itself. */
  standings: readonly Standing[];
}>;

const notesOf = (steps: readonly Step[]): CardNotes => {
  const all = <T>(of: (step: Step) => T | readonly T[] | undefined): T[] => [
    ...new Set(steps.flatMap((step) => of(step) ?? [])),
  ];
  return {
    cautions: all((s) => s.caution),
    tools: all((s) => s.tool),
    why: all((s) => s.why),
    feelsLike: all((s) => s.feelsLike),
    ifItFails: all((s) => s.ifItFails),
    retry: all((s) => s.retry),
    standings: all((s) => s.standing),
  };
};

const dialActs = { cw: 'turn-right', ccw: 'turn-left', none: 'press' } as const;
const act = (partial: Partial<HandAct> & Pick<HandAct, 'act'>): HandAct => ({
  control: null,
  place: null,
  times: 1,
  words: null,
  ...partial,
});

function actsOf(step: Step): HandAct[] {
  switch (step.kind) {
    case 'press':
      return [act({ act: 'press', control: step.control, times: step.times })];
    case 'hold':
      return step.controls.map((h) => act({ act: 'hold', control: h.control, place: h.place ?? null }));
    case 'turn':
      return [act({ act: step.way === 'cw' ? 'turn-right' : 'turn-left', control: step.control, times: step.clicks })];
    case 'sweep':
      return [
        act({
          act: step.way === 'cw' ? 'sweep-right' : 'sweep-left',
          control: step.control,
          times: step.turns,
          place: step.stopAt ?? null,
        }),
      ];
    case 'set':
      return [act({ act: 'set', control: step.control, place: step.to })];
    case 'step-list':
      return [
        act({
          act: step.by === 'ramp' ? 'hold' : 'press',
          control: step.control,
          times: Math.max(1, Math.abs(step.to - step.start)),
        }),
      ];
    case 'together':
      return step.controls.map((control) => act({ act: 'press', control }));
    case 'do':
      return step.steps ? step.steps.flatMap(actsOf) : [act({ act: 'do', words: step.name ?? step.route })];
    case 'release':
      return step.controls.map((control) => act({ act: 'let-go', control }));
    case 'dial': {
      const presses = dialPresses(step);
      return presses.ok
        ? presses.value.map((p) => act({ act: dialActs[p.way ?? 'none'], control: p.control, times: p.times }))
        : [act({ act: 'do', words: step.text })];
    }
    case 'choose':
      return [
        act({ act: 'do', words: step.path.join(' › ') }),
        ...(step.confirm ? [act({ act: 'confirm', words: step.confirm })] : []),
        ...(step.value ? [act({ act: 'enter', words: step.value })] : []),
      ];
    case 'at-place':
      return [act({ act: 'do', words: step.place })];
    case 'say':
      return [act({ act: 'do', words: step.text })];
    case 'group':
      return step.steps.flatMap(actsOf);
    case 'keep':
    case 'rest':
    case 'see':
    case 'branch':
    case 'bypass':
      return [];
    default:
      return assertNever(step);
  }
}

/** Once there are so many, a group is gone through once only: groups in groups multiply, and nobody publishes such a route. */
const mostCards = 5000;
/** A group is one card while nothing in it has to be watched, waited for or kept. */
const isPlain = (step: Step): boolean => stepTraits[step.kind].joins;

/**
 * Turns a route's steps into cards, one action each, in the order they are done. A branch has a card that tells what to
 * do when its condition is met; its cards go on with the other way. A step that defeats an interlock makes no card: it is
 * never coached.
 */
export function coachCards(steps: readonly Step[]): CoachCard[] {
  let made = 0;
  /** Steps around the next card, told with it: nobody would see them otherwise. */
  let around: readonly Step[] = [];
  /** The ways within this one that the next card belongs to. */
  let part: readonly string[] = [];
  let round: Readonly<{ n: number; of: number }> | null = null;
  const walk = (
    list: readonly Step[],
    at: string,
    keeping: CoachCard['keeping'],
    window: CoachCard['windowMs'],
    from: Moment | null,
  ): CoachCard[] =>
    list.flatMap((step, i): CoachCard[] => {
      const path = at === '' ? String(i) : `${at}.${i}`;
      made += 1;
      const card = (rest: Partial<CoachCard>, told: readonly Step[] = [step]): CoachCard => {
        const notes = notesOf([...around, ...told]);
        around = [];
        return {
          path,
          step,
          acts: actsOf(step),
          times: 1,
          windowMs: window,
          windowFrom: from,
          usualMs: stepSpan(step).usualMs,
          holdMs: null,
          holdUntil: null,
          keeping,
          watch: [],
          must: null,
          withinMs: null,
          part: part.length === 0 ? null : { names: part, round },
          notes,
          ...rest,
        };
      };
      const until = (when: HoldEnd | undefined): Pick<CoachCard, 'holdMs' | 'holdUntil'> => ({
        holdMs: when?.kind === 'span' ? when.span.usualMs : null,
        holdUntil: when?.kind === 'moment' ? when.moment : null,
      });
      switch (step.kind) {
        case 'bypass':
          return [];
        case 'keep': {
          const holding = step.controls.map((h) => ({ control: h.control, place: h.place ?? null }));
          const begin = card({
            acts: step.controls.map((h) => act({ act: 'hold', control: h.control, place: h.place ?? null })),
            usualMs: 800,
          });
          const during = walk(step.during, path, [...keeping, ...holding], window, from);
          const end = card(
            {
              path: `${path}.end`,
              acts: step.controls.map((h) => act({ act: 'let-go', control: h.control })),
              ...until(step.until),
              usualMs: 800,
              keeping: [...keeping, ...holding],
            },
            [],
          );
          return [begin, ...during, end];
        }
        case 'do': {
          // where it is not filled in, only its name can be told
          if (!step.steps) return [card({ times: step.times })];
          // a part has its own name on every card of it
          around = [...around, step];
          const within = part;
          part = [...part, step.name ?? step.route];
          const cards: CoachCard[] = [];
          for (let n = 0; n < step.times && (n === 0 || made <= mostCards); n += 1) {
            round = step.times === 1 ? null : { n: n + 1, of: step.times };
            cards.push(
              ...walk(step.steps ?? [], `${path}.steps${step.times === 1 ? '' : `#${n + 1}`}`, keeping, window, from),
            );
          }
          part = within;
          round = null;
          return cards;
        }
        case 'group': {
          const mostMs = step.window?.mostMs ?? window;
          const since = step.window?.from ?? from;
          if (step.steps.every(isPlain))
            return [
              card({ times: step.times, windowMs: mostMs, windowFrom: since, usualMs: stepsSpan(step.steps).usualMs }, [
                step,
                ...step.steps,
              ]),
            ];
          around = [...around, step];
          const cards: CoachCard[] = [];
          for (let n = 0; n < step.times && (n === 0 || made <= mostCards); n += 1)
            cards.push(...walk(step.steps, step.times === 1 ? path : `${path}#${n + 1}`, keeping, mostMs, since));
          return cards;
        }
        case 'branch': {
          // with nothing to do when it is met, there is nothing to look for
          const fork = step.met.length > 0 ? [card({})] : [];
          if (fork.length === 0) around = [...around, step];
          return [...fork, ...walk(step.otherwise, `${path}.otherwise`, keeping, window, from)];
        }
        case 'see':
          return [card({ watch: step.signs, must: step.must, withinMs: step.within?.mostMs ?? null })];
        case 'hold':
          return [card(until(step.until))];
        case 'release':
          return [card({ holdUntil: step.at ?? null })];
        case 'press':
        case 'turn':
        case 'sweep':
        case 'set':
        case 'rest':
        case 'step-list':
        case 'dial':
        case 'choose':
        case 'at-place':
        case 'say':
          return [card({})];
        case 'together':
          return [card({ times: step.times })];
        default:
          return assertNever(step);
      }
    });
  return walk(steps, '', [], null, null);
}

type HoldEnd = Extract<Step, { kind: 'hold' }>['until'];

/** Where every control stands after the first `count` cards, for the drawn panel: places by control, and what is held. */
export function controlsAfter(cards: readonly CoachCard[], count: number): ReadonlyMap<ControlId, PlaceId> {
  const places = new Map<ControlId, PlaceId>();
  for (const card of cards.slice(0, count)) {
    for (const { control, act: what, place } of card.acts) {
      if (control === null || control === 'any') continue;
      if (what === 'set' && place) places.set(control, place);
      if (what === 'hold' && place) places.set(control, place);
      if (what === 'let-go') places.delete(control);
    }
    // a hold with an end of its own is over once its card is done
    if (card.step.kind === 'hold') for (const held of card.step.controls) places.delete(held.control);
  }
  return places;
}
