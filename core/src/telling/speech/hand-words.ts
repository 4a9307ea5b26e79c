import { lengthAt } from './amounts.ts';
import { actOf } from './lexicon.ts';
import { mentionAt, placeAt, placeByVerb } from './mentions.ts';
import { placeDone } from './place-by-kind.ts';
import type { Scan } from './scan.ts';

/** How many words a find takes. */
const wordsIn = (found: string): number => found.trim().split(' ').length;

/** What a hand does that takes several words to say, and words that only sound like it. */
export function handWords(s: Scan): boolean {
  const { words, called, last, items, w, here, i, take, put } = s;
  // `that has to go into its socket`
  const home =
    /^(?:goes|go|put|push|stick|plug) (?:back |right )?(?:into|in) (?:its|the|that) (?:socket|holder|slot|hole|place)(?= |$)/.exec(
      here,
    );
  if (home && (items.at(-1)?.is === 'it' || items.at(-1)?.is === 'control')) {
    put(i, 1, { is: 'act', act: 'set', word: w.word });
    put(i + 1, wordsIn(home[0]) - 1, { is: 'place', word: 'in' });
    s.i += wordsIn(home[0]);
    return true;
  }
  // `there are two pins, J2, you bridge those`
  const does = /^(\w+) (?:it|them|those|these|that|the (?:two|pair|pins))(?= |$)/.exec(here);
  const [before] =
    last.length === 1
      ? last
      : items
          .filter((x) => x.is === 'control')
          .map((x) => x.own)
          .slice(-1);
  // `you'll see W4, it's two bare pins. Bridge those`
  const isBridged = before?.control.look === 'jumper' && /^(?:bridge|bridges|link|short)$/.test(does?.[1] ?? '');
  const doneTo =
    does && before ? (placeDone(before, does[1] ?? '') ?? (isBridged ? placeByVerb(before, 'in') : null)) : null;
  if (does && before && doneTo) {
    take(wordsIn(does[0]), { is: 'control', own: before, place: doneTo });
    return true;
  }
  // `you take with one finger Learn and with other finger Test`
  const takesWith =
    /^(?:take|takes|put|puts|press|keep|keeps) with (?:one|the one|a|the|your) (?:finger|thumb|hand) (?:the )?/.exec(
      here,
    );
  const takenWith = takesWith ? mentionAt(words, i + wordsIn(takesWith[0]), called.controls) : null;
  if (takesWith && takenWith?.of.mechanism.kind === 'push') {
    take(wordsIn(takesWith[0]), { is: 'act', act: 'hold', word: 'hold' });
    return true;
  }
  const alsoWith = /^with (?:the |an |my |your )?(?:other|another|second) (?:finger|thumb|hand) (?:the )?/.exec(here);
  const also = alsoWith ? mentionAt(words, i + wordsIn(alsoWith[0]), called.controls) : null;
  if (alsoWith && also?.of.mechanism.kind === 'push') {
    s.i += wordsIn(alsoWith[0]);
    return true;
  }
  // `when it is slow you go away with the fingers`
  const goesAway =
    /^(?:go|goes|come|comes) (?:away|off) with (?:the|your|my|both)(?: two)? (?:fingers?|thumbs?|hands?|foot|feet)(?= |$)/.exec(
      here,
    );
  if (goesAway) {
    take(wordsIn(goesAway[0]), { is: 'let-go' });
    return true;
  }
  // `F1 and F2, thumbs on both`
  const keeps =
    /^(?:thumbs?|fingers?|hands?) (?:are |go |goes |stay |stays |is )?on (both|them|these|those|it)(?= |$)/.exec(here);
  if (keeps) {
    put(i, 1, { is: 'act', act: 'hold', word: 'hold' });
    put(i + wordsIn(keeps[0]) - 1, 1, { is: keeps[1] === 'both' ? 'both' : 'it' });
    s.i += wordsIn(keeps[0]);
    return true;
  }
  // `press both, just a tap, not a hold`: how, not what
  const manner =
    /^(?:just |only |but )*a (?:short |quick |brief )?(?:tap|press|touch|push)(?: ,)?(?: (?:not|no) (?:a )?(?:long )?(?:hold|press|push|one))?(?= |$)/.exec(
      here,
    );
  if (manner && /^(?:just|only|but)|not? /.test(manner[0]) && items.some((x) => x.is === 'act' && x.act === 'press')) {
    s.i += wordsIn(manner[0]);
    return true;
  }
  // `hang on … off`: says that one waits
  if (/^(?:hang|hold) on(?: a (?:minute|second|moment|sec|mo|bit|tick))?$/.test(here) && i === 0) {
    s.i = words.length;
    return true;
  }
  // `it's stuck at 00`
  if (/^stuck (?:at|on|with|halfway|there)\b/.test(here) || (w.word === 'stuck' && words[i + 1] === undefined)) {
    s.i += 1;
    return true;
  }
  // what is let go of stands between the two words
  if (
    /^(?:let|lets|letting)\b/.test(w.word) &&
    !/^let(?:s|ting)? (?:them|it|both) (?:pushed|pressed|down|in|held)/.test(here)
  ) {
    const goes = words.findIndex((x, k) => k > i && k < i + 7 && x.word === 'go');
    const ahead = goes > 0 ? goes : words.findIndex((x, k) => k > i && k < i + 7 && x.word === 'up');
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
  // `keep tapping Plus till …`, `carry on pressing`: again and again, not held
  const goesOn =
    /^(?:keep|keeps|kept|carry|go|keep on|carry on|go on)(?: on)? (?:tapping|pressing|pushing|hitting|clicking|prodding|jabbing)\b/.exec(
      here,
    );
  if (goesOn) {
    take(goesOn[0].split(' ').length, { is: 'act', act: 'press', word: 'press' });
    return true;
  }
  if (/^(?:keep|carry on|keep on) going\b/.test(here)) {
    put(i, 1, { is: 'act', act: 'press', word: 'press' });
    take(here.startsWith('keep going') ? 2 : 3, { is: 'it' });
    return true;
  }
  // `lean on OK until …`; `step on the pedal`, `step off again`
  const leans = /^(?:lean|leans|leaning|sit|rest)(?: your \w+)? on (?:the )?/.exec(here);
  if (leans && mentionAt(words, i + wordsIn(leans[0]), called.controls)) {
    take(wordsIn(leans[0]), { is: 'act', act: 'hold', word: 'hold' });
    return true;
  }
  const treads = /^(?:stand|stands|step|steps|tread|treads|stamp)(?:ing)? on (?:the |your )?/.exec(here);
  const trodden = treads ? mentionAt(words, i + wordsIn(treads[0]), called.controls) : null;
  if (treads && trodden && /^(?:pedal|lever|button|pad)$/.test(trodden.of.control.look)) {
    take(wordsIn(treads[0]), { is: 'act', act: /^stand/.test(here) ? 'hold' : 'press', word: 'press' });
    return true;
  }
  if (
    /^(?:step|get|steps|gets|come) (?:back )?off(?: again| it| the pedal)?\b/.test(here) &&
    [...called.facts.controls.values()].some((c) => c.control.look === 'pedal')
  ) {
    take(/^\w+ back/.test(here) ? 3 : 2, { is: 'let-go' });
    return true;
  }
  // `instead of Back you press Light`
  const instead = /^(?:instead|in place) of (?:the )?/.exec(here);
  const other = instead ? mentionAt(words, i + wordsIn(instead[0]), called.controls) : null;
  if (instead && other) {
    s.i += wordsIn(instead[0]) + other.length;
    return true;
  }
  // `on the third you lift your foot`
  const lifts = /^(?:lift|lifts|raise) (?:your |the |that |my )?(finger|thumb|hand|foot)s?\b/.exec(here);
  if (lifts) {
    const pedals = [...called.facts.controls.values()].filter((c) => c.control.look === 'pedal');
    const n = wordsIn(lifts[0]);
    put(i, n, { is: 'let-go' });
    if (lifts[1] === 'foot' && pedals.length === 1) put(i, n, { is: 'control', own: pedals[0], place: null });
    s.i += n;
    return true;
  }
  // `keep your finger there … that is when you take it away`
  if (
    /^(?:take|takes) (?:it|them) (?:away|off)\b/.test(here) &&
    last.length > 0 &&
    last.every((own) => own.mechanism.kind === 'push')
  ) {
    take(3, { is: 'let-go' });
    return true;
  }
  // `on the second one you're off`
  if (
    /^(?:you're|you are|i'm|we're) off\b/.test(here) &&
    words[i + (here.startsWith('you are') ? 3 : 2)] === undefined &&
    /\b(?:on|at|with)\b/.test(
      words
        .slice(0, i)
        .map((x) => x.word)
        .join(' '),
    )
  ) {
    take(here.startsWith('you are') ? 3 : 2, { is: 'let-go' });
    return true;
  }
  // `on three you come off`
  if (
    /^(?:come|comes) off\b/.test(here) &&
    /^(?:you|i|we|and|then)$/.test(words[i - 1]?.word ?? '') &&
    !mentionAt(words, i + 2, called.controls)
  ) {
    take(2, { is: 'let-go' });
    return true;
  }
  // `one buzz, then you can leave go`
  const goes = /^(?:leave|leaves|leaving) go(?: of)?\b/.exec(here);
  if (goes) {
    take(wordsIn(goes[0]), { is: 'let-go' });
    return true;
  }
  // `Clock you can leave too`, `you leave only Clock`: let go of
  const quits = /^(?:leave|leaves|quit) (?:only |now |just |the |also )*/.exec(here);
  const quitted = quits ? mentionAt(words, i + wordsIn(quits[0]), called.controls) : null;
  if (
    quits &&
    quitted?.of.mechanism.kind === 'push' &&
    !quitted.weak &&
    !/^(?:on|in|alone|pressed|held|down)$/.test(words[i + wordsIn(quits[0]) + quitted.length]?.word ?? '')
  ) {
    take(wordsIn(quits[0]), { is: 'let-go' });
    return true;
  }
  // `with the second beep you leave the buttons`
  const leaves1 = /^(?:leave|leaves) (?:the|both|these|those|them|your)(?: both)?(?: buttons| keys| pads)?$/.exec(here);
  if (leaves1 && /^(?:.*(?:buttons|keys|pads|both|them))$/.test(leaves1[0])) {
    take(wordsIn(leaves1[0]), { is: 'let-go' });
    return true;
  }
  // `then off with your thumb`
  const offWith =
    /^(?:off|away) (?:with|goes|go) (?:your|the|that|both|my) (?:\w+ )?(?:fingers?|thumbs?|hands?|foot|feet)(?= |$)/.exec(
      here,
    );
  if (offWith) {
    take(wordsIn(offWith[0]), { is: 'let-go' });
    return true;
  }
  // `the plug of the battery you take away`: out it goes
  const takes = /^(?:you |i |we )?(?:take|takes|took) (?:it |that )?away(?= |$)/.exec(here);
  const gone = items.findLast((x) => x.is === 'control') ?? null;
  const outTo = takes && gone?.is === 'control' && gone.place === null ? placeByVerb(gone.own, 'out') : null;
  if (takes && outTo !== null) {
    put(i, wordsIn(takes[0]), { is: 'act', act: 'out', word: 'take' });
    s.i += wordsIn(takes[0]);
    return true;
  }
  // `kill the breaker`
  const kills = /^(?:kill|kills|killed|cut|cuts) (?:it (?:at|with|by) )?(?:the |its |your )?/.exec(here);
  const killed = kills ? mentionAt(words, i + wordsIn(kills[0]), called.controls) : null;
  const dead = killed ? (placeByVerb(killed.of, 'off') ?? placeByVerb(killed.of, 'out')) : null;
  if (kills && killed && dead !== null && killed.of.powersAt.size > 0) {
    const from = i + wordsIn(kills[0]);
    put(from, killed.length, { is: 'control', own: killed.of, place: dead });
    s.i = from + killed.length;
    return true;
  }
  // `hang up the nozzle`: into the place that is called so
  const isItsName = (mentionAt(words, i, called.controls)?.length ?? 0) > 1;
  const onto =
    actOf.has(w.word) || isItsName
      ? -1
      : words.slice(i + 1, i + 5).findIndex((_, k) => mentionAt(words, i + 1 + k, called.controls) !== null);
  const object = onto < 0 ? null : mentionAt(words, i + 1 + onto, called.controls);
  const between = words.slice(i + 1, i + 1 + Math.max(0, onto)).map((x) => x.word);
  const put1 =
    object && between.every((x) => /^(?:up|down|back|in|out|the|your|that|this)$/.test(x))
      ? placeDone(object.of, w.word)
      : null;
  if (object && put1 !== null) {
    put(i + 1 + onto, object.length, { is: 'control', own: object.of, place: put1 });
    s.i += 1 + onto + object.length;
    return true;
  }
  // `give it three short presses`
  const giveIt = /^(?:give|gives) (?:it|that) (?:a (?=\w+ (?:press|tap|push)|press|tap|push))?/.exec(here);
  const presses = giveIt
    ? words
        .slice(i + 2, i + 7)
        .findIndex((x) => /^(?:press|presses|tap|taps|push|pushes|jab|jabs|prod|prods)$/.test(x.word))
    : -1;
  if (giveIt && presses >= 0) {
    const n = words[i + 2]?.word === 'a' || words[i + 2]?.word === 'another' ? 1 : (words[i + 2]?.value ?? null);
    if (n !== null && n <= 30) {
      put(i, 1, { is: 'act', act: 'press', word: 'press' });
      put(i + 1, 1, { is: 'it' });
      if (n > 1) put(i + 2, presses + 1, { is: 'times', n });
      s.i += 3 + presses;
      return true;
    }
  }
  // `give the pedal three kicks`, `give Plus a tap`
  const given = /^(?:give|gives|given)\b/.test(here)
    ? mentionAt(words, words[i + 1]?.word === 'the' ? i + 2 : i + 1, called.controls)
    : null;
  if (given) {
    const k = (words[i + 1]?.word === 'the' ? i + 2 : i + 1) + given.length;
    const n = words[k]?.word === 'a' || words[k]?.word === 'another' ? 1 : (words[k]?.value ?? null);
    const at = words
      .slice(k + 1, k + 4)
      .findIndex((x) =>
        /^(?:press|presses|tap|taps|push|pushes|kick|kicks|prod|prods|jab|jabs|touch|touches|dab|dabs|poke|pokes)$/.test(
          x.word,
        ),
      );
    if (n !== null && at >= 0) {
      put(i, 1, { is: 'act', act: 'press', word: 'press' });
      put(k - given.length, given.length, { is: 'control', own: given.of, place: null });
      if (words.slice(k, k + at + 2).some((x) => x.word === 'long')) put(k, at + 2, { is: 'long' });
      else put(k, at + 2, { is: 'times', n });
      s.i = k + at + 2;
      return true;
    }
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
  if (/^until (?:the stop|the end|it stops)\b/.test(here)) {
    s.i += 3;
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
    /^(?:(?:press|push)(?:es|ed)? and )?(?:(?:do not|don't|dont|not|never|without) (?:to )?(?:let(?:ting)?|releas(?:e|ed|ing)|leave|leaving(?= them| it| both))(?: (?:it|them|him|her))?(?!(?: the)? \w+ (?:on|off|in|out|open|shut))(?: (?:go|up))?(?: of)?(?: (?:it|them))?)\b/.exec(
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
    /^(?:fingers?|hands?|thumbs?|foot|feet) (?:can |may )?(?:now |then )?(?:can |may |must |should )?(?:goes?|comes?|off|away|leaves?|be (?:taken|lifted|removed|pulled))(?: (?:away|off|up))?(?: (?:from|of))?(?! (?:on|back))\b/.exec(
      here,
    );
  if (leaves) {
    take(leaves[0].split(' ').length, { is: 'let-go' });
    return true;
  }
  const away =
    /^(?:take|took|takes|taken|get|pull|lift) (?:(?:your|both|the|a|my|his|her|their) )*(?:fingers?|hands?|thumbs?|foot|feet)(?: \w+)? ?(?:off|away|up|from)\b/.exec(
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
  if (
    /^(?:write|writes|wrote|note|jot|ring|call|look) (?:it |that |them )?(?:up|down)\b/.test(here) &&
    !mentionAt(words, i, called.controls)
  ) {
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
