import type { Moment } from '../../model/route.ts';
import type { Item } from './item.ts';
import { readPlain } from './plain.ts';
import { isAct, isOf, isPush, type Made, type Reader, withoutTimes } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { momentIn, see, shownIn } from './shown.ts';

/** Wraps what was told within a window once that is over. */
export function closeWindow(r: Reader, sentence: number): void {
  const { window } = r;
  if (!window) return;
  const inside = r.made.slice(window.at);
  const acts = inside.filter((m) => isAct(m.step));
  // a window without acts yet goes on into the next sentence
  if (acts.length === 0 && sentence <= window.sentence + 2) return;
  r.window = null;
  if (acts.length === 0) return;
  const firstAct = inside.findIndex((m) => isAct(m.step));
  // what shows once it is done ends it, where nothing is held on
  const shows = inside.findIndex((m, i) => i > firstAct && m.step.kind === 'see');
  const shown =
    shows > 0 && r.flows && !inside.slice(0, shows).some((m) => m.step.kind === 'hold') ? shows : inside.length;
  // what takes longer than the window, or takes the supply away behind a row of keys, comes after it
  const pressed = inside.findIndex((m) => m.step.kind === 'press');
  const beyond = inside.findIndex((m, i) => pressed >= 0 && i > pressed && isBeyond(r, m, window.mostMs));
  const over = beyond < 0 ? shown : Math.min(shown, beyond);
  const lastAct = inside.slice(0, over).findLastIndex((m) => isAct(m.step));
  const own = inside.slice(firstAct, lastAct + 1);
  const [first] = own;
  const last = own.at(-1);
  if (!first || !last) return;
  r.made.splice(window.at + firstAct, own.length, {
    step: {
      kind: 'group',
      times: 1,
      steps: own.map((m) => m.step),
      window: { from: window.from, mostMs: window.mostMs },
    },
    from: first.from,
    to: last.to,
    sentence: first.sentence,
  });
}

const isBeyond = (r: Reader, { step }: Made, mostMs: number): boolean =>
  step.kind === 'hold'
    ? step.until.kind === 'moment' || (step.until.kind === 'span' && step.until.span.leastMs >= mostMs)
    : step.kind === 'rest'
      ? step.span.leastMs >= mostMs
      : step.kind === 'set' &&
        r.called.facts.supply.some((c) => c.control.id === step.control && !c.powersAt.has(step.to));

export function readActs(r: Reader, segment: Segment, items: readonly Item[]): void {
  const [start] = items;
  const finish = items.at(-1);
  if (!start || !finish) return;
  const at = { from: start.from, to: finish.to };
  // a window: within so long, of a sign or of what stands before
  const within = items.findIndex(isOf('within'));
  const lengthAt = within < 0 ? -1 : items.findIndex((x, i) => i > within && x.is === 'length');
  const inside = lengthAt < 0 ? [...items] : openWindow(r, segment, items, within, lengthAt, at);
  if (inside.length > 0) readPlain(r, segment, inside, at);
}

/** Opens a window of so long, counted from what it names or from what came last; what is left is done within it. */
function openWindow(
  r: Reader,
  segment: Segment,
  items: readonly Item[],
  within: number,
  lengthAt: number,
  at: Readonly<{ from: number; to: number }>,
): Item[] {
  const length = items[lengthAt];
  if (length?.is !== 'length') return [...items];
  const earlier = items.slice(0, within);
  const told = earlier.some(isOf('sign')) ? momentIn(r, earlier) : null;
  // `it must show … within three seconds`, and no more: how soon it comes
  const showing = earlier.findIndex((x) => x.is === 'act' && x.act === 'see');
  const seen = showing >= 0 && lengthAt === items.length - 1 && !r.actsAhead ? shownIn(r, earlier) : [];
  if (seen.length > 0 && !earlier.some(isOf('control', 'clicks', 'moment'))) {
    see(r, seen, at);
    const stands = r.made.at(-1);
    if (stands?.step.kind === 'see' && stands.sentence === r.sentence)
      r.made[r.made.length - 1] = {
        ...stands,
        step: { ...stands.step, within: { leastMs: 0, usualMs: length.mostMs / 2, mostMs: length.mostMs } },
      };
    return [];
  }
  // what is done before that sign comes is no part of the window; what is done at it is
  const signAt = earlier.findIndex(isOf('sign'));
  const atFirst = told ? earlier.slice(0, signAt).filter((x) => x.is !== 'moment' && x.is !== 'it') : [];
  const atSign = told ? earlier.slice(signAt + 1) : [];
  const isDone = isOf('control', 'clicks');
  if (atFirst.some(isDone)) readPlain(r, segment, atFirst, at);
  if (told?.kind === 'sign') {
    const shown = shownIn(r, earlier);
    see(r, shown.length > 0 ? shown : [told.shown], at);
  }
  const after = items[lengthAt + 1];
  let used = lengthAt + 1;
  // counted from what showed last, from the supply, or from what was done
  const stood = r.made.at(-1)?.step;
  const isFresh = stood?.kind === 'see' || told !== null;
  const isSupplied = stood?.kind === 'set' && r.called.facts.supply.some((c) => c.control.id === stood.control);
  let from: Moment =
    r.lastSign && isFresh && after?.is !== 'moment'
      ? {
          kind: 'sign',
          shown: withoutTimes(r.lastSign),
          nth: r.lastSign.kind === 'sound' ? (r.lastSign.times ?? 1) : 1,
        }
      : isSupplied
        ? { kind: 'power-on' }
        : { kind: 'step-before' };
  if (after?.is === 'moment' || after?.is === 'sign' || after?.is === 'nth') {
    const rest = items.slice(lengthAt + 1);
    const stop = rest.findIndex((x, i) => i > 0 && ((x.is === 'act' && x.act !== 'see') || x.is === 'control'));
    const of = stop < 0 ? rest : rest.slice(0, stop);
    const moment = momentIn(r, of);
    if (moment) from = moment;
    else if (r.called.facts.supply.some((c) => of.some((x) => x.is === 'control' && x.own === c)))
      from = { kind: 'power-on' };
    used = lengthAt + 1 + of.length;
  }
  // `you have five seconds for the horns`: for what was pressed just now
  const forIt = items[used];
  const pressedLast = r.made.at(-1)?.step;
  if (
    forIt?.is === 'control' &&
    forIt.place === null &&
    ((pressedLast?.kind === 'press' && pressedLast.control === forIt.own.control.id) ||
      earlier.some((x) => x.is === 'control' && x.own === forIt.own)) &&
    segment.words.some((w) => w.word === 'for' && w.from >= length.to && w.to <= forIt.from)
  )
    used += 1;
  if (/power-on|powering|switching on|switched on/.test(saidOf(segment))) from = { kind: 'power-on' };
  const before = r.made.findIndex((m) => m.sentence === r.sentence && isAct(m.step));
  const standing = r.made.at(-1);
  // `this button, you've got fifteen seconds`: which one, no more
  const isRow = r.mode === 'press' && r.pressedIn === r.sentence;
  // `info info beam within three seconds`: a row of keys is pressed
  const isKeys = earlier.length > 1 && earlier.every((x) => x.is === 'control' && isPush(x.own));
  const bareName =
    earlier.length > 0 && !isRow && !isKeys && earlier.every((x) => x.is === 'control' && x.place === null);
  if (bareName) r.last = earlier.filter(isOf('control')).map((c) => c.own);
  // `Down five times within ten seconds`: of what is said with it, unless it is of all
  const isOwn =
    !bareName &&
    items.slice(0, within).some(isDone) &&
    standing?.step.kind === 'set' &&
    !/\b(?:all|everything|both)\b/.test(saidOf(segment));
  // `Three moves. And you've got eight seconds for that.`
  const isForIt = /\bfor (?:that|this|it|those|them|all of (?:it|that))$/.test(saidOf(segment));
  const afterPresses =
    !isOwn &&
    !r.actsAhead &&
    items.slice(used).every((x) => !isOf('act', 'control', 'clicks')(x)) &&
    standing !== undefined &&
    isTrail(r, standing) &&
    // `MENU five times within six seconds`: of what is said with it, not of the sentence before
    standing.sentence >= (items.slice(0, within).some(isDone) ? r.sentence : r.sentence - (isForIt ? 2 : 1));
  // `you have half a minute from now`: for what comes
  const isAhead =
    /\bfrom (?:now|here|then)\b/.test(saidOf(segment)) && items.slice(0, within).every((x) => x.is !== 'control');
  const isTrailing =
    afterPresses ||
    (within > 0 && !bareName && !told && items.slice(0, within).some(isOf('act', 'control', 'clicks'))) ||
    (before >= 0 &&
      items.slice(used).every((x) => !isOf('act', 'control', 'clicks')(x)) &&
      segment.joined === 'comma' &&
      r.made.slice(before).every((m) => isAct(m.step)));
  closeWindow(r, Number.POSITIVE_INFINITY);
  if (told) from = told;
  const own = [
    ...(told ? (atSign.some(isDone) ? atSign : []) : bareName ? [] : items.slice(0, within)),
    ...items.slice(used),
  ];
  let run = r.made.length;
  while (afterPresses && run > 0) {
    const m = r.made[run - 1];
    // of keys it is the keys; what leads on to the next is a way of its own
    if (!m || !isTrail(r, m) || m.sentence <= r.ledIn || (standing?.step.kind === 'press' && m.step.kind === 'set'))
      break;
    run -= 1;
  }
  // told without stops, only what the stretch itself does; `do that within …` is of all that was done just now
  const isAll = /\bdo (?:that|this|it|all|them)\b/.test(saidOf(segment));
  let since = r.made.length;
  for (let k = since - 1; isAll && k >= 0; k -= 1) {
    const m = r.made[k];
    if (!m || !isTrail(r, m) || m.sentence < r.sentence - 3) break;
    since = k;
  }
  const ownActs = r.flows && within > 0 && !bareName && items.slice(0, within).some(isDone);
  const begun = isAhead
    ? r.made.length
    : afterPresses
      ? run
      : isAll
        ? since
        : ownActs
          ? r.made.length
          : isTrailing && before >= 0
            ? before
            : r.made.length;
  r.window = { mostMs: length.ms, from, at: begun, sentence: r.sentence };
  return own;
}

/** What a time said behind it may be about: keys, turns and levers, not what gives the unit its supply. */
const isTrail = (r: Reader, { step }: Made): boolean =>
  step.kind === 'press' ||
  step.kind === 'together' ||
  step.kind === 'turn' ||
  step.kind === 'group' ||
  (step.kind === 'set' && !r.called.facts.supply.some((c) => c.control.id === step.control));
