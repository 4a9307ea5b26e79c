import { LampColour } from '../../model/lamp.ts';
import { ordinalOf } from '../../spoken/numbers.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { lengthAt, timesAt } from './amounts.ts';
import type { Item, Light } from './item.ts';
import { actOf, clickWords, leftWords, negWords, rightWords, togetherWords, turnWords } from './lexicon.ts';
import { type Called, groupAt, mentionAt, placeAt, supplyFor } from './mentions.ts';
import { plainTextAt, shownTextAt } from './shown-text.ts';
import type { Word } from './text.ts';

const lightWords: ReadonlyArray<readonly [RegExp, Light]> = [
  [
    /^(?:(?:starts?|starting) to |start(?:s|ing)? |is |are |going |goes |begins? to |keeps? )?(?:now )?(?:flash\w*|blink\w*|wink\w*|flicker\w*|going) (?:really |very |quite |nice and )?(?:slow(?:ly)?)\b/,
    'slow',
  ],
  [
    /^(?:(?:starts?|starting) to |start(?:s|ing)? |is |are |goes |begins? to )?(?:flash\w*|blink\w*|wink\w*|flicker\w*|going) (?:really |very |quite )?(?:fast|quick(?:ly)?|rapid(?:ly)?)\b/,
    'fast',
  ],
  [/^(?:slow(?:ly)? (?:flash|blink)\w*|goes slow)\b/, 'slow'],
  [/^(?:(?:fast|quick(?:ly)?|rapid(?:ly)?) (?:flash|blink)\w*|goes (?:quick|fast))\b/, 'fast'],
  [
    /^(?:goes? out|go(?:es)? off|gone out|going out|is out|are out|turns? off|is off|stays? (?:dark|off)|is dark|dark)\b/,
    'dark',
  ],
  [
    /^(?:comes? (?:on|back on)|goes? on|light(?:s|ing)? up|lights?\b(?! (?:come|flash|blink|go|are|is))|lit|is on|are on|stays? on|(?:is |are |stays? |comes on )?steady|glows?|burns?|all on)\b/,
    'lit',
  ],
  [
    /^(?:(?:starts?|starting) to |start(?:s|ing)? |is |are |begins? to )?(?:flash\w*|blink\w*|wink\w*|flicker\w*)\b/,
    'blinks',
  ],
];

const beat = (i: number, n: number, words: readonly Word[]): Readonly<{ from: number; to: number }> => ({
  from: words[i]?.from ?? 0,
  to: words[i + n - 1]?.to ?? 0,
});

/** Everything a stretch names, in order. What says nothing of the unit is passed over. */
export function itemsOf(words: readonly Word[], called: Called, last: readonly ControlFacts[]): Item[] {
  const items: Item[] = [];
  const put = (i: number, n: number, item: object): void => {
    items.push({ ...beat(i, n, words), ...item } as Item);
  };
  const textFrom = (i: number): string =>
    words
      .slice(i, i + 7)
      .map((w) => w.word)
      .join(' ');
  const signAhead = (): boolean => items.some((x) => x.is === 'sign');
  const passed = new Set<number>();
  for (let i = 0; i < words.length; ) {
    if (passed.has(i)) {
      i += 1;
      continue;
    }
    const w = words[i];
    if (!w) break;
    const here = textFrom(i);
    const rest = words.slice(i);
    const take = (n: number, item: object | null): void => {
      if (item) put(i, n, item);
      i += n;
    };
    // what is let go of stands between the two words
    if (/^(?:let|lets|letting)\b/.test(w.word) && !/^let(?:s|ting)? them (?:pushed|pressed|down|in)/.test(here)) {
      const ahead = words.findIndex((x, k) => k > i && k < i + 7 && (x.word === 'go' || x.word === 'up'));
      if (ahead > 0) {
        put(i, 1, { is: 'let-go' });
        passed.add(ahead);
        i += 1;
        continue;
      }
    }
    if (/^(?:press|push|presses|pushes|pressed|pushed|depress) and (?:hold|holds|held|keep)\b/.test(here)) {
      take(3, { is: 'act', act: 'hold', word: 'hold' });
      continue;
    }
    // `pressed and not let go of`
    const kept =
      /^(?:(?:press|push)(?:es|ed)? and )?(?:(?:do not|don't|dont|not|never|without) (?:to )?(?:let(?:ting)?|releas(?:e|ed|ing))(?: (?:it|them|him|her))?(?: (?:go|up))?(?: of)?(?: (?:it|them))?)\b/.exec(
        here,
      );
    if (kept) {
      take(kept[0].split(' ').length, { is: 'act', act: 'hold', word: 'keep' });
      continue;
    }
    // `while keeping it there`: as it is
    const still =
      /^(?:while|whilst) (?:still |you(?:'re| are)? |i(?:'m| am)? )?(?:keeping|holding|keep|hold|pressing) (?:it|them|that|this|both)(?: (?:there|down|so|pressed|in|pulled|like that|that way))?\b/.exec(
        here,
      );
    if (still && last.length > 0) {
      i += still[0].split(' ').length;
      continue;
    }
    // `the other finger still on`, `stay on it`
    const stays =
      /^(?:stays? on (?:it|them|that)|(?:leave|keep)s? (?:your |the |a |my )?(?:finger|thumb|hand|foot)s? (?:on|there)(?: it| them)?|stays? there)\b/.exec(
        here,
      );
    if (stays) {
      take(stays[0].split(' ').length, { is: 'act', act: 'hold', word: 'keep' });
      continue;
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
        i += 3 + to.length;
        continue;
      }
    }
    // `take the cover off`, `take out the fuse`
    const taken = /^(?:take|takes|took|taken|taking|lift|lifts|lifted|pull|pulls|pulled) (off|out)\b/.exec(here);
    if (taken) {
      take(2, { is: 'act', act: 'out', word: taken[1] });
      continue;
    }
    // `he waited for another one`
    if (
      w.word === 'another' &&
      (words[i + 1]?.word === 'one' || mentionAt(words, i + 1, called.signs)?.of.kind === 'beeper')
    ) {
      take(words[i + 1]?.word === 'one' ? 2 : 1, { is: 'nth', n: 2 });
      continue;
    }
    // `the last beep`: of as many as were heard
    if (
      w.word === 'last' &&
      words[i - 1]?.word === 'the' &&
      mentionAt(words, i + 1, called.signs)?.of.kind === 'beeper'
    ) {
      take(1, { is: 'nth', n: 0 });
      continue;
    }
    const leaves =
      /^(?:fingers?|hands?|thumbs?|foot|feet) (?:now |then )?(?:goes?|comes?|off|away|leaves?)(?: (?:away|off|up))?(?: (?:from|of))?\b/.exec(
        here,
      );
    if (leaves) {
      take(leaves[0].split(' ').length, { is: 'let-go' });
      continue;
    }
    const away =
      /^(?:take|took|takes|taken|get|pull|lift) (?:(?:your|both|the|a|my|his|her|their) )*(?:fingers?|hands?|thumbs?|foot|feet)(?: \w+)? ?(?:off|away|up)\b/.exec(
        here,
      );
    if (away) {
      take(away[0].split(' ').length, { is: 'let-go' });
      continue;
    }
    const counts = /^(?:count|counts|counted)(?: (?!up)\w+){0,2} (?:to|of) (\w+)/.exec(here);
    if (counts) {
      const k = words.findIndex((x, n) => n > i && x.value !== null);
      const n = words[k]?.value;
      if (k > 0 && k < i + 5 && n != null) {
        put(i, k - i + 1, { is: 'act', act: 'wait', word: 'count' });
        put(k, 1, { is: 'length', ms: n * 1000, mostMs: n * 1000 });
        i = k + (words[k]?.span ?? 1);
        if (/^seconds?$/.test(words[i]?.word ?? '')) i += 1;
        continue;
      }
    }
    if (/^(?:plus or minus|give or take|more or less)\b/.test(here)) {
      i += 3;
      continue;
    }
    if (/^(?:not|no) (?:more|later|longer) than\b/.test(here) && lengthAt(words, i + 3)) {
      take(3, { is: 'within' });
      continue;
    }
    if (w.word === 'before' && lengthAt(words, words[i + 1]?.word === 'the' ? i + 2 : i + 1)) {
      take(words[i + 1]?.word === 'the' ? 2 : 1, { is: 'within' });
      continue;
    }
    // `after a waiting period of not less than 30 seconds`
    if (/^(?:a |the )?(?:waiting|wait) (?:period|time) of\b/.test(here)) {
      i += /^(?:a|the)\b/.test(here) ? 4 : 3;
      continue;
    }
    // `come up again`: who, not what
    if (
      /^(?:come|came|go|went|walk|climb|get|run) (?:back )?(?:up|down)\b(?! to| by| with)/.test(here) &&
      !/^(?:it|that|which|display|screen|number|code)$/.test(words[i - 1]?.word ?? '') &&
      !mentionAt(words, i + 1, called.controls) &&
      !items.some((x) => x.is === 'control')
    ) {
      i += /^\w+ back/.test(here) ? 3 : 2;
      continue;
    }
    if (/^(?:write|writes|wrote|note|jot|ring|call|look) (?:it |that |them )?(?:up|down)\b/.test(here)) {
      i += /^\w+ (?:it|that|them)/.test(here) ? 3 : 2;
      continue;
    }
    if (
      /^(?:go|goes|going|went|come|comes|came|run|ran|walk|walked) (?:back )?(?:from|home|inside|outside|there|here)\b/.test(
        here,
      )
    ) {
      i += /^\w+ back/.test(here) ? 3 : 2;
      continue;
    }
    if (/^(?:hang on to|hang onto|hanging on to)\b/.test(here)) {
      take(here.startsWith('hang onto') ? 2 : 3, { is: 'act', act: 'hold', word: 'hold' });
      continue;
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
      i += words[i + 2]?.word === 'up' ? 3 : 2;
      continue;
    }
    if (/^(?:displays?|shows?|reads?|says?)$/.test(w.word)) {
      const shown = shownTextAt(words, i + 1) ?? plainTextAt(words, i + 1, items);
      if (shown) {
        put(i, 1, { is: 'act', act: 'see', word: w.word });
        put(i + 1, shown.length, { is: 'text', text: shown.text });
        i += 1 + shown.length;
        continue;
      }
    }
    if (/^(?:not|no) (?:more|less|later|longer) than\b/.test(here)) {
      i += words[i + 3]?.word === 'that' ? 4 : 3;
      continue;
    }
    // `from two point four on`: since when, of a version
    if (w.word === 'from' && words[i + 1]?.value != null && words[i + 1 + (words[i + 1]?.span ?? 1)]?.word === 'on') {
      i += 2 + (words[i + 1]?.span ?? 1);
      continue;
    }
    if (/^(?:off|away|on) (?:we|you|she|he|it|they) goe?s?\b/.test(here)) {
      i += 3;
      continue;
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
      i += 1 + (heard?.length ?? 1);
      continue;
    }
    const [pointed, own] = [...called.ones].find(([phrase]) => here === phrase || here.startsWith(`${phrase} `)) ?? [];
    if (pointed !== undefined && own) {
      take(pointed.split(' ').length, { is: 'control', own, place: null });
      continue;
    }
    const group = groupAt(words, i, called);
    if (group) {
      // `both doors open`
      const place = (own: ControlFacts) =>
        own.mechanism.kind === 'push' ? null : placeAt(words, i + group.length, own);
      for (const own of group.of) put(i, group.length, { is: 'control', own, place: place(own)?.place ?? null });
      const [first] = group.of;
      const behind = first ? (place(first)?.length ?? 0) : 0;
      put(i, group.length, { is: 'both' });
      i += group.length + behind;
      continue;
    }
    // captions hear a lid as lit
    const lid =
      w.word === 'lit' && /^(?:the|your)$/.test(words[i - 1]?.word ?? '')
        ? called.controls.find((c) => c.of.control.look === 'lid')
        : undefined;
    if (lid) {
      let k = i + 1;
      while (/^(?:has|to|be|is|must|should|needs)$/.test(words[k]?.word ?? '')) k += 1;
      const place = placeAt(words, k, lid.of);
      put(i, 1, { is: 'control', own: lid.of, place: place?.place ?? null });
      i = place ? k + place.length : i + 1;
      continue;
    }
    const sign = mentionAt(words, i, called.signs);
    const called1 = mentionAt(words, i, called.controls);
    // a bare number names a switch only where switches of a row are being told
    const isNumber = called1 !== null && called1.length === 1 && w.value !== null;
    const inRow =
      words[i - 1]?.word === 'number' ||
      /^(?:on|off|to|back)$/.test(words[i + 1]?.word ?? '') ||
      last.some((own) => own.control.look === 'dip') ||
      items.some((x) => x.is === 'control' && x.own.control.look === 'dip');
    // a button may be called Zero: named like one it is one
    const isNamed =
      called1?.of.mechanism.kind === 'push' &&
      /^\p{L}/u.test(w.raw) &&
      /^(?:press|hold|push|hit|tap|down|the|and|keep|then|release|,)$/.test(words[i - 1]?.word ?? ',');
    // a button called On is meant where it is written so, pressed, or one of several
    const isPlace =
      called1?.of.mechanism.kind === 'push' &&
      called1.length === 1 &&
      /^(?:on|off|in|out|back|open|set|light)$/.test(w.word) &&
      w.raw === w.word &&
      !/^(?:press|presses|pressed|hold|holds|held|push|pushes|tap|taps|tapped|hit|release|and|plus|or|the|button|pad|key|then|,|times|both|with|up|down)$/.test(
        words[i - 1]?.word ?? ',',
      );
    const control = (isNumber && !inRow && !isNamed) || isPlace ? null : called1;
    const all =
      /^(?:all|both)(?: of)?(?: (?:the|of|these|those))?(?: (\w+))?(?: (?:green|yellow|red|white|amber|blue|small|little))?(?: of (?:the|them))? (?:lamps|lights|leds|indicators)\b/.exec(
        here,
      );
    const they = /^(?:they all|all of them|all (?:two|three|four|five|six|eight))\b/.exec(here);
    if (all || (they && called.lamps.length > 1 && /\b(?:light|lit|come|flash|blink|going|on|go)\b/.test(here))) {
      const [found = ''] = all ?? they ?? [];
      const colour = /\b(green|yellow|red|white|amber|blue)\b/.exec(found)?.[1];
      const count = words.slice(i, i + 4).find((x) => x.value !== null)?.value ?? null;
      const of = called.lamps.filter(
        (l) => l.kind === 'lamp' && (colour === undefined || l.colours.some((c) => c === colour)),
      );
      const signs = count !== null && of.length !== count && called.lamps.length === count ? called.lamps : of;
      take(found.split(' ').length, { is: 'sign', signs });
      continue;
    }
    if (
      /^(?:lights|lamps)$/.test(w.word) &&
      /^(?:the|these|those)$/.test(words[i - 1]?.word ?? '') &&
      called.lamps.length > 1
    ) {
      take(1, { is: 'sign', signs: called.lamps });
      continue;
    }
    const lit = lightWords.map(([re, light]) => ({ light, m: re.exec(here) })).find((x) => x.m);
    const asLight =
      lit?.m && (signAhead() || /^(?:flash|blink|wink|flicker|light|lit|steady|goes out|comes on)/.test(here));
    const beepsAs =
      /^(?:(?:beep|bleep|chime|horn|bip|blip|peep|pip|ping|ring|chirp|squeak|hoot|toot|gong)(?:s|ing|ed)?|buzzing|buzz(?:es|ed)?|rang)\b/.test(
        here,
      );
    const lengthHere = lengthAt(words, i);
    if (lengthHere && /^(?:later|earlier|ago)$/.test(words[i + lengthHere.length]?.word ?? '')) {
      i += lengthHere.length + 1;
      continue;
    }
    if (lengthHere) {
      take(lengthHere.length, { is: 'length', ms: lengthHere.ms, mostMs: lengthHere.mostMs });
      continue;
    }
    const count = timesAt(words, i);
    if (count) {
      take(count.length, { is: 'times', n: count.n });
      continue;
    }
    if (w.value !== null) {
      const k = i + w.span;
      const a = words[k]?.word ?? '';
      const full = ['full', 'whole', 'complete'].includes(a);
      const b = words[full ? k + 1 : k]?.word ?? '';
      const wayHere = rightWords.has(a) || leftWords.has(a);
      if (turnWords.has(b) && (full || !clickWords.has(b) || b.startsWith('turn'))) {
        take(k + (full ? 2 : 1) - i, { is: 'turns', n: w.value });
        continue;
      }
      if (clickWords.has(a)) {
        take(k + 1 - i, { is: 'clicks', n: w.value });
        continue;
      }
      // four left, two back, one back to the left
      const back = ['back', 'more'].includes(a) ? k + 1 : k;
      const toWay =
        words[back]?.word === 'to' &&
        words[back + 1]?.word === 'the' &&
        /^(?:left|right)$/.test(words[back + 2]?.word ?? '');
      if (
        wayHere ||
        toWay ||
        ((a === 'to' || a === 'more') &&
          (rightWords.has(words[k + 1]?.word ?? '') ||
            leftWords.has(words[k + 1]?.word ?? '') ||
            words[k + 2]?.word === 'left' ||
            words[k + 2]?.word === 'right'))
      ) {
        take(w.span, { is: 'clicks', n: w.value });
        continue;
      }
    }
    const isVerb =
      control?.length === 1 &&
      actOf.has(w.word) &&
      /^(?:it|in|back|him|them|out|to|into|through|past|on|for)$/.test(words[i + 1]?.word ?? '') &&
      (w.word === 'go' || /^(?:it|in|back|him|them|out)$/.test(words[i + 1]?.word ?? '')) &&
      (i === 0 || /^(?:you|i|we|to|then|and|please|just|now)$/.test(words[i - 1]?.word ?? ''));
    if (
      control &&
      !isVerb &&
      (!sign ||
        control.length > sign.length ||
        (control.length === sign.length &&
          !(sign.weak === false && control.weak) &&
          !lampAsked(words, i, control.length)))
    ) {
      const own = control.of;
      // `the key's on`, `throttle into neutral`, `dip three to on`
      let k = i + control.length;
      // `from normal to service`
      for (let f = k; f < k + 6; f += 1)
        if (words[f]?.word === 'from' && words[f + 2]?.word === 'to' && placeAt(words, f + 3, own)) {
          k = f + 3;
          break;
        }
      while (
        [
          'is',
          'are',
          'was',
          'to',
          'into',
          'in',
          'back',
          'goes',
          'at',
          'should',
          'has',
          'be',
          'being',
          'put',
          'set',
          'turned',
          'switched',
          'moved',
          'must',
          'the',
          'now',
          'again',
          'comes',
          'go',
          'gets',
          'lever',
          'position',
          'back',
          'wall',
          'front',
          'behind',
          'there',
          'here',
          'of',
          'side',
          'from',
          'all',
          'way',
          'first',
          'left',
          'going',
          'right',
          'straight',
          'over',
          'i',
          'we',
          'you',
          'on',
          ',',
        ].includes(words[k]?.word ?? '') &&
        k < i + control.length + 8
      ) {
        const place = placeAt(words, k, own);
        if (place && !(['in', 'at', 'on'].includes(words[k]?.word ?? '') && words[k + 1] && placeAt(words, k + 1, own)))
          break;
        k += 1;
      }
      const isWhere =
        /^(?:on|in|at)$/.test(words[k]?.word ?? '') && /^(?:the|its|a|your|my|this)$/.test(words[k + 1]?.word ?? '');
      const place = !isWhere && (k === i + control.length || words[k - 1]?.raw !== ',') ? placeAt(words, k, own) : null;
      const blocked = place !== null && own.mechanism.kind === 'push';
      const spans =
        place && !blocked && k + place.length - i <= control.length + 4 ? k + place.length - i : control.length;
      put(i, spans, { is: 'control', own, place: place && !blocked ? place.place : null });
      i = place && !blocked ? k + place.length : i + control.length;
      continue;
    }
    if (sign) {
      take(sign.length, { is: 'sign', signs: [sign.of] });
      if (beepsAs && sign.of.kind === 'beeper') put(i - 1, 1, { is: 'light', light: 'lit' });
      continue;
    }
    if (beepsAs) {
      const beeper = called.signs.find((s) => s.of.kind === 'beeper');
      if (beeper) {
        take(1, { is: 'sign', signs: [beeper.of] });
        continue;
      }
    }
    const lastSign = items.at(-1);
    const isHeard =
      lastSign?.is === 'sign' &&
      lastSign.signs.every((s) => s.kind !== 'lamp' && s.kind !== 'segments' && s.kind !== 'text');
    if (
      isHeard &&
      /^(?:clicks?|clacks?|clunks?|heard|audible|runs?|running|starts?|turns?|spins?|whirs?|hums?)\b/.test(w.word)
    ) {
      take(1, { is: 'light', light: 'lit' });
      continue;
    }
    if (asLight && lit?.m) {
      const length = lit.m[0].trim().split(' ').length;
      const colour = coloured(words, i, length);
      take(length + (colour?.behind ?? 0), { is: 'light', light: lit.light, ...(colour && { colour: colour.colour }) });
      continue;
    }
    if (/^(?:any (?:key|button|pad))\b/.test(here)) {
      take(2, { is: 'any' });
      continue;
    }
    if (
      /^(?:within|inside|in less than|in under|you(?:'?ve| have)?(?: now| only| just)? got|i(?:'?ve| have)? got|we(?:'?ve| have)? got|you'?ve|you have|they have|one has|there(?:'s| is| are))\b/.test(
        here,
      )
    ) {
      const k =
        /^(?:in less than|in under|you have got|i have got|we have got|you(?:'?ve)? (?:now|only|just) got)/.test(here)
          ? 3
          : /^(?:within|inside)/.test(here)
            ? 1
            : 2;
      const ahead = words.slice(i + k, i + k + 5).some((_, d) => lengthAt(words, i + k + d) !== null);
      if (ahead) {
        take(k, { is: 'within' });
        continue;
      }
    }
    if (
      w.word === 'in' &&
      lengthAt(words, words[i + 1]?.word === 'the' ? i + 2 : i + 1) &&
      words.some(
        (x, k) =>
          /^(?:all|everything|lot|altogether|quick|quickly|done|happen)$/.test(x.word) &&
          !(x.word === 'all' && words[k + 1]?.word === 'the'),
      )
    ) {
      take(words[i + 1]?.word === 'the' ? 2 : 1, { is: 'within' });
      continue;
    }
    if (
      /^(?:max|maximum|at most|no more than)\b/.test(here) &&
      lengthAt(words, i + (here.startsWith('at most') ? 2 : here.startsWith('no more') ? 3 : 1))
    ) {
      take(here.startsWith('at most') ? 2 : here.startsWith('no more') ? 3 : 1, { is: 'within' });
      continue;
    }
    if (/^(?:until|till|til)\b/.test(here)) {
      take(1, { is: 'until' });
      continue;
    }
    if (
      /^(?:when|once|as soon as|the moment|after|at(?! least| most| all| first| last)|on the|with the (?=first|second|third|fourth|fifth|last|next|\w+ (?:beep|peep|buzz|chime|ring|tone))|from)\b/.test(
        here,
      )
    ) {
      take(
        here.startsWith('as soon as')
          ? 3
          : here.startsWith('the moment') || here.startsWith('on the') || here.startsWith('with the')
            ? 2
            : 1,
        {
          is: 'moment',
        },
      );
      continue;
    }
    if (w.word === 'if' || (w.word === 'should' && i === 0)) {
      take(1, { is: 'if' });
      continue;
    }
    if (/^(?:otherwise|else)\b/.test(here)) {
      take(1, { is: 'else' });
      continue;
    }
    if (/^(?:while|whilst)\b/.test(here)) {
      take(1, { is: 'while' });
      continue;
    }
    if (negWords.has(w.word)) {
      take(1, { is: 'not' });
      continue;
    }
    if (w.word === 'each' || w.word === 'every') {
      take(1, { is: 'each' });
      continue;
    }
    if (togetherWords.has(w.word) || /^(?:at the same time|the same time|at once)/.test(here)) {
      take(
        here.startsWith('at the same time')
          ? 4
          : here.startsWith('the same time')
            ? 3
            : here.startsWith('at once')
              ? 2
              : 1,
        { is: 'both' },
      );
      continue;
    }
    if (rightWords.has(w.word) || leftWords.has(w.word)) {
      take(1, { is: 'way', way: rightWords.has(w.word) ? 'cw' : 'ccw' });
      continue;
    }
    const nth = ordinalOf(w.word);
    if (
      nth !== null && !['second'].includes(w.word)
        ? nth !== null
        : nth !== null && ['the', 'that'].includes(words[i - 1]?.word ?? '')
    ) {
      // the third one
      take(words[i + 1]?.word === 'one' ? 2 : 1, { is: 'nth', n: nth ?? 1 });
      continue;
    }
    if (['it', 'them', 'him', 'her', 'both', 'these', 'those', 'that'].includes(w.word)) {
      // `switch it on`, `plug it in`, `turn it off`
      let k = i + 1;
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
          'switched',
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
      const plugged = /^(?:plug|plugged|plugs)$/.test(words[i - 1]?.word ?? '');
      const able =
        plugged || w.word === 'them' || w.word === 'those' ? [] : last.filter((own) => own.mechanism.kind !== 'push');
      const isWhere =
        /^(?:beside|behind|under|of|with|for|by|near|above|below|from|about|like|than|next)$/.test(
          words[i - 1]?.word ?? '',
        ) ||
        (/^(?:on|in|at)$/.test(words[k]?.word ?? '') && /^(?:the|its|a|my|your|this)$/.test(words[k + 1]?.word ?? ''));
      const own = able.length === 1 && !isWhere ? able[0] : undefined;
      const place = own && placeAt(words, k, own);
      if (own && place) {
        put(i, k + place.length - i, { is: 'control', own, place: place.place });
        i = k + place.length;
        continue;
      }
      // what cannot be put anywhere is not meant: then it is the unit itself
      const supply = supplyFor(called, words[k]?.word ?? '');
      const powered =
        supply && !own && /^(?:in|on|off|out)$/.test(words[k]?.word ?? '') ? placeAt(words, k, supply) : null;
      const isPowered = /^(?:turn|turns|turned|switch|switches|switched|plug|plugs|plugged|power|put|flick|pull)$/.test(
        words[i - 1]?.word ?? '',
      );
      if (supply && powered && isPowered && w.word !== 'that') {
        put(i, k + powered.length - i, { is: 'control', own: supply, place: powered.place });
        i = k + powered.length;
        continue;
      }
      if (w.word === 'that') i += 1;
      else take(1, { is: 'it' });
      continue;
    }
    if (/^(?:long)\b/.test(here)) {
      take(1, { is: 'long' });
      continue;
    }
    if (
      /^(?:(?:let|leave|keep) them (?:pushed|pressed|down|in|held)|press and hold|push and hold|presses and holds|hold down|keep (?:\w+ )?(?:held|pressed|pushed|pulled|down))\b/.test(
        here,
      )
    ) {
      if (/^(?:let|leave|keep) them/.test(here)) {
        put(i, 3, { is: 'act', act: 'hold', word: 'hold' });
        put(i + 1, 1, { is: 'it' });
        i += 3;
        continue;
      }
      take(here.startsWith('keep') ? 1 : here.startsWith('hold') ? 2 : 3, { is: 'act', act: 'hold', word: 'hold' });
      continue;
    }
    const said =
      /^(?:(?:changes?|turns|jumps|goes) to|goes(?= (?:\w+ ){1,3}\w)|becomes?|has got|is coming now|says?|reads?|shows?|showing|read|display(?:s|ed)?|see|appears?|comes? up|it(?:'s| is) (?:now )?|coming|is coming|has)\b/.test(
        here,
      );
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
        i += skip + shown.length;
        continue;
      }
    }
    // `you go to hand`: a place that only one control has
    if (/^(?:to|into)$/.test(words[i - 1]?.word ?? '') && !commonPlaces.test(w.word)) {
      const having = [...called.facts.controls.values()].filter(
        (own) => own.mechanism.kind !== 'push' && placeAt(words, i, own),
      );
      const [own] = having;
      const place = own && placeAt(words, i, own);
      if (own && place && having.length === 1 && !items.some((x) => x.is === 'control')) {
        put(i, place.length, { is: 'control', own, place: place.place });
        i += place.length;
        continue;
      }
    }
    // a place of what was named last, by its own name: `and then to neutral`
    const able = last.filter((own) => own.mechanism.kind !== 'push');
    if (
      able.length === 1 &&
      able[0] &&
      (!/^(?:on|off|in|out|up|down|open|back|shut|close|closed)$/.test(w.word) ||
        (able[0].mechanism.kind === 'places' &&
          w.word === 'back' &&
          able[0].mechanism.places.some((p) => p.label.toLowerCase() === 'back'))) &&
      (i === 0 || /^(?:to|into|at|on|the|then|back)$/.test(words[i - 1]?.word ?? ''))
    ) {
      const place = placeAt(words, i, able[0]);
      if (place && !items.some((x) => x.is === 'sign')) {
        put(i, place.length, { is: 'control', own: able[0], place: place.place });
        i += place.length;
        continue;
      }
    }
    // `the mains plug`, `the start press`: what it is, not what is done
    const isNoun =
      (w.word === 'place' && i > 0 && !/^(?:and|then|you|i|we|to|now|please)$/.test(words[i - 1]?.word ?? '')) ||
      (w.word === 'plug' && items.at(-1)?.is === 'control' && items.at(-1)?.to === (words[i - 1]?.to ?? -1));
    // `it gets stuck`: how it is, not what is done
    const isStuck = w.word === 'stuck' && /^(?:gets?|got|is|was|are|were|been)$/.test(words[i - 1]?.word ?? '');
    const act = isNoun || isStuck ? undefined : actOf.get(w.word);
    if (act) {
      take(1, { is: 'act', act, word: w.word });
      continue;
    }
    // `in the meantime`, `on a Sunday`: a word that joins, not a place
    const behind = /^(?:the|a|an|my|your|this|that|its|their|our)$/.test(words[i + 1]?.word ?? '');
    if (
      /^(?:on|in|off|up|down)$/.test(w.word) &&
      ((behind && !mentionAt(words, i + 2, called.controls)) ||
        /^(?:between|front|case|order|about|which|total|turn|time|there)$/.test(words[i + 1]?.word ?? ''))
    ) {
      i += 1;
      continue;
    }
    // `a contact on it`: where, not what is done
    if (
      /^(?:on|in)$/.test(w.word) &&
      /^(?:it|him|them|there|top)$/.test(words[i + 1]?.word ?? '') &&
      !items.some(isAct)
    ) {
      i += 2;
      continue;
    }
    if (['on', 'off', 'in', 'out', 'open', 'up', 'down', 'back'].includes(w.word)) {
      take(1, { is: 'place', word: w.word });
      continue;
    }
    if (w.value !== null && rest.length > 0) {
      take(Math.max(1, w.span), { is: 'number', n: w.value });
      continue;
    }
    i += 1;
  }
  return items;
}

const isAct = (item: Item): boolean => item.is === 'act';
const commonPlaces =
  /^(?:on|off|in|out|open|opened|shut|closed?|up|down|back|left|right|start|stop|end|first|last|next|normal|rest|one|two|three|\d+)$/;
const placeAfter = (words: readonly Word[], k: number, last: readonly ControlFacts[]): boolean =>
  last.some((own) => own.mechanism.kind !== 'push' && placeAt(words, k + 1, own) !== null);

/** `the run lamp` is a lamp, whatever button is called run. */
const lampAsked = (words: readonly Word[], at: number, length: number): boolean =>
  ['lamp', 'light', 'lights', 'lamps', 'led', 'indicator'].includes(words[at + length]?.word ?? '');

/** The colour a lamp shows, said behind what it does (`lights up green`, `is lit in red`). */
function coloured(
  words: readonly Word[],
  at: number,
  length: number,
): Readonly<{ colour: LampColour; behind: number }> | null {
  const between = words
    .slice(at + length, at + length + 2)
    .map((w) => ['in', 'solid', 'steady', 'slowly', 'quickly'].includes(w.word));
  const skips = between[0] ? (between[1] ? 2 : 1) : 0;
  const colour = LampColour.safeParse(words[at + length + skips]?.word);
  return colour.success && words[at + length + skips + 1]?.word !== 'lamp'
    ? { colour: colour.data, behind: 1 + skips }
    : null;
}
