import { lengthAt } from './amounts.ts';
import { mentionAt, placeAt, placeByVerb, supplyFor } from './mentions.ts';
import type { Scan } from './scan.ts';
import { plainTextAt, shownTextAt } from './shown-text.ts';

/** What a hand does that takes several words to say, and words that only sound like it. */
export function handWords(s: Scan): boolean {
  const { words, called, last, items, w, here, i, take, put } = s;
  // what is let go of stands between the two words
  if (
    /^(?:let|lets|letting)\b/.test(w.word) &&
    !/^let(?:s|ting)? (?:them|it|both) (?:pushed|pressed|down|in|held)/.test(here)
  ) {
    const ahead = words.findIndex((x, k) => k > i && k < i + 7 && (x.word === 'go' || x.word === 'up'));
    if (ahead > 0) {
      put(i, 1, { is: 'let-go' });
      s.passed.add(ahead);
      s.i += 1;
      return true;
    }
  }
  if (/^(?:press|push|presses|pushes|pressed|pushed|depress) and (?:hold|holds|held|keep)\b/.test(here)) {
    take(3, { is: 'act', act: 'hold', word: 'hold' });
    return true;
  }
  if (/^(?:press|push|tap)(?:es|ed)? and (?:release|let go)\b/.test(here)) {
    take(/ let go/.test(here) ? 4 : 3, { is: 'act', act: 'press', word: 'press' });
    return true;
  }
  if (/^(?:don't|dont|never|not) forget\b|^do not forget\b/.test(here)) {
    s.i += here.startsWith('do not') ? 3 : 2;
    return true;
  }
  if (/^(?:nothing else|no others?)\b/.test(here)) {
    s.i += 2;
    return true;
  }
  // `and you do nothing`: that is no warning
  if (/^(?:do|does|did|doing) nothing\b/.test(here)) {
    s.i += 2;
    return true;
  }
  // `Enter must remain pressed`
  const remains = /^(?:remains?|stays?|kept|to be kept|be kept) (?:pressed|held|depressed|pushed)(?: in| down)?\b/.exec(
    here,
  );
  if (remains) {
    take(remains[0].split(' ').length, { is: 'act', act: 'hold', word: 'keep' });
    return true;
  }
  // `confirm with Enter`
  const confirms =
    /^(?:confirm|confirms|confirmed|acknowledge|acknowledged|accept|accepted|validate)(?: it| this| that)? (?:with|by|using|by pressing)(?: the)? /.exec(
      here,
    );
  if (confirms) {
    const n = confirms[0].trim().split(' ').length;
    if (mentionAt(words, i + n, called.controls)?.of.mechanism.kind === 'push') {
      take(n, { is: 'act', act: 'press', word: 'press' });
      return true;
    }
  }
  // `cycle the isolator`
  if (/^(?:cycle|cycles|recycle) the\b/.test(here)) {
    const named = mentionAt(words, i + 2, called.controls);
    const [off, on] = named ? [placeByVerb(named.of, 'off'), placeByVerb(named.of, 'on')] : [];
    if (named && off && on) {
      put(i, 2 + named.length, { is: 'control', own: named.of, place: off });
      put(i, 2 + named.length, { is: 'control', own: named.of, place: on });
      s.i += 2 + named.length;
      return true;
    }
  }
  // `bridge JP2`
  if (/^(?:bridge|bridges|short|shorts|link|links)(?: out)?\b/.test(here)) {
    const k = i + (words[i + 1]?.word === 'out' ? 2 : 1);
    const named = mentionAt(words, words[k]?.word === 'the' ? k + 1 : k, called.controls);
    if (named?.of.control.look === 'jumper') {
      take(k - i, { is: 'act', act: 'in', word: w.word });
      return true;
    }
  }
  // `in the display four strokes stand`
  if (
    w.value !== null &&
    w.value > 1 &&
    w.value <= 8 &&
    /^(?:strokes?|dashes|hyphens)$/.test(words[i + w.span]?.word ?? '')
  ) {
    put(i, w.span + 1, { is: 'act', act: 'see', word: 'shows' });
    put(i, w.span + 1, { is: 'text', text: '-'.repeat(w.value) });
    s.i += w.span + 1;
    return true;
  }
  if (/^until (?:the stop|the end|it stops)\b/.test(here)) {
    s.i += 3;
    return true;
  }
  // `"88" appears`
  if (/^["“].+["”]$/.test(w.raw) && /^(?:comes?|appears?|is|shows?|pops?|stands?)$/.test(words[i + 1]?.word ?? '')) {
    put(i, 1, { is: 'act', act: 'see', word: 'shows' });
    put(i, 1, { is: 'text', text: w.raw.slice(1, -1) });
    s.i += words[i + 2]?.word === 'up' ? 3 : 2;
    return true;
  }
  // `lock the clutch`, `fold the step`: a place by the verb that brings it there
  const [article, named2] = [words[i + 1]?.word ?? '', words[i + 2]];
  const target =
    /^(?:the|your|my)$/.test(article) && named2 && w.word.length > 3 ? mentionAt(words, i + 2, called.controls) : null;
  if (target && target.of.mechanism.kind === 'places') {
    const place = target.of.mechanism.places.find(
      (p) => p.id === `${w.word}ed` || p.id === `${w.word}d` || (p.id === w.word && !/^(?:open|shut)$/.test(p.id)),
    );
    if (place) {
      put(i, 2 + target.length, { is: 'control', own: target.of, place: place.id });
      s.i += 2 + target.length;
      return true;
    }
  }
  // `when you see a nine`, of a display
  if (
    /^(?:see|sees|reads|reaches|reach)$/.test(w.word) &&
    /^(?:a|an|the)$/.test(words[i + 1]?.word ?? '') &&
    words[i + 2]?.value != null &&
    (words[i + 2]?.value ?? 99) < 10 &&
    /^(?:|that|then|you|,|and|on|in)$/.test(words[i + 3]?.word ?? '') &&
    [...called.facts.signs.values()].some((x) => x.kind === 'segments' || x.kind === 'text')
  ) {
    put(i, 1, { is: 'act', act: 'see', word: 'shows' });
    put(i + 2, 1, { is: 'text', text: String(words[i + 2]?.value ?? '') });
    s.i += 3;
    return true;
  }
  // `off and on at the rocker`
  const offOn = /^(off|on)(?: and|,) (off|on)(?: again)? (?:at|with|on|by)(?: the)? /.exec(here);
  if (offOn) {
    const k = offOn[0].trim().split(' ').length;
    const named = mentionAt(words, i + k, called.controls);
    const first = named && placeByVerb(named.of, offOn[1] ?? '');
    const then = named && placeByVerb(named.of, offOn[2] ?? '');
    if (named && first && then && named.of.mechanism.kind === 'places') {
      put(i, k, { is: 'control', own: named.of, place: first });
      put(i, k + named.length, { is: 'control', own: named.of, place: then });
      s.i += k + named.length;
      return true;
    }
  }
  // `pump the pedal`, `stamp on it`
  const foot =
    /^(?:pump|pumps|pumped|kick|kicks|stomp|stamp|stamps|jab|jabs|nudge|nudges)(?: on)? (?:the|it|your|that)\b/.exec(
      here,
    );
  if (foot && !/^(?:the|a|your|drain|water|heat|oil|fuel)$/.test(words[i - 1]?.word ?? '')) {
    take(1, { is: 'act', act: 'press', word: 'press' });
    return true;
  }
  // `pressed and not let go of`
  if (
    /^(?:don't|dont|do not|never|not) (?:take|lift|move|remove) (?:your|the|a|that|my) (?:finger|thumb|hand|foot)s?(?: \w+)? (?:off|away|up)\b/.test(
      here,
    )
  ) {
    const n = words.findIndex((x, k) => k > i + 3 && /^(?:off|away|up)$/.test(x.word)) + 1 - i;
    take(n, { is: 'act', act: 'hold', word: 'keep' });
    return true;
  }
  const kept =
    /^(?:(?:press|push)(?:es|ed)? and )?(?:(?:do not|don't|dont|not|never|without) (?:to )?(?:let(?:ting)?|releas(?:e|ed|ing))(?: (?:it|them|him|her))?(?: (?:go|up))?(?: of)?(?: (?:it|them))?)\b/.exec(
      here,
    );
  if (kept) {
    take(kept[0].split(' ').length, { is: 'act', act: 'hold', word: 'keep' });
    return true;
  }
  // `while keeping it there`: as it is
  const still =
    /^(?:while|whilst) (?:still |you(?:'re| are)? |i(?:'m| am)? )?(?:keeping|holding|keep|hold|pressing) (?:it|them|that|this|both)(?: (?:there|down|so|pressed|in|pulled|like that|that way))?\b/.exec(
      here,
    );
  if (still && last.length > 0) {
    s.i += still[0].split(' ').length;
    return true;
  }
  // `the other finger still on`, `stay on it`
  const stays =
    /^(?:stays? on (?:it|them|that)|(?:leave|keep)s? (?:your |the |a |my )?(?:finger|thumb|hand|foot)s? (?:on|there)(?: it| them)?|stays? there)\b/.exec(
      here,
    );
  if (stays) {
    take(stays[0].split(' ').length, { is: 'act', act: 'hold', word: 'keep' });
    return true;
  }
  // `from clean to test`: what has both places
  if (w.word === 'from' && words[i + 2]?.word === 'to') {
    const both = [...called.facts.controls.values()].filter(
      (own) => own.mechanism.kind !== 'push' && placeAt(words, i + 1, own) && placeAt(words, i + 3, own),
    );
    const [own] = both;
    const to = own && placeAt(words, i + 3, own);
    if (own && to && both.length === 1 && !items.some((x) => x.is === 'control')) {
      put(i + 3, to.length, { is: 'control', own, place: to.place });
      s.i += 3 + to.length;
      return true;
    }
  }
  // `take the cover off`, `take out the fuse`
  const taken = /^(?:take|takes|took|taken|taking|lift|lifts|lifted|pull|pulls|pulled) (off|out)\b/.exec(here);
  if (taken) {
    take(2, { is: 'act', act: 'out', word: taken[1] });
    return true;
  }
  // `take the front cover away`
  const awayAt = /^(?:take|takes|took|taken|lift|lifts|pull|pulls)$/.test(w.word)
    ? words.slice(i + 1, i + 6).findIndex((x) => x.word === 'away')
    : -1;
  if (
    awayAt > 0 &&
    words.slice(i + 1, i + 1 + awayAt).some((_, k) => mentionAt(words, i + 1 + k, called.controls) !== null)
  ) {
    put(i, 1, { is: 'act', act: 'out', word: 'off' });
    s.passed.add(i + 1 + awayAt);
    s.i += 1;
    return true;
  }
  // `he waited for another one`
  if (
    w.word === 'another' &&
    (words[i + 1]?.word === 'one' || mentionAt(words, i + 1, called.signs)?.of.kind === 'beeper')
  ) {
    take(words[i + 1]?.word === 'one' ? 2 : 1, { is: 'nth', n: 2 });
    return true;
  }
  // `the last beep`: of as many as were heard
  if (
    w.word === 'last' &&
    words[i - 1]?.word === 'the' &&
    mentionAt(words, i + 1, called.signs)?.of.kind === 'beeper'
  ) {
    take(1, { is: 'nth', n: 0 });
    return true;
  }
  const leaves =
    /^(?:fingers?|hands?|thumbs?|foot|feet) (?:now |then )?(?:goes?|comes?|off|away|leaves?)(?: (?:away|off|up))?(?: (?:from|of))?\b/.exec(
      here,
    );
  if (leaves) {
    take(leaves[0].split(' ').length, { is: 'let-go' });
    return true;
  }
  const away =
    /^(?:take|took|takes|taken|get|pull|lift) (?:(?:your|both|the|a|my|his|her|their) )*(?:fingers?|hands?|thumbs?|foot|feet)(?: \w+)? ?(?:off|away|up)\b/.exec(
      here,
    );
  if (away) {
    take(away[0].split(' ').length, { is: 'let-go' });
    return true;
  }
  const counts = /^(?:count|counts|counted)(?: (?!up)\w+){0,2} (?:to|of) (\w+)/.exec(here);
  if (counts) {
    const k = words.findIndex((x, n) => n > i && x.value !== null);
    const n = words[k]?.value;
    if (k > 0 && k < i + 5 && n != null) {
      put(i, k - i + 1, { is: 'act', act: 'wait', word: 'count' });
      put(k, 1, { is: 'length', ms: n * 1000, mostMs: n * 1000 });
      s.i = k + (words[k]?.span ?? 1);
      if (/^seconds?$/.test(words[i]?.word ?? '')) s.i += 1;
      return true;
    }
  }
  // `beep beep beep`, said along with as many presses
  const sound = mentionAt(words, i, called.signs);
  const along = items.at(-1);
  if (sound?.of.kind === 'beeper' && along?.is === 'times' && items.at(-2)?.is === 'control') {
    let n = 1;
    while (words[i + n]?.word === w.word) n += 1;
    if (n > 1 && n === along.n) {
      s.i += n;
      return true;
    }
  }
  // `it is on, leave it on`: as it is
  const left =
    /^(?:leave|keep|let) (?:it|that|him|her) (?:be )?(on|off|in|out|up|down|open|shut|closed|there|so|alone)\b/.exec(
      here,
    );
  const stood = items.at(-1);
  if (
    left &&
    stood?.is === 'control' &&
    stood.place !== null &&
    words.some((x) => x.from > stood.from && x.to <= stood.to && /^(?:is|are)$/.test(x.word))
  ) {
    items.pop();
    s.i += left[0].split(' ').length;
    return true;
  }
  // `you'll stay in`: the one who does it, not what is done
  if (
    /^(?:stays?|stayed) (?:in|on|out|off|up|down)\b/.test(here) &&
    /^(?:you|i|we|you'll|youll|we'll)$/.test(words[i - 1]?.word ?? '')
  ) {
    s.i += 2;
    return true;
  }
  // `power it up`, `powered down`
  const upDown = /^power(?:s|ed|ing)?(?: it| him| her| the unit| the machine)? (up|down|on|off)\b/.exec(here);
  if (upDown && called.facts.supply[0]) {
    const own = supplyFor(called, 'on') ?? called.facts.supply[0];
    const way = placeByVerb(own, /up|on/.test(upDown[1] ?? '') ? 'on' : 'off');
    const n = upDown[0].split(' ').length;
    if (way) {
      put(i, n, { is: 'control', own, place: way });
      s.i += n;
      return true;
    }
  }
  // `cycle the power`
  const cycled =
    /^(?:(?:cycle|recycle|cycles) the (?:power|mains|supply)|power[- ]cycle(?:s|d)?(?: it| the \w+)?)\b/.exec(here);
  if (cycled) {
    const own = supplyFor(called, 'on');
    const [off, on] = own ? [placeByVerb(own, 'off'), placeByVerb(own, 'on')] : [];
    const n = words.slice(i, i + 3).some((x) => x.word === 'power-cycle') ? 1 : cycled[0].split(' ').length;
    if (own && off && on) {
      put(i, n, { is: 'control', own, place: off });
      put(i, n, { is: 'control', own, place: on });
      s.i += n;
      return true;
    }
  }
  // `double press`, `double-tap`
  const doubled = /^(double|triple)[- ](?=press|push|tap|click)/.exec(here);
  if (doubled || /^(?:double|triple)-(?:press|push|tap|click)/.test(w.word)) {
    const n = w.word.startsWith('d') ? 2 : 3;
    put(i, 1, { is: 'act', act: 'press', word: 'press' });
    put(i, 1, { is: 'times', n });
    s.i += doubled && !w.word.includes('-') ? 2 : 1;
    return true;
  }
  // `give current again`, `cut the power`
  const powered =
    /^(give|gives|gave|giving|cut|cuts|cutting|kill|kills|killed)(?: it| him| her| them)?(?: the)? (?:current|power|electricity|juice|mains|supply)\b/.exec(
      here,
    );
  const [supply] = called.facts.supply;
  const to = powered && supply ? placeByVerb(supply, powered[1]?.startsWith('g') ? 'on' : 'off') : null;
  if (powered && supply && to) {
    const n = powered[0].split(' ').length;
    put(i, n, { is: 'control', own: supply, place: to });
    s.i += n;
    return true;
  }
  if (/^(?:plus or minus|give or take|more or less)\b/.test(here)) {
    s.i += 3;
    return true;
  }
  if (/^(?:not|no) (?:more|later|longer) than\b/.test(here) && lengthAt(words, i + 3)) {
    take(3, { is: 'within' });
    return true;
  }
  if (w.word === 'before' && lengthAt(words, words[i + 1]?.word === 'the' ? i + 2 : i + 1)) {
    take(words[i + 1]?.word === 'the' ? 2 : 1, { is: 'within' });
    return true;
  }
  // `after a waiting period of not less than 30 seconds`
  if (/^(?:a |the )?(?:waiting|wait) (?:period|time) of\b/.test(here)) {
    s.i += /^(?:a|the)\b/.test(here) ? 4 : 3;
    return true;
  }
  // `come up again`: who, not what
  if (
    /^(?:come|came|go|went|walk|climb|get|run) (?:back )?(?:up|down)\b(?! to| by| with)/.test(here) &&
    !/^(?:it|that|which|display|screen|number|code)$/.test(words[i - 1]?.word ?? '') &&
    !mentionAt(words, i + 1, called.controls) &&
    !items.some((x) => x.is === 'control')
  ) {
    s.i += /^\w+ back/.test(here) ? 3 : 2;
    return true;
  }
  if (/^(?:write|writes|wrote|note|jot|ring|call|look) (?:it |that |them )?(?:up|down)\b/.test(here)) {
    s.i += /^\w+ (?:it|that|them)/.test(here) ? 3 : 2;
    return true;
  }
  if (
    /^(?:go|goes|going|went|come|comes|came|run|ran|walk|walked) (?:back )?(?:from|home|inside|outside|there|here)\b/.test(
      here,
    )
  ) {
    s.i += /^\w+ back/.test(here) ? 3 : 2;
    return true;
  }
  if (/^(?:hang on to|hang onto|hanging on to)\b/.test(here)) {
    take(here.startsWith('hang onto') ? 2 : 3, { is: 'act', act: 'hold', word: 'hold' });
    return true;
  }
  if (
    /^(?=.*[A-Z])[A-Z0-9]{2,5}$/.test(w.raw) &&
    /^(?:comes?|appears?|is|shows?|pops?|stands?|flash\w*|lights?)$/.test(words[i + 1]?.word ?? '') &&
    !mentionAt(words, i, called.controls) &&
    !mentionAt(words, i, called.signs) &&
    [...called.facts.signs.values()].some((s) => s.kind === 'segments' || s.kind === 'text')
  ) {
    put(i, 1, { is: 'act', act: 'see', word: 'shows' });
    put(i, 1, { is: 'text', text: w.raw });
    s.i += words[i + 2]?.word === 'up' ? 3 : 2;
    return true;
  }
  if (/^(?:displays?|shows?|reads?|says?)$/.test(w.word)) {
    const shown = shownTextAt(words, i + 1) ?? plainTextAt(words, i + 1, items);
    if (shown) {
      put(i, 1, { is: 'act', act: 'see', word: w.word });
      put(i + 1, shown.length, { is: 'text', text: shown.text });
      s.i += 1 + shown.length;
      return true;
    }
  }
  if (/^(?:not|no) (?:more|less|later|longer) than\b/.test(here)) {
    s.i += words[i + 3]?.word === 'that' ? 4 : 3;
    return true;
  }
  // `from two point four on`: since when, of a version
  if (w.word === 'from' && words[i + 1]?.value != null && words[i + 1 + (words[i + 1]?.span ?? 1)]?.word === 'on') {
    s.i += 2 + (words[i + 1]?.span ?? 1);
    return true;
  }
  if (/^(?:off|away|on) (?:we|you|she|he|it|they) goe?s?\b/.test(here)) {
    s.i += 3;
    return true;
  }
  // `it went gong`
  if (
    /^(?:goes|go|went)$/.test(w.word) &&
    mentionAt(words, i + 1, called.signs)?.of.kind === 'beeper' &&
    /^(?:it|she|he|that|and|then)$/.test(words[i - 1]?.word ?? '')
  ) {
    const heard = mentionAt(words, i + 1, called.signs);
    put(i + 1, heard?.length ?? 1, { is: 'sign', signs: heard ? [heard.of] : [] });
    put(i + 1, heard?.length ?? 1, { is: 'light', light: 'lit' });
    s.i += 1 + (heard?.length ?? 1);
    return true;
  }
  return false;
}
