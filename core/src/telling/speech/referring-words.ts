import type { ControlFacts } from '../../unit/facts.ts';
import type { Item } from './item.ts';
import { actOf } from './lexicon.ts';
import { isCover, mentionAt, placeAt, supplyFor } from './mentions.ts';
import { isPush } from './reader.ts';
import type { Scan } from './scan.ts';
import { shownTextAt } from './shown-text.ts';
import type { Word } from './text.ts';

/** What goes back to something named before, places by themselves, and plain verbs. */
export function referringWords(s: Scan): boolean {
  const { words, called, last, items, w, here, i, take, put } = s;
  // `S2, this must go up`
  if (/^this (?:must|has to|goes|should|needs to) (?:go |be |come )?(?:up|down|in|out|on|off)\b/.test(here)) {
    take(1, { is: 'it' });
    return true;
  }
  // `that one has to go into its socket`
  if (/^(?:that|this) one(?= (?:has|must|goes|needs|should|is|you|we|i|gets|comes|stays)\b|$)/.test(here)) {
    take(2, { is: 'it' });
    return true;
  }
  if (['it', 'them', 'him', 'her', 'both', 'these', 'those', 'that'].includes(w.word)) {
    // `watch the spanner, it goes on`: of what was named just now
    const before = items.at(-1);
    if (w.word === 'it' && before?.is === 'sign' && before.to === words[i - 1]?.to) {
      take(1, { is: 'it' });
      return true;
    }
    // `switch it on`, `plug it in`, `turn it off`
    let k = i + 1;
    // `and that comes out`, `it goes back in`
    const moves = /^(?:comes?|came|goes|go) (?:back )?(?:out|in|up|down|open|off)\b/.exec(
      words
        .slice(i + 1, i + 4)
        .map((x) => x.word)
        .join(' '),
    );
    if (
      moves &&
      !/^go(?:es)? (?:out|off|up|down)\b/.test(moves[0]) &&
      (i === 0 || /^(?:and|then)$/.test(words[i - 1]?.word ?? ''))
    )
      k += moves[0].split(' ').length - 1;
    while (
      [
        'back',
        'to',
        'into',
        'on',
        'straight',
        'over',
        'all',
        'the',
        'way',
        'down',
        'again',
        'at',
        'is',
        'was',
        'gets',
        'then',
        'now',
        'has',
        'must',
        'needs',
        'should',
        'be',
        'switched',
        'returned',
        'brought',
        'turned',
        'moved',
      ].includes(words[k]?.word ?? '') &&
      k < i + 5 &&
      !(words[k]?.word === 'on' && !/^(?:the|to|its|on|off|a|\w+)$/.test(words[k + 1]?.word ?? '')) &&
      !(
        words[k]?.word === 'on' &&
        /^(?:with|and|then|again|while|now|for|before|after|by)$/.test(words[k + 1]?.word ?? '')
      )
    ) {
      if (last.some((own) => own.mechanism.kind !== 'push' && placeAt(words, k, own)) && !placeAfter(words, k, last))
        break;
      k += 1;
    }
    // `then you close it up`
    if (/^(?:close|shut|closes|shuts|button)$/.test(words[i - 1]?.word ?? '') && words[i + 1]?.word === 'up') {
      take(2, { is: 'it' });
      return true;
    }
    const plugged = /^(?:plug|plugged|plugs)$/.test(words[i - 1]?.word ?? '');
    // switched on is the unit, not its cover
    const switched =
      /^(?:turn|turns|turned|switch|switches|switched|power|powers|powered)$/.test(words[i - 1]?.word ?? '') ||
      words.slice(i + 1, k).some((x) => /^(?:switched|turned|powered)$/.test(x.word));
    // `pull the tray out, and switch it off`: what has no such place is not meant, where something has
    const isNoSwitch = (own: ControlFacts): boolean =>
      /^(?:tray|slide|lever|float|jumper|valve|tap)$/.test(own.control.look) &&
      called.facts.supply.length > 0 &&
      own.mechanism.kind === 'places' &&
      !own.mechanism.places.some((p) => p.id === 'on' || p.id === 'off');
    // what was named in the same breath goes before what was named earlier
    const near = items.findLast((x) => x.is === 'control');
    const nearest = near?.is === 'control' && near.place === null && !isPush(near.own) ? near.own : null;
    const able =
      plugged || w.word === 'them' || w.word === 'those'
        ? []
        : (nearest ? [nearest] : last).filter(
            (own) => own.mechanism.kind !== 'push' && !(switched && (isCover(own) || isNoSwitch(own))),
          );
    const isWhere =
      /^(?:beside|behind|under|of|with|for|by|near|above|below|from|about|like|than|next)$/.test(
        words[i - 1]?.word ?? '',
      ) ||
      (/^(?:on|in|at)$/.test(words[k]?.word ?? '') && /^(?:the|its|a|my|your|this)$/.test(words[k + 1]?.word ?? ''));
    // `both back to off`: each of those named just now
    const each = /^(?:both|them|they|these|those)$/.test(w.word) && last.length > 1 && !plugged ? last : [];
    const places = each.flatMap((one) => (one.mechanism.kind === 'push' ? [] : (placeAt(words, k, one) ?? [])));
    if (each.length > 1 && places.length === each.length) {
      each.forEach((one, n) => {
        put(i, k + (places[n]?.length ?? 1) - i, { is: 'control', own: one, place: places[n]?.place ?? null });
      });
      s.i = k + (places[0]?.length ?? 1);
      return true;
    }
    const own = able.length === 1 && !isWhere ? able[0] : undefined;
    const place = own && placeAt(words, k, own);
    if (own && place) {
      put(i, k + place.length - i, { is: 'control', own, place: place.place });
      s.i = k + place.length;
      return true;
    }
    // what cannot be put anywhere is not meant: then it is the unit itself
    const supply = supplyFor(called, words[k]?.word ?? '');
    const powered =
      supply && (!own || switched) && /^(?:in|on|off|out)$/.test(words[k]?.word ?? '')
        ? placeAt(words, k, supply)
        : null;
    const isPowered =
      words.slice(i + 1, k).some((x) => /^(?:switched|powered)$/.test(x.word)) ||
      /^(?:turn|turns|turned|turning|switch|switches|switched|switching|plug|plugs|plugged|plugging|power|powering|put|putting|flick|pull)$/.test(
        words[i - 1]?.word ?? '',
      );
    // a plug is not turned to anything: `turn it to off` is the knob
    const isTurned =
      supply?.control.look === 'plug' && words[i + 1]?.word === 'to' && /^turn/.test(words[i - 1]?.word ?? '');
    if (supply && powered && isPowered && !isTurned && w.word !== 'that') {
      put(i, k + powered.length - i, { is: 'control', own: supply, place: powered.place });
      s.i = k + powered.length;
      return true;
    }
    // `this flap here, you open that`
    const done = items.at(-1);
    const isObject =
      done?.is === 'act' &&
      done.to === words[i - 1]?.to &&
      /^(?:open|shut|pull|out|in|set|press|hold|turn)$/.test(done.act) &&
      (words[i + 1] === undefined ||
        /^(?:and|then|out|in|up|down|off|on|back|over|again|now)$/.test(words[i + 1]?.word ?? ''));
    if (w.word === 'that' && !isObject) s.i += 1;
    else take(1, { is: 'it' });
    return true;
  }
  // `and on it goes again`
  const goes = /^(on|off|in|out) (?:it|she) (?:goes|comes)(?: again| back)?\b/.exec(here);
  if (goes && last.length === 1 && last[0] && last[0].mechanism.kind !== 'push') {
    const place = placeAt(words, i, last[0]);
    if (place) {
      put(i, goes[0].split(' ').length, { is: 'control', own: last[0], place: place.place });
      s.i += goes[0].split(' ').length;
      return true;
    }
  }
  if (/^(?:long)\b/.test(here)) {
    take(1, { is: 'long' });
    return true;
  }
  if (
    /^(?:(?:let|leave|leaves|keep|keeps) (?:them|it|that|both) (?:pushed|pressed|depressed|down|in|held)(?! (?:place|mind|the|a|for))|press and hold|push and hold|presses and holds|hold down|keep (?:\w+ )?(?:held|pressed|pushed|pulled|down))\b/.test(
      here,
    )
  ) {
    if (/^(?:let|leave|leaves|keep|keeps) (?:them|it|that|both)/.test(here)) {
      put(i, 3, { is: 'act', act: 'hold', word: 'hold' });
      put(i + 1, 1, { is: 'it' });
      s.i += 3;
      return true;
    }
    // `Hold Down and Defrost`: a key that is called so
    const down = here.startsWith('hold down') ? mentionAt(words, i + 1, called.controls) : null;
    const behindDown = words[i + 1 + (down?.length ?? 0)]?.word ?? '';
    const isDown =
      down !== null &&
      (/^\p{Lu}/u.test(words[i + 1]?.raw ?? '') ||
        !/^(?:the|both|it|that|this|them|your|my|a|and|all)$/.test(behindDown)) &&
      mentionAt(words, i + 1 + down.length, called.controls) === null;
    take(here.startsWith('keep') || isDown ? 1 : here.startsWith('hold') ? 2 : 3, {
      is: 'act',
      act: 'hold',
      word: 'hold',
    });
    return true;
  }
  const said =
    /^(?:(?:changes?|turns|jumps|goes) to|goes(?= (?:\w+ ){1,3}\w)|becomes?|has got|is coming now|says?|reads?|shows?|showing|read|display(?:s|ed)?|see|appears?|comes? up|it(?:'s| is) (?:now )?|coming|is coming|has)\b/.test(
      here,
    );
  // `changes from PASS to LOG`
  if (/^(?:changes?|turns|jumps|goes|switches|moves|flips) from \S+ (?:\S+ )?to\b/.test(here)) {
    const k = words.findIndex((x, n) => n > i + 2 && x.word === 'to');
    const shown = shownTextAt(words, k + 1);
    if (shown && k < i + 6) {
      put(i, 1, { is: 'act', act: 'see', word: w.word });
      put(k + 1, shown.length, { is: 'text', text: shown.text });
      s.i = k + 1 + shown.length;
      return true;
    }
  }
  if (said) {
    const skip = /^is coming now/.test(here)
      ? 3
      : /^(?:comes? up|is coming|coming now|has got|changes? to|turns to|jumps to|goes to|it is)/.test(here)
        ? 2
        : 1;
    const shown = shownTextAt(words, i + skip);
    if (shown) {
      put(i, skip, { is: 'act', act: 'see', word: w.word });
      put(i + skip, shown.length, { is: 'text', text: shown.text });
      s.i += skip + shown.length;
      return true;
    }
  }
  // `you go to hand`: a place that only one control has
  if (/^(?:to|into)$/.test(words[i - 1]?.word ?? '') && !commonPlaces.test(w.word)) {
    const having = [...called.facts.controls.values()].filter(
      (own) => own.mechanism.kind !== 'push' && placeAt(words, i, own),
    );
    const [own] = having;
    const place = own && placeAt(words, i, own);
    // `it goes into test`: what the unit does
    const goes = /^(?:goes|went|is|was|gets|got|jumps|jumped|comes|came|changes|drops|falls)$/.test(
      words[i - 2]?.word ?? '',
    );
    const isUnit = goes && !/^(?:you|i|we|key|lever|switch|knob)$/.test(words[i - 3]?.word ?? '');
    if (own && place && having.length === 1 && !isUnit && !items.some((x) => x.is === 'control')) {
      put(i, place.length, { is: 'control', own, place: place.place });
      s.i += place.length;
      return true;
    }
  }
  // a place of what was named last, by its own name: `and then to neutral`
  const lately = items.findLast((x) => x.is === 'control');
  const able = (lately?.is === 'control' ? [lately.own] : last).filter((own) => own.mechanism.kind !== 'push');
  const isBackTo = words[i - 1]?.word === 'to' && words[i - 2]?.word === 'back';
  if (
    able.length === 1 &&
    able[0] &&
    (isBackTo ||
      !/^(?:on|off|in|out|up|down|open|back|shut|close|closed)$/.test(w.word) ||
      (able[0].mechanism.kind === 'places' &&
        w.word === 'back' &&
        able[0].mechanism.places.some((p) => p.label.toLowerCase() === 'back'))) &&
    (i === 0 ||
      (items.at(-1)?.is === 'times' && lately?.is === 'control' && lately.place === null) ||
      /^(?:to|into|at|on|the|then|back)$/.test(words[i - 1]?.word ?? ''))
  ) {
    const place = placeAt(words, i, able[0]);
    if (place && !items.some((x) => x.is === 'sign')) {
      put(i, place.length, { is: 'control', own: able[0], place: place.place });
      s.i += place.length;
      return true;
    }
  }
  // `the mains plug`, `the start press`: what it is, not what is done
  const isNoun =
    (/^(?:push|press|tap)$/.test(w.word) &&
      /^(?:button|buttons|key|switch|pad)$/.test(words[i + 1]?.word ?? '') &&
      /^(?:a|an|the|one|this|that|little|small|red|green)$/.test(words[i - 1]?.word ?? '')) ||
    (w.word === 'place' && i > 0 && !/^(?:and|then|you|i|we|to|now|please)$/.test(words[i - 1]?.word ?? '')) ||
    (w.word === 'plug' && items.at(-1)?.is === 'control' && items.at(-1)?.to === (words[i - 1]?.to ?? -1));
  // `it gets stuck`: how it is, not what is done
  const isStuck = w.word === 'stuck' && /^(?:gets?|got|is|was|are|were|been)$/.test(words[i - 1]?.word ?? '');
  const act = isNoun || isStuck ? undefined : actOf.get(w.word);
  if (act) {
    take(1, { is: 'act', act, word: w.word });
    return true;
  }
  // `in the meantime`, `on a Sunday`: a word that joins, not a place
  const behind = /^(?:the|a|an|my|your|this|that|its|their|our)$/.test(words[i + 1]?.word ?? '');
  if (
    /^(?:on|in|off|up|down)$/.test(w.word) &&
    ((behind && !mentionAt(words, i + 2, called.controls)) ||
      /^(?:between|front|case|order|about|which|total|turn|time|there)$/.test(words[i + 1]?.word ?? ''))
  ) {
    s.i += 1;
    return true;
  }
  // `a contact on it`: where, not what is done
  if (
    /^(?:on|in)$/.test(w.word) &&
    /^(?:it|him|them|there|top)$/.test(words[i + 1]?.word ?? '') &&
    !items.some(isAct)
  ) {
    s.i += 2;
    return true;
  }
  // `it ran out of pellets`
  if (
    w.word === 'out' &&
    words[i + 1]?.word === 'of' &&
    /^(?:run|runs|ran|running|is|are|was|were)$/.test(words[i - 1]?.word ?? '')
  ) {
    s.i += 2;
    return true;
  }
  // `round the back`: where
  if (w.word === 'back' && words[i - 1]?.word === 'the') {
    s.i += 1;
    return true;
  }
  // `a switch in disguise`, `off in the corner`: no place
  const isPlain =
    w.word === 'in' &&
    /^(?:disguise|case|fact|general|theory|practice|principle|doubt|mind|time|order|question|there|here|between|half|person|advance|a|any|every|our|my|one|that|this)$/.test(
      words[i + 1]?.word ?? '',
    );
  if (isPlain) {
    s.i += 1;
    return true;
  }
  if (['on', 'off', 'in', 'out', 'open', 'up', 'down', 'back'].includes(w.word)) {
    take(1, { is: 'place', word: w.word });
    return true;
  }
  if (w.value !== null && words.length > i) {
    take(Math.max(1, w.span), { is: 'number', n: w.value });
    return true;
  }
  return false;
}

const isAct = (item: Item): boolean => item.is === 'act';
const commonPlaces =
  /^(?:on|off|in|out|open|opened|shut|closed?|up|down|back|left|right|start|stop|end|first|last|next|normal|rest|one|two|three|\d+)$/;
const placeAfter = (words: readonly Word[], k: number, last: readonly ControlFacts[]): boolean =>
  last.some((own) => own.mechanism.kind !== 'push' && placeAt(words, k + 1, own) !== null);
