import type { PlaceId } from '../../base/ids.ts';
import { type ControlFacts, supplyLooks } from '../../unit/facts.ts';
import type { Item } from './item.ts';
import { rightWords } from './lexicon.ts';
import { placeByVerb } from './mentions.ts';
import { hasOtherObject, hasOtherSubject } from './objects.ts';
import { isOf, isPush, type Reader, spanOf } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';

/** `two more clicks, right this time`: which way is said behind the comma. */
function wayAhead(r: Reader): 'cw' | 'ccw' | undefined {
  const said =
    /^(?:to the )?(left|right|clockwise|anticlockwise|counterclockwise)(?: this time| now| again| instead)?$/.exec(
      r.ahead[0] ? saidOf(r.ahead[0]) : '',
    )?.[1];
  return said === undefined ? undefined : rightWords.has(said) ? 'cw' : 'ccw';
}

export function readTurn(r: Reader, items: readonly Item[], at: Readonly<{ from: number; to: number }>): boolean {
  // `that is to the left, by two clicks`
  const said = items.find(isOf('way'));
  if (said && !items.some(isOf('clicks', 'turns'))) r.wayIn = { way: said.way, sentence: r.sentence };
  const knobs = [...r.called.facts.controls.values()].filter((c) => c.mechanism.kind === 'clicks');
  const named = items.filter(isOf('control')).find((c) => c.own.mechanism.kind === 'clicks');
  const own =
    named?.own ?? r.last.find((c) => c.mechanism.kind === 'clicks') ?? (knobs.length === 1 ? knobs[0] : undefined);
  if (!own) return false;
  let done = false;
  items.forEach((item, i) => {
    const bare =
      item.is === 'number' &&
      items.some(isOf('way')) &&
      ((r.mode === 'turn' && (items[i + 1]?.is === 'way' || items[i - 1]?.is === 'way')) ||
        (items[i - 1]?.is === 'way' && items[i - 2]?.is === 'act' && knobs.length === 1) ||
        (items[i - 1]?.is === 'way' && (named !== undefined || r.last.includes(own))));
    // `three up, one down`, of a knob
    const beside = items[i + 1];
    const upDown = beside?.is === 'place' && /^(?:up|down)$/.test(beside.word) ? beside.word : null;
    if (
      (item.is === 'number' || item.is === 'clicks') &&
      upDown &&
      (named || r.last.includes(own) || r.mode === 'turn' || (item.is === 'clicks' && knobs.length === 1)) &&
      !items.some((x) => x.is === 'control' && isPush(x.own))
    ) {
      r.put({ kind: 'turn', control: own.control.id, clicks: item.n, way: upDown === 'up' ? 'cw' : 'ccw' }, item);
      done = true;
      return;
    }
    // `three clockwise, back one`: as many the other way
    const turned = r.made.at(-1)?.step;
    const behind1 = items[i + 1];
    if (
      item.is === 'number' &&
      behind1?.is === 'place' &&
      behind1.word === 'back' &&
      r.mode === 'turn' &&
      turned?.kind === 'turn' &&
      item.n <= 24 &&
      !items.some(isOf('way'))
    ) {
      r.put({ kind: 'turn', control: own.control.id, clicks: item.n, way: turned.way === 'cw' ? 'ccw' : 'cw' }, item);
      done = true;
      return;
    }
    if (
      item.is === 'number' &&
      items[i - 1]?.is === 'place' &&
      r.mode === 'turn' &&
      turned?.kind === 'turn' &&
      !items.some(isOf('way'))
    ) {
      const before = items[i - 1];
      if (before?.is === 'place' && before.word === 'back' && item.n <= 24) {
        r.put({ kind: 'turn', control: own.control.id, clicks: item.n, way: turned.way === 'cw' ? 'ccw' : 'cw' }, item);
        done = true;
      }
      return;
    }
    if (item.is !== 'clicks' && item.is !== 'turns' && !bare) return;
    const near = [items[i + 1], items[i - 1], items[i + 2], items[i - 2]].find((x) => x?.is === 'way');
    const inSentence = r.made.findLast((m) => m.sentence === r.sentence && m.step.kind === 'turn');
    // `three clicks clockwise, and OK. Two clicks back`
    const lately = r.made.slice(-3).findLast((m) => m.step.kind === 'turn' || m.step.kind === 'sweep');
    const before1 = (inSentence ?? lately ?? r.made.at(-1))?.step;
    // `two clicks back`
    const backWay =
      item.is === 'clicks' &&
      (before1?.kind === 'turn' || before1?.kind === 'sweep') &&
      items[i + 1]?.is === 'place' &&
      items.some((x) => x.is === 'place' && x.word === 'back')
        ? before1.way === 'cw'
          ? ('ccw' as const)
          : ('cw' as const)
        : undefined;
    const way =
      (near?.is === 'way' ? near.way : items.find(isOf('way'))?.way) ??
      backWay ??
      wayAhead(r) ??
      (r.wayIn && r.wayIn.sentence >= r.sentence - 1 ? r.wayIn.way : undefined) ??
      r.answers.ways[own.control.id];
    if (!way) {
      r.ask({ is: 'way', control: own.control.id }, 'which way it is turned', at);
      return;
    }
    done = true;
    const before = r.made.at(-1);
    if (
      before?.step.kind === 'turn' &&
      before.sentence === r.sentence &&
      'n' in item &&
      before.step.clicks === item.n &&
      before.step.way === way
    )
      return;
    if (item.is !== 'turns' && 'n' in item) r.put({ kind: 'turn', control: own.control.id, clicks: item.n, way }, item);
    else if (item.is === 'turns')
      r.put(
        {
          kind: 'sweep',
          control: own.control.id,
          turns: item.n,
          way,
          ...(named?.place ? { stopAt: named.place } : {}),
        },
        item,
      );
  });
  // as far as a rest at one of its ends: which way that is, is known
  const rests = own.mechanism.kind === 'clicks' ? own.mechanism.rests : [];
  const end = rests.find((p) => p.id === named?.place);
  const clicksAt = rests.map((p) => p.atClick);
  const endWay =
    end && rests.length > 1 && end.atClick === Math.min(...clicksAt)
      ? 'ccw'
      : end && rests.length > 1 && end.atClick === Math.max(...clicksAt)
        ? 'cw'
        : null;
  const far = items.find(isOf('way')) ?? (endWay ? { way: endWay as 'cw' | 'ccw' } : undefined);
  const isIt = items.some(isOf('it')) && r.last.length === 1 && r.last[0] === own && own.mechanism.kind === 'clicks';
  if (!done && (named || isIt) && far && r.far) {
    r.put(
      {
        kind: 'sweep',
        control: own.control.id,
        turns: 1,
        way: far.way,
        ...(named?.place ? { stopAt: named.place } : {}),
      },
      at,
    );
    done = true;
  }
  // `turn it three times to the right`: clicks or turns is not said
  const times = items.find(isOf('times'));
  const whichWay = items.find(isOf('way'))?.way ?? r.answers.ways[own.control.id];
  const isTurned =
    items.some((x) => x.is === 'act' && x.act === 'turn') && !items.some((x) => x.is === 'control' && isPush(x.own));
  if (!done && times && isTurned && (named || r.last.includes(own)) && !items.some(isOf('clicks', 'turns'))) {
    const unit = r.answers.units?.[own.control.id];
    if (!unit) {
      r.ask({ is: 'unit', control: own.control.id }, 'clicks or whole turns', at);
      return true;
    }
    if (!whichWay) {
      r.ask({ is: 'way', control: own.control.id }, 'which way it is turned', at);
      return true;
    }
    const step =
      unit === 'clicks' ? { kind: 'turn' as const, clicks: times.n } : { kind: 'sweep' as const, turns: times.n };
    r.put({ ...step, control: own.control.id, way: whichWay }, at);
    done = true;
  }
  if (done) {
    r.last = [own];
    r.mode = 'turn';
    // “stop with the pointer on humid”
    const rest = items.find((x) => x.is === 'control' && x.own === own && x.place !== null);
    const before = r.made.at(-1);
    if (rest?.is === 'control' && rest.place && before?.step.kind === 'sweep')
      r.made[r.made.length - 1] = { ...before, step: { ...before.step, stopAt: rest.place } };
  }
  return done;
}

/** Puts a control somewhere; told once more where it stands already, that is no step of its own. */
export function set(
  r: Reader,
  own: ControlFacts,
  to: PlaceId,
  at: Readonly<{ from: number; to: number }>,
  beside = false,
): void {
  if (!beside) r.last = [own];
  r.mode = null;
  // what was only said to stand so beforehand is done where it is told
  const early =
    r.places.get(own.control.id) === to
      ? r.made.findIndex(
          (m) =>
            m.step.kind === 'set' &&
            m.step.control === own.control.id &&
            m.step.to === to &&
            m.sentence >= r.sentence - 8 &&
            r.beforehand.has(m.from),
        )
      : -1;
  if (early >= 0) {
    r.made.splice(early, 1);
    r.put({ kind: 'set', control: own.control.id, to }, at);
    return;
  }
  if (r.places.get(own.control.id) === to && own.mechanism.kind !== 'clicks') {
    r.putAgain.push({ own, to, from: at.from, end: at.to });
    return;
  }
  // `then pedal up`, of a pedal that is held down
  if (r.held.includes(own)) {
    if (own.springs.size > 0 && !own.springs.has(to)) {
      r.put({ kind: 'release', controls: [own.control.id] }, at);
      r.held = r.held.filter((h) => h !== own);
    }
    return;
  }
  r.places.delete(own.control.id);
  r.places.set(own.control.id, to);
  if (r.isBeforehand) r.beforehand.add(at.from);
  r.put({ kind: 'set', control: own.control.id, to }, at);
}

const placesOf = ({ mechanism }: ControlFacts): PlaceId[] =>
  mechanism.kind === 'places' ? mechanism.places.map((p) => p.id) : [];

/** Whether one says of it that it is shut: not of a switch of a row. */
const canShut = (own: ControlFacts): boolean =>
  own.control.look !== 'dip' && own.control.look !== 'jumper' && own.control.look !== 'switch';

/** `close the flap and switch it on again`: what was last switched, where what was named last cannot be. */
function setEarlier(r: Reader, word: string, at: Readonly<{ from: number; to: number }>): boolean {
  for (const id of [...r.places.keys()].reverse()) {
    const own = r.called.facts.controls.get(id);
    // what is called so at that place, not what comes to the same
    const place = own && (placesOf(own).find((p) => p === word) ?? null);
    if (!own || !place || place === r.places.get(id)) continue;
    set(r, own, place, at);
    return true;
  }
  return false;
}

/** `switch off and on`: what carries the supply, the one that was switched last where there are several. */
function offAndOn(r: Reader, items: readonly Item[]): boolean {
  const places = items.filter(isOf('place')).filter((p) => p.word !== 'back');
  const [off, on, ...others] = places;
  if (off?.word !== 'off' || on?.word !== 'on' || others.length > 0) return false;
  if (!items.every((x) => x.is === 'place' || x.is === 'it' || (x.is === 'act' && x.act === 'set'))) return false;
  const { supply } = r.called.facts;
  const switched = [...r.places.keys()].reverse().flatMap((id) => supply.find((c) => c.control.id === id) ?? []);
  const [only] =
    supply.length === 1
      ? supply
      : [...switched, ...supply.filter((c) => /^(?:breaker|switch|rocker)$/.test(c.control.look))];
  const last = r.last.length === 1 ? r.last[0] : undefined;
  const switches = last !== undefined && supplyLooks.has(last.control.look);
  const own = switches ? last : only;
  const [dead, live] = own ? [placeByVerb(own, 'off'), placeByVerb(own, 'on')] : [null, null];
  if (!own || dead === null || live === null) return false;
  set(r, own, dead, off);
  set(r, own, live, on);
  return true;
}

export function readSet(
  r: Reader,
  segment: Segment,
  items: readonly Item[],
  at: Readonly<{ from: number; to: number }>,
): boolean {
  const before = r.made.length;
  if (!readPut(r, segment, items, at)) return false;
  // `open the door and look at the drain valve, it has to be shut`: what was named last
  const tail = items.filter(isOf('control')).at(-1);
  if (
    tail &&
    tail.place === null &&
    !isPush(tail.own) &&
    r.last.length === 1 &&
    r.last[0] !== tail.own &&
    !items.some((x) => x.is === 'place' && x.from > tail.from)
  )
    r.last = [tail.own];
  const length = items.find(isOf('length'));
  const last = r.made.at(-1);
  // `unplug it for half a minute`
  if (
    length &&
    r.made.length > before &&
    !r.made.slice(before).some((m) => m.step.kind === 'rest') &&
    last?.step.kind === 'set' &&
    !items.some(isOf('within'))
  )
    r.put({ kind: 'rest', span: spanOf(length) }, length);
  // `pump the pedal three times`
  const times = items.find(isOf('times'));
  const own = last?.step.kind === 'set' ? r.called.facts.controls.get(last.step.control) : undefined;
  if (times && times.n > 1 && r.made.length === before + 1 && last?.step.kind === 'set' && own && own.springs.size > 0)
    r.made[r.made.length - 1] = { ...last, step: { kind: 'group', times: times.n, steps: [last.step] } };
  // `off and on twice`
  const fresh = r.made.slice(before);
  const [first] = fresh;
  if (
    times &&
    times.n > 1 &&
    first &&
    fresh.length === 2 &&
    fresh.every((m) => m.step.kind === 'set' && first.step.kind === 'set' && m.step.control === first.step.control)
  )
    r.made.splice(before, 2, {
      ...first,
      step: { kind: 'group', times: times.n, steps: fresh.map((m) => m.step) },
      to: at.to,
    });
  // `S1 on, and before you do that the supply is off`
  const [earlier] = r.made.slice(before - 1, before);
  const [only, ...others] = r.made.slice(before);
  if (
    /^(?:and |but )?before (?:you do |doing |all )?(?:that|this|it)\b/.test(saidOf(segment)) &&
    only &&
    earlier?.sentence === r.sentence &&
    others.length === 0
  )
    r.made.splice(before - 1, 2, only, earlier);
  // `J5 to open with the breaker off`
  const [first1, with1] = r.made.slice(before);
  const named1 = items.filter(isOf('control'));
  if (
    r.made.length === before + 2 &&
    first1?.step.kind === 'set' &&
    with1?.step.kind === 'set' &&
    named1.length === 2 &&
    segment.words.some(
      (w, k) => w.word === 'with' && segment.words.slice(k + 1, k + 3).some((x) => x.from === named1[1]?.from),
    )
  )
    r.made.splice(before, 2, with1, first1);
  // `shut the valve after two minutes`
  const [put, rest] = r.made.slice(before);
  if (
    put?.step.kind === 'set' &&
    rest?.step.kind === 'rest' &&
    r.made.length === before + 2 &&
    /\bafter (?:about |another |some )?\S+(?: \S+)? (?:seconds?|minutes?|s|min)\b/.test(saidOf(segment)) &&
    put.from < rest.from
  )
    r.made.splice(before, 2, rest, put);
  return true;
}

function readPut(
  r: Reader,
  segment: Segment,
  items: readonly Item[],
  at: Readonly<{ from: number; to: number }>,
): boolean {
  // `a switch called S2` is one
  const named = items
    .filter(isOf('control'))
    .filter((c) => !isPush(c.own))
    .filter((c, i, all) => all.findIndex((d) => d.own === c.own && d.place === c.place) === i);
  // `opening and closing the door`
  const [moved] = named;
  const verbs = items.filter(isOf('act')).map((a) => a.act);
  const opens = verbs.indexOf('open');
  if (moved && named.length === 1 && opens >= 0 && verbs[opens + 1] === 'shut') {
    const [open, shut] = [placeByVerb(moved.own, 'open'), placeByVerb(moved.own, 'shut')];
    if (open && shut) {
      if (r.places.get(moved.own.control.id) !== open) set(r, moved.own, open, at);
      set(r, moved.own, shut, at);
      return true;
    }
  }
  // `…, the seat lever to locked, and switch on`: what was switched off before, whatever was named since
  const [power, ...more] = r.called.facts.supply;
  const live = power ? placeByVerb(power, 'on') : null;
  const now = power ? r.places.get(power.control.id) : undefined;
  if (
    power &&
    more.length === 0 &&
    live !== null &&
    named.length === 0 &&
    now !== undefined &&
    now !== live &&
    /^(?:and |then |now |finally )*(?:switch|power|turn)(?: everything| the \w+)? (?:back )?on(?: again)?$/.test(
      saidOf(segment),
    )
  ) {
    set(r, power, live, at);
    return true;
  }
  let done = false;
  let act: string | null = null;
  for (const [i, item] of items.entries()) {
    if (item.is === 'act') act = item.act;
    if (item.is !== 'control' || isPush(item.own)) continue;
    // `F3 goes back`
    const beside = items[i + 1];
    const next = beside?.is === 'act' && /^(?:go|goes|went)$/.test(beside.word) ? items[i + 2] : beside;
    const word = next?.is === 'place' ? next.word : null;
    // `switch off at the cab switch`
    const before = items[i - 1]?.is === 'moment' ? items[i - 2] : items[i - 1];
    // `somebody in the cab`: where, as nothing is done there
    const isThere =
      before?.is === 'place' &&
      /^(?:in|on)$/.test(before.word) &&
      !items.some(isOf('act')) &&
      segment.words.some((w, k) => w.from === before.from && /^(?:the|a|your)$/.test(segment.words[k + 1]?.word ?? ''));
    const wordBefore = before?.is === 'place' && !isThere ? before.word : null;
    const isNear = (a: Item): boolean => {
      const [from, to] = a.to <= item.from ? [a.to, item.from] : [item.to, a.from];
      return segment.words.filter((w) => w.from >= from && w.to <= to).length <= 5;
    };
    const verb =
      items.slice(0, i).findLast((x) => x.is === 'act' && isNear(x)) ??
      items.slice(i + 1).find((x) => x.is === 'act' && isNear(x)) ??
      null;
    const verbAct = verb?.is === 'act' ? verb.act : null;
    // `switches 2 and 7 are set to on`: what is said of the last is said of both
    const shared = items.slice(i + 1).find((x) => x.is === 'control' && x.place !== null && !isPush(x.own));
    const together =
      shared?.is === 'control' &&
      item.own.control.look === shared.own.control.look &&
      item.own.mechanism.kind === 'places'
        ? (item.own.mechanism.places.find((p) => p.id === shared.place)?.id ?? null)
        : null;
    const place =
      item.place ??
      (together as PlaceId | null) ??
      (word ? placeByVerb(item.own, word) : null) ??
      (wordBefore ? placeByVerb(item.own, wordBefore) : null) ??
      (verbAct ? placeByVerb(item.own, verbAct === 'press' ? 'push' : verbAct) : null);
    // it stands there, or cannot: what was switched before is meant
    const isIt = segment.words.some((w) => w.from === item.from && w.word === 'it');
    const stands = place === null || r.places.get(item.own.control.id) === place;
    const way = word ?? segment.words.find((w) => /^(?:on|off|in|out)$/.test(w.word))?.word;
    // `cap back on, pull it out`: what was put there in the same breath does not go back at once
    const lately = r.made.at(-1);
    const isUndone =
      lately?.step.kind === 'set' &&
      lately.step.control === item.own.control.id &&
      lately.sentence === r.sentence &&
      !placesOf(item.own).some((p) => p === way) &&
      !segment.words.some((w) => /^(?:back|again|then)$/.test(w.word));
    // `leave it out`: as it is
    if (isIt && stands && /\b(?:leave|leaves|leaving|left|keep|stays?) it\b/.test(saidOf(segment))) {
      done = true;
      continue;
    }
    if (isIt && (stands || isUndone) && way && setEarlier(r, way, at)) {
      done = true;
      continue;
    }
    // `DIP 1 goes back`: to where it stood
    if (place === null && (word === 'back' || wordBefore === 'back') && item.own.mechanism.kind === 'places') {
      const { start } = item.own.mechanism;
      const now = r.places.get(item.own.control.id);
      // `puts the fuse back`: it was out, whether that was told or not
      const isPutIn = /^(?:fuse|plug)$/.test(item.own.control.look) && verbAct === 'set';
      const to = now !== undefined && now !== start ? start : isPutIn ? placeByVerb(item.own, 'in') : null;
      if (to !== null) {
        set(r, item.own, to, item);
        done = true;
        continue;
      }
    }
    // `lid to`: shut, as some say it
    const shutTo =
      place === null &&
      (item.own.control.look === 'lid' || item.own.control.look === 'door') &&
      segment.words.at(-1)?.word === 'to' &&
      segment.words.length <= 4
        ? placeByVerb(item.own, 'shut')
        : null;
    if (shutTo !== null) {
      set(r, item.own, shutTo, item);
      done = true;
      continue;
    }
    // `pull the plug, and then the fuse`: the same is done to it
    const told = r.made.at(-1);
    const same =
      place === null &&
      told?.step.kind === 'set' &&
      told.sentence === r.sentence &&
      told.step.control !== item.own.control.id &&
      /^(?:and |then )*the(?: \S+){1,3}$/.test(saidOf(segment)) &&
      segment.joined === 'then' &&
      r.ahead[0]?.sentence !== r.sentence &&
      items.length === 1
        ? placeByVerb(item.own, told.step.to)
        : null;
    if (same !== null) {
      set(r, item.own, same, item);
      done = true;
      continue;
    }
    if (place === null) continue;
    set(r, item.own, place, { from: item.from, to: (next?.is === 'place' ? next : item).to });
    // `off 10 s on again`
    const [span, then] = items.slice(i + 1).filter((x) => !(x.is === 'place' && x.word === 'back'));
    const again =
      item.place !== null && span?.is === 'length' && then?.is === 'place' ? placeByVerb(item.own, then.word) : null;
    if (span?.is === 'length' && again !== null && again !== place) {
      r.put({ kind: 'rest', span: spanOf(span) }, span);
      set(r, item.own, again, then ?? item);
      done = true;
      continue;
    }
    // off on off on
    for (const p of items.slice(i + 2)) {
      if (p.is !== 'place' || next?.is !== 'place') break;
      const to = placeByVerb(item.own, p.word);
      if (to === null) break;
      if (p === items[i + 2]) set(r, item.own, placeByVerb(item.own, next.word) ?? to, next);
      set(r, item.own, to, p);
    }
    // off and on again
    const other = item.place !== null && next?.is === 'place' ? placeByVerb(item.own, next.word) : null;
    if (other !== null && other !== place && /^(?:on|off|in|out)$/.test(word ?? '')) set(r, item.own, other, item);
    done = true;
  }
  if (done) {
    const length = items.find(isOf('length'));
    if (length && !items.some(isOf('within')) && r.made.at(-2)?.step.kind !== 'rest') {
      r.put({ kind: 'rest', span: spanOf(length) }, length);
      // `wait half a minute before you turn it to bake`
      const first = items.find((x) => x.is === 'control' && !isPush(x.own));
      const [set, rest] = r.made.slice(-2);
      if (
        first &&
        length.to <= first.from &&
        set?.step.kind === 'set' &&
        rest &&
        /\bbefore\b|\bwait\b/.test(saidOf(segment))
      )
        r.made.splice(-2, 2, rest, set);
      // `is put back in after ten seconds`
      const lengthAt = segment.words.findIndex((w) => w.from === length.from);
      const isSince = /\bafter(?: at least| about| some| roughly| another)?$/.test(
        segment.words
          .slice(0, lengthAt)
          .map((w) => w.word)
          .join(' '),
      );
      if (isSince && set?.step.kind === 'set' && rest?.step.kind === 'rest') r.made.splice(-2, 2, rest, set);
    }
    return true;
  }
  const [lone] = named;
  if (lone && named.length === 1) r.last = [lone.own];
  const verb = items.find(isOf('act'));
  if (named.length === 0 && verb && hasOtherObject(segment, verb, items)) return false;
  if (named.length === 0 && hasOtherSubject(segment, items)) return false;
  if (named.length === 0 && (act === 'in' || act === 'out') && (!items.some(isOf('it')) || r.last.every(isPush))) {
    const plug = r.called.facts.supply.find((c) => c.control.look === 'plug');
    const to = plug && placeByVerb(plug, act);
    if (plug && to && r.last.every(isPush)) {
      set(r, plug, to, at);
      return true;
    }
  }
  if (named.length === 0 && /\boff and (?:back |then )?on\b/.test(saidOf(segment)) && offAndOn(r, items)) return true;
  // keys are held, `and switch it on again`: what was switched before
  const onOff = items.filter(isOf('place')).filter((p) => p.word !== 'back');
  if (
    named.length === 0 &&
    act === 'set' &&
    onOff.length === 1 &&
    /^(?:on|off)$/.test(onOff[0]?.word ?? '') &&
    r.last.length > 0 &&
    r.last.every(isPush) &&
    /\b(?:switch|turn|flick|flip|put)(?:es|s)? it (?:back )?(?:on|off)\b/.test(saidOf(segment)) &&
    setEarlier(r, onOff[0]?.word ?? '', at)
  )
    return true;
  // keys are held, `and turn it back to test`: what has such a place
  const goesTo =
    /\b(?:turn|turns|turned|put|puts|set|sets|switch|switches|move|moves|moved) it (?:back )?(?:to|on|into) (\w+)$/.exec(
      saidOf(segment),
    );
  if (named.length === 0 && goesTo && r.last.length > 0 && r.last.every(isPush) && setEarlier(r, goesTo[1] ?? '', at))
    return true;
  // `then off`, `back in`: of what was named last
  const [only] = r.last;
  const word = items.filter(isOf('place')).at(-1)?.word;
  if (
    named.length === 0 &&
    only &&
    !isPush(only) &&
    r.last.length === 1 &&
    word &&
    (items.length <= 3 || act !== null) &&
    !items.some(isOf('sign', 'control', 'text'))
  ) {
    if (word === 'back' && act !== 'set' && act !== 'in') return false;
    const switches = items.some((x) => x.is === 'act' && /^(?:switch|turn|flick|flip)/.test(x.word));
    if (switches && !placesOf(only).some((p) => p === word) && setEarlier(r, word, at)) return true;
    const place = placeByVerb(only, word === 'back' ? 'in' : word);
    if (place !== null) set(r, only, place, at);
    return place !== null;
  }
  // `then off, jumper on, guard down, and on again`: the supply
  const [supply] = r.called.facts.supply;
  if (
    named.length === 0 &&
    supply &&
    r.called.facts.supply.length === 1 &&
    r.last.every(isPush) &&
    r.made.length > 0 &&
    /^(?:and |then |now |with (?:your|my) (?:left |right |other |free )?hand )*(?:(?:switch|turn|power|put) (?:it |him |her )?)?(?:back )?(?:off|on)(?: again)?$/.test(
      saidOf(segment),
    )
  ) {
    const to = placeByVerb(supply, /\boff\b/.test(saidOf(segment)) ? 'off' : 'on');
    if (to !== null && r.places.has(supply.control.id) && r.places.get(supply.control.id) !== to) {
      set(r, supply, to, at);
      return true;
    }
  }
  // `close her up`: what was opened last
  if (
    named.length === 0 &&
    act === 'shut' &&
    items.some(isOf('it')) &&
    !(only && placeByVerb(only, 'shut') !== null && !isPush(only) && canShut(only))
  ) {
    const opened = [...r.places.keys()]
      .reverse()
      .map((id) => r.called.facts.controls.get(id))
      .find(
        (c) =>
          (c?.control.look === 'lid' || c?.control.look === 'door') &&
          placeByVerb(c, 'open') === r.places.get(c.control.id),
      );
    const shut = opened && placeByVerb(opened, 'shut');
    if (opened && shut) {
      set(r, opened, shut, at);
      return true;
    }
  }
  // `open it`, `plug it back in`
  // `out with it`
  if (
    named.length === 0 &&
    only &&
    !isPush(only) &&
    r.last.length === 1 &&
    /^(?:and |so |then )?(?:out|in|off|on|up|down) with (?:it|that|him)$/.test(saidOf(segment)) &&
    word
  ) {
    const place = placeByVerb(only, word);
    if (place !== null) set(r, only, place, at);
    return place !== null;
  }
  // `pulled out, then pushed in, then pulled out again`
  const isElided =
    (segment.joined === 'then' || segment.joined === 'and' || segment.joined === 'comma') &&
    segment.words.length <= 4 &&
    r.made.at(-1)?.step.kind === 'set' &&
    r.made.at(-1)?.sentence === r.sentence &&
    items[0]?.is === 'act' &&
    /^(?:opened|closed|shut|pulled|pushed|removed|inserted|lifted|raised|lowered|disconnected|connected)$/.test(
      segment.words[0]?.word ?? '',
    );
  if (named.length === 0 && only && !isPush(only) && act && (items.some(isOf('it')) || isElided)) {
    const place = placeByVerb(only, act);
    if (place === null) return false;
    set(r, only, place, at);
    return true;
  }
  return false;
}
