import type { ControlId } from '../../base/ids.ts';
import { defaultWithinMs } from '../../model/route.ts';
import { timesAt } from './amounts.ts';
import { heldOf, pressedOnce, readHold, turnToHold } from './holds.ts';
import type { Item } from './item.ts';
import { itemsOf } from './items.ts';
import { hasOtherObject } from './objects.ts';
import { type ItemOf, isAct, isOf, isPush, type Made, type Reader, spanOf } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { see, shownIn } from './shown.ts';
import { leadsOn } from './talk.ts';

export function readPress(
  r: Reader,
  segment: Segment,
  items: readonly Item[],
  at: Readonly<{ from: number; to: number }>,
): boolean {
  const act = items.filter(isOf('act')).find((a) => a.act === 'press') ?? items.find(isOf('act'));
  const isPressed =
    act?.act === 'press' || (act?.act === 'set' && items.some((x) => x.is === 'control' && isPush(x.own)));
  const keyed = items.filter(isOf('control')).map((c) => c.own.control.id);
  if (r.entered && r.sentence > r.entered.sentence + 4) r.entered = null;
  const { entered } = r;
  // what the keys do that characters are put in with, or the same told out
  if (entered && keyed.length > 0 && keyed.every((id) => entered.keys.includes(id)) && !isPressed) return true;
  if (
    entered &&
    keyed.length > 0 &&
    keyed.every((id) => entered.keys.includes(id)) &&
    /\b(?:changes?|alters?|moves?|goes|selects?)\b.*\b(?:letter|character|place|next|digit|figure|position)/.test(
      saidOf(segment),
    )
  )
    return true;
  // the entries of a menu told once more, with the key between them
  if (r.chosenIn === r.sentence && keyed.length > 0 && !isPressed && !items.some(isOf('length'))) return true;
  const any = items.find(isOf('any'));
  if (any) {
    r.put({ kind: 'press', control: 'any', times: items.find(isOf('times'))?.n ?? 1 }, any);
    return true;
  }
  // `then press twice`, of a unit that has one thing to press
  const all = [...r.called.facts.controls.values()].filter(isPush);
  const [sole] = all;
  if (
    sole &&
    all.length === 1 &&
    act?.act === 'press' &&
    !items.some(isOf('control', 'it', 'any', 'not', 'length', 'both')) &&
    !r.last.some(isPush) &&
    !/\b(?:each|every|a|the) (?:press|push|tap)\b/.test(saidOf(segment)) &&
    items.every(isOf('act', 'times', 'moment', 'within'))
  ) {
    r.put({ kind: 'press', control: sole.control.id, times: items.find(isOf('times'))?.n ?? 1 }, at);
    r.last = [sole];
    r.mode = 'press';
    return true;
  }
  const pushes = items.filter(isOf('control')).filter((c) => isPush(c.own));
  const [only1] = pushes;
  const one1 = pushes.filter((p, k) => pushes.findIndex((q) => q.own === p.own) === k);
  const words1 = saidOf(segment);
  const counted = /\b(?:up|on|down|go|get|climb|count|step)(?: \w+)? to (\S+)/.exec(words1);
  // `and Slower down`, of a list that was said to be walked
  const leads =
    leadsOn(words1) ||
    (r.ledIn === r.sentence && segment.words.length <= 4 && !isPressed && !/^(?:and )?\S+ is \w+$/.test(words1));
  if (
    only1 &&
    (one1.length === 1 ||
      (one1.length === 2 &&
        segment.words.filter((w) => w.to <= (only1?.from ?? 0)).length <= 5 &&
        !/^(?:\w+ ){0,3}is\b/.test(words1) &&
        leadsOn(words1) &&
        !items.some(isOf('both')))) &&
    leads &&
    !items.some(
      (x) =>
        (x.is === 'act' && !(leadsOn(words1) ? /^(?:set|step|wait|see)$/ : /^(?:set|step|wait)$/).test(x.act)) ||
        (x.is === 'sign' && !leadsOn(words1)) ||
        x.is === 'light' ||
        x.is === 'length',
    )
  ) {
    const times = items.find(isOf('times'))?.n ?? 1;
    // `the older one? Go. Every Go takes you one further back`: told once already
    const done = r.made.at(-1);
    if (
      /\b(?:every|each)\b/.test(words1) &&
      one1.length === 1 &&
      done?.step.kind === 'press' &&
      done.step.control === only1.own.control.id &&
      done.step.times === 1 &&
      done.sentence >= r.sentence - 1
    )
      return true;
    for (const p of one1) r.put({ kind: 'press', control: p.own.control.id, times }, one1.length > 1 ? p : at);
    r.last = [only1.own];
    r.ledIn = r.sentence;
    return true;
  }
  // `Jog moves you through them, jog jog jog`
  const [led] = r.last;
  if (
    r.ledIn === r.sentence &&
    !leads &&
    led &&
    pushes.length > 0 &&
    items.every((x) => x.is === 'control' && x.own === led)
  )
    return true;
  const upTo = items.find(isOf('number'));
  const isCountedTo = counted !== null && segment.words.some((w) => w.word === counted[1] && w.value !== null);
  if (only1 && pushes.length === 1 && isCountedTo && upTo && !items.some(isOf('times', 'length', 'sign'))) {
    r.put({ kind: 'step-list', control: only1.own.control.id, to: upTo.n, start: 0, by: 'press' }, at);
    r.last = [only1.own];
    return true;
  }
  if (
    only1 &&
    pushes.length === 1 &&
    /^(?:and )?with \w+(?: \w+)? (?:you|i|we) (?:can |will |then )?(?:say|confirm|accept|agree|take|store|save|see|get|read|call|bring|find|turn the page|go (?:on |back )?to the|come to the|go back|go on|scroll|page|leaf)\b/.test(
      words1,
    )
  ) {
    r.put({ kind: 'press', control: only1.own.control.id, times: 1 }, at);
    r.last = [only1.own];
    r.mode = 'press';
    return true;
  }
  // `OK takes it`; `to see the next one it's plus`; `you leave it with Back`
  const isTaken =
    /^(?:and |then )?(?:\S+ ){1,3}(?:takes|accepts|confirms|stores|saves|enters|ends|finishes) (?:it|that|this)$/.test(
      words1,
    );
  const isFor =
    /^(?:and |but |so )?(?:to|for) .*\b(?:it's|it|its|it is|that's|that is|that) (?:the )?(?:\S+ ?){1,3}$/.test(words1);
  const lead = only1 ? segment.words.findLast((w) => w.to <= only1.from && w.word !== 'the')?.word : undefined;
  const isBy = /^(?:with|by|using|via)$/.test(lead ?? '') && items.at(-1) === only1;
  const onlyAct = items.filter(isOf('act'));
  if (
    only1 &&
    pushes.length === 1 &&
    items.every((x) => x === only1 || /^(?:it|act|number|nth)$/.test(x.is)) &&
    ((isTaken && onlyAct.length === 0) ||
      (isFor &&
        (lead === 'it' || lead === 'that' || lead === "it's" || lead === "that's" || lead === 'is') &&
        items.at(-1) === only1) ||
      (isBy && onlyAct.every((a) => !/^(?:hold|press)$/.test(a.act)) && !/^(?:and |then |now )?with\b/.test(words1)))
  ) {
    r.put({ kind: 'press', control: only1.own.control.id, times: 1 }, at);
    r.last = [only1.own];
    r.mode = 'press';
    return true;
  }
  const lastMade = r.made.at(-1);
  // `press Menu, then again`; `a long press of Reset, then a short one`
  const isAgain =
    /^(?:and |then |press (?:it )?|do (?:it|that) |just )*(?:again|once more|one more(?: time)?|a(?:nother)? short (?:one|press|push|tap))$/.test(
      words1,
    );
  const [lastOne] = r.last;
  if (
    isAgain &&
    pushes.length === 0 &&
    lastMade &&
    lastMade.sentence >= r.sentence - 1 &&
    lastOne &&
    r.last.length === 1 &&
    isPush(lastOne)
  ) {
    if (lastMade.step.kind === 'press' || /short/.test(words1)) {
      r.put({ kind: 'press', control: lastOne.control.id, times: 1 }, at);
      return true;
    }
  }
  // `the same with Menu`
  if (only1 && pushes.length === 1 && /\bsame (?:again |thing |once more )?(?:with|on|for)\b/.test(words1)) {
    const done = r.made.findLast((m) => m.step.kind === 'press' || m.step.kind === 'hold');
    const n = items.find(isOf('times'))?.n;
    if (done?.step.kind === 'press') {
      r.put({ ...done.step, control: only1.own.control.id, times: n ?? done.step.times }, at);
      r.last = [only1.own];
      return true;
    }
    if (done?.step.kind === 'hold' && done.step.until.kind !== 'release' && done.step.controls.length === 1) {
      r.put({ ...done.step, controls: [{ control: only1.own.control.id }] }, at);
      r.last = [only1.own];
      return true;
    }
  }
  const times = items.filter(isOf('times'));
  const span = items.find(isOf('length'));
  const signAt = items.findIndex(isOf('sign'));
  if (
    pushes.length === 1 &&
    span &&
    act === undefined &&
    signAt > 1 &&
    items.indexOf(span) < signAt &&
    items.slice(0, signAt).every(isOf('length', 'control')) &&
    /\bon (?:the )?$/.test(
      `${segment.words
        .filter((w) => w.to <= (only1?.from ?? 0))
        .map((w) => w.word)
        .join(' ')} `,
    )
  ) {
    readHold(
      r,
      [...items.slice(0, signAt), { is: 'act', act: 'hold', word: 'for', from: at.from, to: at.to }],
      null,
      at,
    );
    const shown = shownIn(r, items.slice(signAt));
    if (shown.length > 0) see(r, shown, at);
    return true;
  }
  if (
    pushes.length > 0 &&
    span &&
    act === undefined &&
    !items.some(isOf('sign', 'within', 'moment', 'not')) &&
    segment.words.filter((w) => w.from >= (items[0]?.from ?? 0) && w.to <= (items.at(-1)?.to ?? 0)).length <= 11
  )
    return readHold(r, [...items, { is: 'act', act: 'hold', word: 'for', from: at.from, to: at.to }], null, at);
  if (
    pushes.length === 0 &&
    !act &&
    (items.some(isOf('both')) ||
      (span && r.made.at(-1)?.step.kind === 'together' && segment.words.length <= 7 && segment.words[0]?.word !== 'it'))
  ) {
    const two = r.made.slice(-2);
    // `then both`: behind each alone
    const arePressed =
      segment.joined !== 'then' &&
      two.length === 2 &&
      two.every((m) => m.sentence === r.sentence && m.step.kind === 'press' && m.step.times === 1);
    const joined = two.at(-1);
    const ids = arePressed
      ? two.flatMap((m) => (m.step.kind === 'press' ? [m.step.control as ControlId] : []))
      : joined?.step.kind === 'together'
        ? joined.step.controls
        : segment.joined === 'then' && two.length === 2
          ? two.flatMap((m) =>
              m.step.kind === 'press' && m.sentence === r.sentence ? [m.step.control as ControlId] : [],
            )
          : [];
    if (new Set(ids).size > 1) {
      if (arePressed || joined?.step.kind === 'together') r.made.splice(arePressed ? -2 : -1);
      r.last = ids.flatMap((id) => r.called.facts.controls.get(id) ?? []);
      if (span)
        r.put(
          {
            kind: 'hold',
            controls: ids.map((control) => ({ control })),
            until: { kind: 'span', span: spanOf(span) },
          },
          at,
        );
      else r.put({ kind: 'together', controls: ids, times: 1, withinMs: defaultWithinMs }, at);
      return true;
    }
  }
  // `I take Jog and Reset and press both of them down`
  if (
    pushes.length === 0 &&
    act?.act === 'press' &&
    items.some(isOf('both')) &&
    r.last.length === 2 &&
    r.last.every(isPush) &&
    new Set(r.last).size === r.last.length &&
    times.length === 0
  ) {
    const two = r.made.slice(-2);
    const ids = r.last.map((own) => own.control.id as string);
    if (
      two.length === 2 &&
      two.every(
        (m) =>
          m.step.kind === 'press' && m.step.times === 1 && ids.includes(m.step.control) && m.sentence >= r.sentence - 1,
      )
    )
      r.made.splice(-2);
    // `put your hand on Stir and Time and press both`: held already
    const held = r.made.at(-1)?.step;
    const isHeld = held?.kind === 'hold' && ids.every((id) => held.controls.some((c) => c.control === id));
    if (isHeld && !span) return true;
    if (span || items.some((x) => x.is === 'place' && /^(?:down|in)$/.test(x.word)))
      return readHold(
        r,
        [
          ...r.last.map((own): Item => ({ is: 'control', own, place: null, ...at })),
          ...items.filter(isOf('length')),
          { is: 'act', act: 'hold', word: 'down', ...at },
        ],
        null,
        at,
      );
    r.put({ kind: 'together', controls: r.last.map((own) => own.control.id), times: 1, withinMs: defaultWithinMs }, at);
    r.mode = 'press';
    return true;
  }
  // `Hold, Plus and Program, you need them all pushed in`
  if (
    pushes.length === 0 &&
    act?.act === 'press' &&
    /\b(?:all|both|them|these|those)(?: of them)?(?: have| need| must)?(?: to be)? (?:pushed|pressed|held) (?:in|down)$/.test(
      words1,
    )
  ) {
    let from = r.made.length;
    while (from > 0 && r.made[from - 1]?.sentence === r.sentence && pressedOnce(r, r.made[from - 1] as Made).length > 0)
      from -= 1;
    const run = r.made.slice(from).flatMap((m) => pressedOnce(r, m));
    if (run.length > 1 && run.length <= 4) {
      turnToHold(r, from, r.made.length - from, run);
      r.last = run;
      return true;
    }
  }
  if (pushes.length === 0 && act?.act === 'press' && items.some(isOf('both')) && r.last.length < 2) {
    // both: which, is said next
    r.both = true;
    return true;
  }
  if (pushes.length === 0) {
    // `Ack, gets pressed four times`
    const lately = r.made.at(-1);
    if (
      act?.act === 'press' &&
      times[0] &&
      lately?.step.kind === 'press' &&
      lately.step.times === 1 &&
      lately.sentence === r.sentence &&
      /^(?:and )?(?:gets?|is|are|was|has to be|must be|should be)\b/.test(saidOf(segment))
    ) {
      r.made[r.made.length - 1] = { ...lately, step: { ...lately.step, times: times[0].n }, to: at.to };
      return true;
    }
    if (act && hasOtherObject(segment, act, items)) return false;
    // `three times` alone: of what was pressed last
    const [only] = times;
    const before = r.made.at(-1);
    const text = saidOf(segment);
    if (
      only &&
      (/\b(?:pair|pairs|sequence|lot|round|rounds|that|these|those|over)\b/.test(text) || isToldOut(r, only.n)) &&
      readAgain(r, items, segment)
    )
      return true;
    const longFor = items.find(isOf('length'));
    if (items.some(isOf('long')) && longFor && before?.step.kind === 'press' && before.step.times === 1) {
      r.made[r.made.length - 1] = {
        ...before,
        step: {
          kind: 'hold',
          controls: [{ control: before.step.control as ControlId }],
          until: { kind: 'span', span: spanOf(longFor) },
        },
        to: at.to,
      };
      return true;
    }
    const isOnce = (before?.step.kind === 'press' || before?.step.kind === 'together') && before.step.times === 1;
    if (only && !act && isOnce && before.sentence >= r.sentence - 1) {
      r.made[r.made.length - 1] = { ...before, step: { ...before.step, times: only.n }, to: at.to };
      return true;
    }
    if (
      act?.act === 'press' &&
      r.last.length === 1 &&
      r.last[0] &&
      isPush(r.last[0]) &&
      (only || items.some(isOf('it')))
    ) {
      r.put({ kind: 'press', control: r.last[0].control.id, times: only?.n ?? 1 }, at);
      return true;
    }
    return readAgain(r, items, segment);
  }
  const said = saidOf(segment);
  const named = pushes.reduce((n, p) => n + p.own.control.label.split(' ').length, 0);
  const from = items.find((x) => x.is !== 'it')?.from ?? 0;
  const to = items.at(-1)?.to ?? 0;
  const length = segment.words.filter((w) => w.from >= from && w.to <= to && w.raw !== ',').length;
  const isAlone =
    segment.words.filter((w, i) => i > 0 || !/^(?:and|then|now|next)$/.test(w.word)).length <= named &&
    r.made.length > 0 &&
    (r.made.at(-1)?.sentence ?? -9) >= r.sentence - 2;
  // `next older fault: FAN`
  const tellsNext =
    /\b(?:next|older|previous|earlier|before|(?:one|ones) after|following)\b/.test(r.saidBefore) &&
    segment.words.length <= named + 1;
  const isNext =
    isAlone ||
    tellsNext ||
    r.listed ||
    r.both ||
    items.some(isOf('long')) ||
    r.mode === 'press' ||
    times.length > 0 ||
    // `OK within 3 s`
    (pushes.length === 1 && /^(?:\S+ ){1,3}(?:within|in) \S+ \S+$/.test(said)) ||
    segment.joined === 'then' ||
    pushes.length > 1;
  // `that's the depth sensor`: a part that is called so
  const tail = segment.words.filter((w) => w.from >= to);
  const isPart =
    tail.length > 0 &&
    act === undefined &&
    times.length === 0 &&
    /^(?:sensor|motor|valve|pump|heater|board|relay|coil|fault|error|problem|one|part|module|unit|circuit|cable|wire|harness|position|limit)$/.test(
      tail[0]?.word ?? '',
    );
  // `the ones you'll see are D04, door heater`: small, where the key is written large
  const isSmall =
    tail.length === 0 &&
    act === undefined &&
    times.length === 0 &&
    pushes.length === 1 &&
    segment.words.length > pushes.length &&
    pushes.every((p) => isWrittenSmall(r, p));
  const bare =
    !isPart &&
    !isSmall &&
    length <= named + 3 + 2 * times.length + (items.some(isOf('both')) && pushes.length > 1 ? 3 : 0) &&
    act === undefined &&
    isNext &&
    (!r.reading ||
      (items.some(isOf('long')) && items.some(isOf('length'))) ||
      // `Heat twice, then Stir`
      (segment.joined === 'then' && r.pressedIn === r.sentence && r.made.at(-1)?.sentence === r.sentence) ||
      (r.listed && !r.ahead.some((x) => /^(?:older|newer|next|back)$/.test(saidOf(x)))) ||
      tellsNext ||
      (items.some(isOf('both')) && pushes.length > 1)) &&
    !items.some(isOf('sign', 'light', 'not', 'if', 'moment', 'number'));
  // `both thumbs: Fan and Humidity`
  const grips = /\b(?:thumbs?|fingers?|hands?)(?: on)?$/.test(r.saidBefore) && bare;
  const down =
    grips ||
    (items.some((x, i) => x.is === 'place' && x.word === 'down' && items[i - 1]?.is !== 'number') &&
      !/\b(?:scroll|go|goes|step|move|walk|page|count|get)(?:s|ing)? (?:up and )?down\b/.test(said)) ||
    /\b(?:thumbs?|fingers?|hands?|foot) (?:is |are |goes? |stays? )?on\b/.test(said);
  // `have OK and Back pressed down before …`
  const isHad =
    down && /\b(?:have|having|got|with)\b.*\b(?:pressed|pushed) (?:down|in)\b/.test(said) && times.length === 0;
  // `the foot goes on the brake, and the hand goes on Menu`
  const isGrip = /\b(?:thumbs?|fingers?|hands?|foot) (?:goes? |stays? )on\b/.test(said) && times.length === 0;
  if (down && (!isPressed || isHad || isGrip)) {
    const owns = pushes.map((p) => p.own);
    const before = r.made.at(-1);
    // one after the other, kept down together
    if (
      before?.step.kind === 'hold' &&
      before.step.until.kind === 'release' &&
      (before.sentence === r.sentence || (isGrip && before.sentence === r.sentence - 1)) &&
      r.held.length > 0
    ) {
      const fresh = owns.filter((o) => !r.held.includes(o));
      const controls = [...before.step.controls, ...fresh.map((o) => heldOf(o, null))];
      r.made[r.made.length - 1] = { ...before, step: { ...before.step, controls }, to: at.to };
      r.held = [...r.held, ...fresh];
      r.last = r.held;
      return true;
    }
    return readHold(r, [...items, { is: 'act', act: 'hold', word: 'down', from: at.from, to: at.to }], null, at);
  }
  // `with both of them pressed, turn the key`
  if (
    act?.act === 'press' &&
    /^(?:and |then |now )?with\b/.test(said) &&
    /^(?:pressed|pushed|depressed)$/.test(act.word) &&
    r.held.length === 0 &&
    r.actsAhead
  )
    return readHold(r, [...items, { is: 'act', act: 'hold', word: 'with', from: at.from, to: at.to }], null, at);
  // `with Reset pushed`: as it is held already
  if (
    /^(?:with|while|still)\b/.test(said) &&
    r.held.length > 0 &&
    pushes.every((p) => r.held.includes(p.own)) &&
    times.length === 0
  )
    return true;
  // what is held already is only named once more
  const areHeld = bare && r.held.length > 0 && pushes.every((p) => r.held.includes(p.own));
  // `TARE, TARE, ZERO, PRINT`: in a row of keys that begins with another, the hands came off
  const begun = r.made.at(-1);
  const isInRow =
    begun?.step.kind === 'press' &&
    begun.sentence === r.sentence &&
    !r.held.some((own) => begun.step.kind === 'press' && own.control.id === begun.step.control);
  // `CODE, DRY, DRY, STOP`: others come behind it
  const leadsRow = r.ahead
    .slice(0, 3)
    .some((s) =>
      itemsOf(s.words, r.called, []).some((x) => x.is === 'control' && isPush(x.own) && !r.held.includes(x.own)),
    );
  const isToldOnly = !isInRow && !(leadsRow && r.window !== null);
  if (areHeld && times.length === 0 && isToldOnly) return true;
  // nobody presses so often what he holds: a hand came off it
  if (areHeld) r.held = [];
  // `next thing is Lift`: which one, no more
  if (
    bare &&
    pushes.length === 1 &&
    times.length === 0 &&
    /^(?:and |so |then |the )*(?:next (?:thing|one|up)?|first thing|other one|last thing|last one) ?is\b/.test(said)
  ) {
    r.last = pushes.map((p) => p.own);
    return true;
  }
  // `there are two buttons, Start and Menu`: named, nothing more
  if (
    bare &&
    times.length === 0 &&
    /^(?:and |then |now |so )*(?:there(?:'s| is| are)?|it has|you(?:'ve)? (?:see|have|got)) (?:a|two|three|four|these|the)?\b/.test(
      r.saidBefore,
    ) &&
    !/\b(?:press|hold|seconds?)\b/.test(r.saidBefore) &&
    r.pressedIn !== r.sentence
  ) {
    r.last = pushes.map((p) => p.own);
    return true;
  }
  const goesOn =
    bare ||
    (r.mode === 'press' &&
      r.pressedIn === r.sentence &&
      (segment.joined === 'comma' || segment.joined === 'and' || segment.joined === 'then'));
  if (!isPressed && !goesOn && !(times.length > 0 && act === undefined)) {
    // named without anything done to it: what “it” goes back to
    if (act?.act !== 'see' || /\b(?:that|which) (?:says|reads)\b/.test(said)) r.last = pushes.map((p) => p.own);
    return false;
  }
  const lengthBoth = items.find(isOf('length'));
  if ((items.some(isOf('both')) || r.both) && pushes.length > 1 && lengthBoth)
    return readHold(r, [...items, { is: 'act', act: 'hold', word: 'together', from: at.from, to: at.to }], null, at);
  // `Lock and Go long`: both of them, for long
  if (items.some(isOf('long')) && pushes.length > 1 && times.length === 0)
    return readHold(r, [...items, { is: 'act', act: 'hold', word: 'long', from: at.from, to: at.to }], null, at);
  const isBoth = items.some(isOf('both')) || r.both;
  r.both = false;
  if (isBoth && pushes.length > 1 && new Set(pushes.map((p) => p.own)).size === pushes.length) {
    r.put(
      {
        kind: 'together',
        controls: pushes.map((p) => p.own.control.id as ControlId),
        times: times[0]?.n ?? 1,
        withinMs: defaultWithinMs,
      },
      at,
    );
    r.last = pushes.map((p) => p.own);
    r.mode = 'press';
    return true;
  }
  // `so that's up twice, down once`: told once more, for whoever counts along
  if (/^(?:so )?(?:that|thats|that's)\b/.test(said) && pushes.length > 0) {
    const again = items.flatMap((x, i) =>
      x.is === 'control' && isPush(x.own)
        ? Array.from({ length: timesOf(segment, items, i) ?? 1 }, () => x.own.control.id as string)
        : [],
    );
    const done = r.made
      .flatMap(({ step }) =>
        step.kind === 'press' ? Array.from({ length: step.times }, () => step.control as string) : [],
      )
      .slice(-again.length);
    if (again.join() === done.join()) return true;
    if (r.saidBefore === '' && isToldAgain(r, [segment, ...r.ahead])) {
      r.skipping = r.sentence;
      return true;
    }
  }
  // `OK and Back alternately, three times each`
  if (
    /\b(?:alternately|alternating|in turns?|by turns)\b/.test(`${said} ${r.ahead.slice(0, 1).map(saidOf).join(' ')}`) &&
    pushes.length === 2
  ) {
    const n = times[0]?.n ?? timesAhead(r);
    const steps = pushes.map((p) => ({ kind: 'press' as const, control: p.own.control.id, times: 1 }));
    if (n !== null) {
      r.put({ kind: 'group', times: n, steps }, at);
      r.last = pushes.map((p) => p.own);
      return true;
    }
  }
  // `In and Out three times each`: the one so often as the other
  const [often] = times;
  const isEach =
    pushes.length > 1 &&
    times.length === 1 &&
    often !== undefined &&
    /\beach$/.test(said) &&
    items.indexOf(often) > items.lastIndexOf(pushes.at(-1) as Item);
  for (const [i, item] of items.entries()) {
    if (item.is !== 'control' || !isPush(item.own)) continue;
    const after = items[i + 1];
    const n = isEach ? often.n : timesOf(segment, items, i);
    const isLong = items.some(isOf('long'));
    const length = items.find(isOf('length'));
    if (isLong && length)
      r.put(
        {
          kind: 'hold',
          controls: [{ control: item.own.control.id }],
          until: { kind: 'span', span: spanOf(length) },
        },
        item,
      );
    else if (isLong) {
      r.put({ kind: 'hold', controls: [{ control: item.own.control.id }], until: { kind: 'release' } }, item);
      r.held = [item.own];
    } else
      r.put(
        { kind: 'press', control: item.own.control.id, times: n ?? 1 },
        { from: item.from, to: after?.is === 'times' ? after.to : item.to },
      );
    r.last = [item.own];
  }
  // `with F2 I go down. Four times F2`: what was only said to lead on is told out now
  const [toldBefore, toldNow] = r.made.slice(-2);
  if (
    r.ledIn === r.sentence - 1 &&
    toldBefore?.step.kind === 'press' &&
    toldNow?.step.kind === 'press' &&
    toldNow.sentence === r.sentence &&
    toldBefore.sentence === r.ledIn &&
    toldBefore.step.control === toldNow.step.control &&
    toldNow.step.times > 1
  )
    r.made.splice(-2, 1);
  if (pushes.length > 1) r.last = pushes.map((p) => p.own);
  r.pressedIn = r.sentence;
  r.pairIn = pushes.length === 2 && times.length === 0 ? r.sentence : -1;
  r.mode = 'press';
  return true;
}

/** `that's up twice, down once`, behind up, up, down: all of it is what was pressed just now. */
function isToldAgain(r: Reader, segments: readonly Segment[]): boolean {
  const again = segments.flatMap((s) => {
    const items = itemsOf(s.words, r.called, r.last);
    return items.flatMap((x, i) =>
      x.is === 'control' && isPush(x.own)
        ? Array.from({ length: timesOf(s, items, i) ?? 1 }, () => x.own.control.id as string)
        : [],
    );
  });
  const done = r.made.flatMap(({ step }) =>
    step.kind === 'press' ? Array.from({ length: step.times }, () => step.control as string) : [],
  );
  return again.length > 1 && again.join() === done.slice(-again.length).join();
}

/** How often, where it is said next: `, three times each`. */
const timesAhead = (r: Reader): number | null =>
  r.ahead
    .slice(0, 1)
    .flatMap((s) => s.words.map((_, k) => timesAt(s.words, k)?.n ?? 0))
    .find((n) => n > 0) ?? null;

/** How often a control is said to be pressed: what stands at it, not what is joined to the one beside it by an *and*. */
function timesOf(segment: Segment, items: readonly Item[], at: number): number | null {
  const [before, after, later] = [items[at - 1], items[at + 1], items[at + 2]];
  const isJoined = (a: Item | undefined, b: Item | undefined): boolean =>
    a !== undefined &&
    b !== undefined &&
    segment.words.some((w) => w.from >= a.to && w.to <= b.from && /^(?:and|plus|,)$/.test(w.word));
  const self = items[at];
  if (after?.is === 'times' && !(later?.is === 'control' && isJoined(self, after))) return after.n;
  if (after?.is === 'act' && after.act === 'press' && later?.is === 'times') return later.n;
  if (before?.is === 'times' && !(items[at - 2]?.is === 'control' && isJoined(before, self))) return before.n;
  return null;
}

/** Whether the last acts are so many times the same already. */
export function isToldOut(r: Reader, times: number): boolean {
  const key = r.made.filter((m) => isAct(m.step) && m.sentence >= r.sentence - 1).map((m) => JSON.stringify(m.step));
  for (let size = 2; size * times <= key.length; size += 1) {
    const last = key.slice(-size).join();
    if (
      Array.from({ length: times }, (_, k) =>
        key.slice(key.length - size * (k + 1), key.length - size * k).join(),
      ).every((x) => x === last)
    )
      return true;
  }
  return false;
}

/** `that pair three times`, `and that twice`: what was told last, again; nothing where it was told out already. */
export function readAgain(r: Reader, items: readonly Item[], segment: Segment): boolean {
  const times = items.find(isOf('times'))?.n;
  if (times === undefined || times < 2 || items.some(isOf('act', 'control', 'sign'))) return false;
  const own = r.made.map((m, i) => ({ m, i })).filter(({ m }) => isAct(m.step) && m.sentence >= r.sentence - 1);
  const key = own.map(({ m }) => JSON.stringify(m.step));
  for (let size = 1; size * times <= key.length; size += 1) {
    const last = key.slice(-size).join();
    const is = Array.from({ length: times }, (_, k) =>
      key.slice(key.length - size * (k + 1), key.length - size * k).join(),
    ).every((x) => x === last);
    if (is) return true;
  }
  const said = saidOf(segment);
  // `that's the alarm, it does it four times`: the unit, not the one who is told
  if (/\b(?:it|she|he) (?:does|did|will do) (?:it|that|so)\b/.test(said)) return false;
  // `do it three times`: what was done last; else all that the sentence did
  const isLast = /\b(?:repeat|do) (?:it|this|that)\b/.test(said) && own.at(-1)?.m.sentence !== r.sentence;
  const isOne = isLast && own.at(-1)?.m.step.kind === 'set';
  const block = isOne ? own.slice(-1) : own.filter(({ m }) => m.sentence === own.at(-1)?.m.sentence).slice(-4);
  const [first] = block;
  const last = block.at(-1);
  if (!first || !last || (block.length < 2 && !isOne)) return false;
  r.made.splice(first.i, r.made.length - first.i, {
    step: { kind: 'group', times, steps: block.map(({ m }) => m.step) },
    from: first.m.from,
    to: last.m.to,
    sentence: first.m.sentence,
  });
  return true;
}

/** Whether a key that is called by a plain word is written small here, and with a capital within other sentences. */
function isWrittenSmall(r: Reader, { own, from, to }: ItemOf<'control'>): boolean {
  const { label } = own.control;
  if (!/^\p{Lu}\p{Ll}{3,}$/u.test(label) || !/^\p{Ll}/u.test(r.whole.slice(from, to))) return false;
  return [...r.whole.matchAll(new RegExp(`[\\p{Ll},] ${label}\\b`, 'gu'))].length > 1;
}
