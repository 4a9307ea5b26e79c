import type { SignId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { LampColour } from '../model/lamp.ts';
import type { Look, SeenLamp } from '../model/look.ts';
import type { Stage } from '../model/readout.ts';
import type { ReadsOf } from '../model/reads.ts';
import { placesIn } from '../spoken/places.ts';
import { clausesOf, inOrder, type SaidOfLamp as Said, withState } from './lamp-states.ts';
import type { CallerWord } from './word.ts';

/** What the numbers somebody said of lamps may mean. */
export type LampsMeant = 'from-left' | 'from-right' | 'names' | 'weights';

/** A row of lamps as one sees it, with what is printed beside them. */
export type Row = Readonly<{
  signs: readonly SignId[];
  weights: ReadonlyArray<number | undefined>;
  labels: ReadonlyMap<string, readonly string[]>;
}>;

/** Which lamps a word points at, if numbers are taken so; null where it points at none of these, undefined where it does not point. */
export function signsMeant(
  word: CallerWord,
  row: Row,
  as: LampsMeant,
  named: readonly SignId[],
): readonly SignId[] | null | undefined {
  const at = (i: number): SignId[] | null => {
    const sign = row.signs[i];
    return sign ? [sign] : null;
  };
  switch (word.kind) {
    case 'all':
      // all three, behind three that were named, are those
      return named.length > 1 ? [...new Set(named)] : row.signs;
    case 'next-to': {
      const beside = word.signs.flatMap((s) => {
        const i = row.signs.indexOf(s);
        return i < 0 ? [] : [row.signs[i - 1] ?? [], row.signs[i + 1] ?? []].flat();
      });
      return beside.length === 1 ? beside : null;
    }
    case 'ordinal':
      return at(as === 'from-right' ? row.signs.length - word.n : word.n - 1);
    case 'name': {
      const own = word.signs.filter((s) => row.signs.includes(s));
      return own.length > 0 ? own : undefined;
    }
    case 'place':
      return placesIn(
        word.place,
        row.signs.length,
        named.map((s) => row.signs.indexOf(s)),
      ).flatMap((i) => row.signs[i] ?? []);
    case 'number': {
      if (as === 'names') {
        const own = row.signs.filter((s) => row.labels.get(s)?.includes(String(word.n)));
        return own.length > 0 ? own : null;
      }
      if (as === 'weights') {
        const i = row.weights.indexOf(word.n);
        return i < 0 ? null : at(i);
      }
      return at(as === 'from-right' ? row.signs.length - word.n : word.n - 1);
    }
    case 'are':
    case 'colour':
    case 'correct':
    case 'ditto':
    case 'end':
    case 'except':
    case 'length':
    case 'none':
    case 'only':
    case 'or':
    case 'other-stage':
    case 'rest':
    case 'stage':
    case 'state':
    case 'stop':
    case 'then':
    case 'times':
    case 'with':
    case 'without':
      return undefined;
    default:
      return assertNever(word);
  }
}

/** How many there are, said before as many are named, says no more. */
function withoutSum(words: readonly CallerWord[], row: Row): readonly CallerWord[] {
  const at = words.findIndex((w) => w.kind === 'number');
  const sum = words[at];
  if (sum?.kind !== 'number' || words.filter((w) => w.kind === 'number').length > 1) return words;
  const named = words.slice(at + 1).filter((w) => w.kind === 'name' || w.kind === 'ordinal');
  const isFirst = words.slice(0, at).every((w) => w.kind !== 'name' && w.kind !== 'ordinal' && w.kind !== 'place');
  return isFirst && sum.n > 1 && sum.n <= row.signs.length && named.length === sum.n
    ? words.filter((_, i) => i !== at)
    : words;
}

/** Lamps as they were said, if numbers are taken so; null where nothing is said of them, or a number then points at none. */
export function lampLook(
  stage: Stage,
  reads: ReadsOf<'lamps'>,
  row: Row,
  said: readonly CallerWord[],
  as: LampsMeant,
): Look | null {
  const told = new Map<SignId, Said>();
  const named: SignId[] = [];
  let waiting: SignId[] = [];
  let standing: Said | null = null;
  let rest: Said | null = null;
  let allDark = false;
  let last: Said = { state: null, colour: null };
  const put = (signs: readonly SignId[], how: Said) => {
    for (const sign of signs) told.set(sign, how);
    if (signs.length > 0) last = how;
  };
  const listed = inOrder(said, as === 'from-right' ? row.signs.toReversed() : row.signs);
  if (listed) return lookOf(stage, reads, row, listed, null);
  for (const clause of clausesOf(withoutSum(said, row))) {
    if (clause[0]?.kind === 'end') {
      // a new sentence says nothing of the lamps before
      put(
        waiting.filter((s) => !told.has(s)),
        standing ?? { state: null, colour: null },
      );
      waiting = [];
      continue;
    }
    const isPlural = clause.some((w) => w.kind === 'are');
    let state: SeenLamp | null = null;
    let colour: LampColour | null = null;
    let here: SignId[] = [];
    let before = false;
    let except = false;
    let isRest = false;
    /** How the lamps before the others are: those are the contrary where nothing else is said. */
    let unlike: SeenLamp | null = null;
    let all: SignId[] = [];
    let allIs: SeenLamp | null = null;
    const how = (): Said => ({ state, colour });
    const close = () => {
      if (except) {
        // what is said behind it is of all the others: everything but this one is lit
        const others = all.length > 0 ? state : allIs;
        put(all, { state: others, colour });
        put(here, { state: others === 'dark' ? null : 'dark', colour: null });
        except = false;
      } else if (state === null && colour === null && isRest && unlike !== null) {
        rest = { state: unlike === 'dark' ? 'lit' : 'dark', colour: null };
      } else if (state === null && colour === null) {
        if (standing) put(here, standing);
        else waiting = [...waiting, ...here];
      } else if (here.length > 0 || isRest) {
        // "small and water, large is off": what is off is that one alone
        if (state === 'dark' && (isRest || !isPlural) && !before) {
          put(waiting, standing ?? { state: null, colour: null });
          waiting = [];
        }
        if (isRest) rest = how();
        put([...(before ? [] : waiting), ...here], how());
        if (!before) waiting = [];
      } else {
        put(waiting, how());
        waiting = [];
      }
      here = [];
      isRest = false;
    };
    let saidState = false;
    let nothing = false;
    for (const [i, word] of clause.entries()) {
      switch (word.kind) {
        case 'state':
          // "nothing is on" says that it is off
          if (nothing && here.length === 0) break;
          // what is said behind the lamps is of those; once more in front of others begins anew
          if (before && here.length > 0) {
            close();
            [state, colour] = [null, null];
          }
          state = withState(saidState ? state : null, word.state);
          if (here.length === 0 && !isRest && !saidState) before = true;
          saidState = true;
          break;
        case 'colour':
          if (before && here.length > 0) {
            close();
            [state, colour] = [null, null];
          }
          colour = word.colour;
          if (here.length === 0 && !isRest && !saidState) before = true;
          saidState = true;
          break;
        case 'except':
          if (clause[i + 1]?.kind === 'rest') {
            unlike = state;
            close();
            [state, colour, saidState, before] = [null, null, false, false];
            break;
          }
          all = state === null && colour === null ? here : [];
          allIs = state;
          if (all.length === 0 && (here.length > 0 || isRest)) close();
          [state, colour, saidState, before, here] = [null, null, false, false, []];
          except = true;
          break;
        case 'rest':
          if (here.length > 0 && saidState) {
            close();
            [state, colour, saidState, before] = [null, null, false, false];
          }
          isRest = true;
          break;
        case 'none':
          if (here.length > 0) close();
          [state, colour, saidState, before] = ['dark', null, true, true];
          allDark = true;
          nothing = true;
          break;
        case 'ditto':
          if (here.length > 0) close();
          [state, colour, saidState, before] = [last.state, last.colour, true, true];
          break;
        case 'all':
        case 'are':
        case 'correct':
        case 'end':
        case 'length':
        case 'name':
        case 'next-to':
        case 'number':
        case 'only':
        case 'or':
        case 'ordinal':
        case 'other-stage':
        case 'place':
        case 'stage':
        case 'stop':
        case 'then':
        case 'times':
        case 'with':
        case 'without': {
          const signs = signsMeant(word, row, as, named);
          if (signs === null) return null;
          if (signs === undefined) break;
          if (!before && saidState && here.length > 0) {
            close();
            [state, colour, saidState] = [null, null, false];
          }
          here = [...here, ...signs.filter((s) => !here.includes(s))];
          named.push(...signs);
          break;
        }
        default:
          return assertNever(word);
      }
    }
    if (before && here.length > 0) standing = how();
    close();
  }
  const lit: Said = { state: null, colour: null };
  put(
    waiting.filter((s) => !told.has(s)),
    standing ?? lit,
  );
  return told.size === 0 && !allDark && rest === null ? null : lookOf(stage, reads, row, told, rest);
}

/** The look of lamps of which so much was said; what is said of the others holds for those nobody named. */
function lookOf(
  stage: Stage,
  reads: ReadsOf<'lamps'>,
  row: Row,
  told: ReadonlyMap<SignId, Said>,
  rest: Said | null,
): Look {
  const lamps: Record<SignId, SeenLamp> = {};
  const colours: Record<SignId, LampColour> = {};
  const others: Said = rest ?? { state: reads.offIs, colour: null };
  for (const sign of row.signs) {
    const own = told.get(sign);
    const { state, colour } = own ?? others;
    lamps[sign] = state ?? (own || colour ? reads.onIs : reads.offIs);
    if (colour && lamps[sign] !== 'dark') {
      colours[sign] = colour;
      if (state === null) lamps[sign] = reads.onIs === 'dark' ? 'lit' : reads.onIs;
    }
  }
  return {
    kind: 'lamps',
    stage: stage.id,
    lamps,
    ...(Object.keys(colours).length > 0 && { colours }),
  };
}
