import type { SignId } from '../../base/ids.ts';
import type { Moment } from '../../model/route.ts';
import type { Shown } from '../../model/shown.ts';
import type { Item } from './item.ts';
import { itemsOf } from './items.ts';
import { readPlain } from './plain.ts';
import { isAct, isOf, type Made, type Reader, withoutTimes } from './reader.ts';
import type { Segment } from './segments.ts';
import { momentIn, see, shownIn } from './shown.ts';
import { named } from './talk.ts';

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
  const over =
    shows > 0 && r.flows && !inside.slice(0, shows).some((m) => m.step.kind === 'hold') ? shows : inside.length;
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

export function closeBranch(r: Reader): void {
  const { branch } = r;
  r.branch = null;
  if (!branch) return;
  const inside = r.made.splice(branch.at);
  const split = (branch.otherwise ?? r.made.length + inside.length) - r.made.length;
  const met = inside.slice(0, split).map((m) => m.step);
  const otherwise = inside.slice(split).map((m) => m.step);
  const last = inside.at(-1);
  if (!last || !inside.some((m) => isAct(m.step))) return;
  r.made.push({
    step: { kind: 'branch', on: { kind: 'sign', shown: branch.on }, met, otherwise },
    from: branch.from,
    to: last.to,
    sentence: branch.sentence,
  });
}

export function readIf(r: Reader, segment: Segment, items: readonly Item[]): void {
  // `if you want to clear them`: what it is for
  const text = segment.words.map((w) => w.word).join(' ');
  if (
    /^(?:and )?if (?:you|we|they|i|one|somebody) (?:want|wants|wanna|need|like|wish|ever want|do want|must|have to|really want|would like|'d like)\b/.test(
      text,
    )
  ) {
    const act = items.findIndex(
      (x, i) => i > 0 && (x.is === 'control' || (x.is === 'act' && ['press', 'hold', 'turn'].includes(x.act))),
    );
    if (act > 0) readActs(r, segment, items.slice(act));
    return;
  }
  // `if you did it right, the lamp …`: what shows then is what is meant to
  const well =
    /^(?:and )?if (?:you|it|that|all|everything|she|he|they|we)(?:'s|'ve)?(?: (?:is|did|do|have|has|was|were|went|goes|got|done|all|it|that|this|them|everything|been))* (?:right|proper|properly|correct|correctly|well|worked|works|ok|okay|taken|took|quick enough|fast enough|in time|write)\b/.exec(
      text,
    );
  if (well) {
    const behind = segment.words.slice(well[0].split(' ').length);
    if (behind.length > 1) readActs(r, { ...segment, words: behind }, itemsOf(behind, r.called, r.last));
    return;
  }
  // `if you tap left you get the one before`
  const tapped = items.find(isOf('control'));
  const leads =
    /\b(?:you (?:get|see|can see|have|come to)|it (?:shows|goes|gives|brings)|the one before|the older|the next|what it had)\b/.test(
      `${text} ${r.ahead
        .slice(0, 1)
        .map((s) => s.words.map((w) => w.word).join(' '))
        .join(' ')}`,
    );
  if (
    tapped &&
    items[1]?.is === 'act' &&
    items[1].act === 'press' &&
    tapped.own.mechanism.kind === 'push' &&
    leads &&
    !items.some(isOf('not', 'length')) &&
    /^(?:and |so |then )?if (?:you|i|we|one|he|she) \w+ /.test(text)
  ) {
    r.put({ kind: 'press', control: tapped.own.control.id, times: items.find(isOf('times'))?.n ?? 1 }, tapped);
    r.last = [tapped.own];
    return;
  }
  const all = shownIn(r, items);
  const signs = items.filter(isOf('sign')).flatMap((x) => x.signs);
  const [lamp] = signs;
  const shown: Shown[] =
    all.length === 0 && signs.length === 1 && lamp?.kind === 'lamp'
      ? [{ kind: 'lamp', sign: lamp.id as SignId, state: 'lit' }]
      : all;
  const [only] = shown;
  const first = segment.words[0];
  // `if it says so again you were too slow, key off, again`: begun anew, no way of its own
  const ahead = r.ahead.map((s) => s.words.map((w) => w.word).join(' '));
  const isAnew =
    /\b(?:too (?:slow|late|fast|early))\b/.test(`${text} ${ahead.slice(0, 1).join(' ')}`) &&
    /(?:^|\b(?:and|go|do it|all|start|begin) )again$|\bstart over$|\bfrom the (?:start|beginning|top)$/.test(
      ahead.at(-1) ?? '',
    );
  if (isAnew && first && !/\b(?:press|push|hold|tap|hit)\b/.test(ahead.join(' '))) {
    r.holes.push({ from: first.from, to: segment.words.at(-1)?.to ?? first.to, why: 'warned' });
    r.skipping = segment.sentence;
    return;
  }
  if (only && shown.length === 1 && first && !items.some(isOf('not'))) {
    closeBranch(r);
    r.branch = { on: only, from: first.from, at: r.made.length, otherwise: null, sentence: segment.sentence };
    return;
  }
  const after = r.ahead.map((s) => s.words.map((w) => w.word).join(' ')).join(' ');
  if (
    shown.length > 1 &&
    first &&
    !items.some(isOf('not', 'control')) &&
    /\b(?:you(?:'re| are) in|is in|it (?:worked|has taken|took)|that is it|all is well)\b/.test(after)
  ) {
    see(r, shown, { from: first.from, to: segment.words.at(-1)?.to ?? first.to });
    return;
  }
  const last = segment.words.at(-1);
  if (first && last && named(items)) r.holes.push({ from: first.from, to: last.to, why: 'not-understood' });
  r.skipping = segment.sentence;
}

export function readActs(r: Reader, segment: Segment, all: readonly Item[]): void {
  let items = [...all];
  const [start] = items;
  const finish = items.at(-1);
  if (!start || !finish) return;
  const at = { from: start.from, to: finish.to };
  // a window: within so long, of a sign or of what stands before
  const within = items.findIndex(isOf('within'));
  if (within >= 0) {
    const lengthAt = items.findIndex((x, i) => i > within && x.is === 'length');
    const length = items[lengthAt];
    if (length?.is === 'length') {
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
        return;
      }
      // what is done before that sign comes is no part of the window; what is done at it is
      const signAt = earlier.findIndex(isOf('sign'));
      const before0 = told ? earlier.slice(0, signAt).filter((x) => x.is !== 'moment' && x.is !== 'it') : [];
      const behind0 = told ? earlier.slice(signAt + 1) : [];
      const isDone = isOf('control', 'clicks');
      if (before0.some(isDone)) readPlain(r, segment, before0, at);
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
        const stop = rest.findIndex((x, i) => i > 0 && (x.is === 'act' || x.is === 'control'));
        const of = stop < 0 ? rest : rest.slice(0, stop);
        const moment = momentIn(r, of);
        if (moment) from = moment;
        else if (r.called.facts.supply.some((c) => of.some((x) => x.is === 'control' && x.own === c)))
          from = { kind: 'power-on' };
        used = lengthAt + 1 + of.length;
      }
      if (/power-on|powering|switching on|switched on/.test(segment.words.map((w) => w.word).join(' ')))
        from = { kind: 'power-on' };
      const before = r.made.findIndex((m) => m.sentence === r.sentence && isAct(m.step));
      const standing = r.made.at(-1);
      // `this button, you've got fifteen seconds`: which one, no more
      const bareName = earlier.length > 0 && earlier.every((x) => x.is === 'control' && x.place === null);
      if (bareName) r.last = earlier.filter(isOf('control')).map((c) => c.own);
      const afterPresses =
        !r.actsAhead &&
        items.slice(used).every((x) => !isOf('act', 'control', 'clicks')(x)) &&
        standing !== undefined &&
        isTrail(r, standing) &&
        standing.sentence >= r.sentence - 1;
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
        ...(told ? (behind0.some(isDone) ? behind0 : []) : bareName ? [] : items.slice(0, within)),
        ...items.slice(used),
      ];
      let run = r.made.length;
      while (afterPresses && run > 0) {
        const m = r.made[run - 1];
        // of keys it is the keys
        if (!m || !isTrail(r, m) || (standing?.step.kind === 'press' && m.step.kind === 'set')) break;
        run -= 1;
      }
      const begun = afterPresses ? run : isTrailing && before >= 0 ? before : r.made.length;
      r.window = { mostMs: length.ms, from, at: begun, sentence: r.sentence };
      items = own;
      if (items.length === 0) return;
    }
  }
  readPlain(r, segment, items, at);
}

/** What a time said behind it may be about: keys, turns and levers, not what gives the unit its supply. */
const isTrail = (r: Reader, { step }: Made): boolean =>
  step.kind === 'press' ||
  step.kind === 'turn' ||
  step.kind === 'group' ||
  (step.kind === 'set' && !r.called.facts.supply.some((c) => c.control.id === step.control));
