import { LampColour } from '../../model/lamp.ts';
import type { Item, Light } from './item.ts';
import { actOf, unitMs } from './lexicon.ts';
import { mentionAt, placeAt, switchAt } from './mentions.ts';
import { isOf } from './reader.ts';
import type { Scan } from './scan.ts';
import type { Word } from './text.ts';

const lightWords: ReadonlyArray<readonly [RegExp, Light]> = [
  [/^(?:flash|blink|wink|flicker)\w* at a (?:slow|low) (?:rate|speed|pace)\b/, 'slow'],
  [/^(?:flash|blink|wink|flicker)\w* at a (?:fast|high|rapid|quick) (?:rate|speed|pace)\b/, 'fast'],
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
    /^(?:(?:has |have )?go(?:es|ne)? out|go(?:es)? off|went o(?:ut|ff)|going out|is out|are out|turns? off|is off|stays? (?:dark|off)|(?:is |gets )?extinguish(?:es|ed)|is dark|dark|(?:has |have |had )?(?:gone|goes?|went|are|is) dead|(?:has |have )?(?:died|dies?))\b|^(?:to go|have gone|has gone|are gone|is gone)$/,
    'dark',
  ],
  [
    /^(?:comes? (?:on|back on)|goes? on|light(?:s|ing)? up|lights?\b(?! (?:come|flash|blink|go|are|is))|lit|is on|are on|stays? on|(?:is |are |stays? |stays? on |goes |comes on )?(?:steady|solid)|glows?|burns?(?: steadily| brightly| constantly)?|shines?|all on)\b|^(?:comes|came)(?: now| then| too)?$/,
    'lit',
  ],
  [
    /^(?:(?:starts?|starting) to |start(?:s|ing)? |is |are |begins? to )?(?:flash\w*|blink\w*|wink\w*|flicker\w*)\b/,
    'blinks',
  ],
];

/** `squeeze out + brake`: three letters apart, where a word has one; nothing else that stands between is left out of the words. */
const isPlus = ({ words, i, w, called }: Scan): boolean => {
  const next = words[i + 1];
  if (next?.word === 'and' && next.to - next.from === 1) return mentionAt(words, i + 2, called.controls) !== null;
  return next !== undefined && next.from - w.to === 3 && mentionAt(words, i + 1, called.controls) !== null;
};

/** A control with its place, a sign with what it does. */
export function namedWords(s: Scan): boolean {
  // `before the horn has gone off`, `it goes off three times`: a sound, not a lamp
  const sounds = /^(?:has |have |had |'s )?(?:gone|goes|go|went|going) off(?= |$)/.exec(s.here);
  const sounding = s.items.findLast((x) => x.is === 'sign' || x.is === 'it' || x.is === 'control');
  const isSound =
    sounding?.is === 'sign'
      ? sounding.signs.every((x) => x.kind === 'beeper')
      : sounding?.is === 'it' && / (?:once|twice|(?:\S+ )?times)\b/.test(s.here);
  if (sounds && isSound) {
    s.take(sounds[0].split(' ').length, { is: 'light', light: 'lit' });
    return true;
  }
  const { words, called, last, items, w, here, i, take, put } = s;
  // `when the horn stops`, where a key is called Stop
  const heard = items.at(-1);
  if (/^(?:stops|stopped)$/.test(w.raw) && heard?.is === 'sign' && heard.signs.every((x) => x.kind === 'beeper')) {
    take(1, { is: 'light', light: 'dark' });
    return true;
  }
  // `flip the switch back on`
  const plain = switchAt(words, i, called);
  if (plain) {
    const k = words[i + 1]?.word === 'back' ? i + 2 : i + 1;
    const isWhere = /^(?:the|its|your|that|this)$/.test(words[k + 1]?.word ?? '');
    const place = isWhere ? null : placeAt(words, k, plain);
    take(place ? k + place.length - i : 1, { is: 'control', own: plain, place: place?.place ?? null });
    return true;
  }
  const called1 = mentionAt(words, i, called.controls);
  // `pull the stop out`: no lamp goes in or out of anything
  const isMoved =
    called1 !== null &&
    called1.of.mechanism.kind === 'places' &&
    /^(?:in|out)$/.test(words[i + called1.length]?.word ?? '');
  const signHere = mentionAt(words, i, called.signs);
  const sign = isMoved && signHere?.of.kind === 'lamp' && signHere.length <= called1.length ? null : signHere;
  // a bare number names a switch only where switches of a row are being told
  // `TARE, ZERO, PRINT`: written large it is a name
  // `three lamps light together`, where a key is called Lamp
  if (/^(?:lamps|lights)$/.test(w.raw) && called1?.of.mechanism.kind === 'push' && !sign) {
    take(1, null);
    return true;
  }
  const isName = /^\p{Lu}{3,}$/u.test(w.raw);
  const isNumber = called1 !== null && called1.length === 1 && w.value !== null && !isName;
  // `three is the door`: what a figure means
  if (
    isNumber &&
    called1.of.mechanism.kind === 'push' &&
    /^(?:is|means?|stands|would|was|=)$/.test(words[i + 1]?.word ?? '')
  ) {
    take(1, null);
    return true;
  }
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
  // `round the back`, `then back to stop`
  const isBack =
    called1?.length === 1 &&
    called1.of.mechanism.kind === 'push' &&
    w.raw === 'back' &&
    (((words[i - 1]?.value ?? null) !== null && !/^(?:once|twice)$/.test(words[i - 1]?.word ?? '')) ||
      (words[i - 1]?.word === 'the' &&
        /^(?:at|round|around|on|from|in|to|behind|of)$/.test(words[i - 2]?.word ?? '')) ||
      (/^(?:to|into|in|on|off|again)$/.test(words[i + 1]?.word ?? '') &&
        !/^(?:press|push|tap|hit|hold|the)$/.test(words[i - 1]?.word ?? '')));
  // a button called On is meant where it is written so, pressed, or one of several
  const isPlace =
    called1?.of.mechanism.kind === 'push' &&
    called1.length === 1 &&
    /^(?:on|off|in|out|back|open|set|light|up|down)$/.test(w.word) &&
    w.raw === w.word &&
    // `squeeze out + brake`
    !isPlus(s) &&
    // `it's up and down together`
    !/^(?:up|down|in|out) and (?:up|down|in|out) (?:together|both|at once|at the same time)\b/.test(here) &&
    !(words[i - 1]?.word === 'and' && /^(?:up|down|in|out) (?:together|both|at once|at the same time)\b/.test(here)) &&
    // `function function horn up`: in a row of keys
    !(/^(?:up|down)$/.test(w.word) && standsBehindKey(s) && areKeysAlone(s)) &&
    // `her fingers on up and hold`
    !(words[i - 1]?.word === 'on' && /^(?:fingers?|thumbs?|hands?)$/.test(words[i - 2]?.word ?? '')) &&
    // `so it's up three times`: no place is so often
    !(
      /^(?:up|down|back|set|light)$/.test(w.word) && /^\S+ (?:twice|(?:two|three|four|five|six|\d) times)\b/.test(here)
    ) &&
    // `up and horn together`
    !(words[i + 1]?.word === 'and' && isHeldWith(s)) &&
    // `mode light mode light`: in a row of keys
    !(/^(?:light|set|back|open)$/.test(w.word) && standsBehindKey(s)) &&
    !(/^(?:up|down)$/.test(w.word) && /^(?:up|down)$/.test(words[i + 1]?.word ?? '')) &&
    !(/^(?:up|down)$/.test(w.word) && /^(?:takes|goes|brings|gives|moves|is|does)$/.test(words[i + 1]?.word ?? '')) &&
    !(
      /^(?:up|down)$/.test(w.word) &&
      (words[i - 1]?.value ?? null) !== null &&
      !(words[i - 1]?.word === 'one' && /^(?:next|the|older|last|that|this)$/.test(words[i - 2]?.word ?? '')) &&
      !/^(?:here|there|below|at|on|in|by|under)$/.test(words[i + 1]?.word ?? '')
    ) &&
    !/^(?:press|presses|pressed|hold|holds|held|push|pushes|tap|taps|tapped|hit|release|and|plus|or|the|button|pad|key|then|,|times|both|with|up|down)$/.test(
      words[i - 1]?.word ?? ',',
    ) &&
    // `let go of down`, `keep up pressed`, `let up go`
    !(
      /^(?:up|down|light|set|back|open)$/.test(w.word) &&
      ((words[i - 1]?.word === 'of' && /^(?:go|let)$/.test(words[i - 2]?.word ?? '')) ||
        (/^(?:keep|keeps|kept|keeping|let|lets|leave|release|releasing|of|on)$/.test(words[i - 1]?.word ?? '') &&
          /^(?:pressed|held|depressed|released|go|pushed)$/.test(words[i + 1]?.word ?? '')))
    );
  // a button called A is meant where it is written so and stands by itself, not as an article
  const after = words[i + 1];
  const standsAlone =
    after === undefined ||
    // `a B button`: written small it is none
    (!/^\p{Ll}/u.test(after.raw) && !(w.raw === 'a' && /^\p{Lu}/u.test(after.raw))) ||
    (after.value !== null && after.word !== 'one') ||
    /^(?:and|or|plus|once|twice|then|for|until|till|on|off|in|out|with|when|at|is|are|goes|stays|comes|must|has|gets|held|pressed|down|again|to|button|key|together|both|while)$/.test(
      after.word,
    );
  const isArticle =
    called1?.length === 1 &&
    /^[ai]$/.test(w.word) &&
    !standsAlone &&
    !(w.raw === w.word && /^(?:press|hold|push|hit|tap|button|key|letter)$/.test(words[i - 1]?.word ?? ''));
  // keys with figures on them: pressed, or in a row of keys; not how often or how long
  const behind = words[i + 1]?.word ?? '';
  const isCounted =
    called1?.of.mechanism.kind === 'push' &&
    w.value !== null &&
    (behind in unitMs ||
      (w.word === 'one' && words[i - 1]?.word === 'the') ||
      /^(?:times?|x|clicks?|turns?|presses|taps|pushes|beeps?|flash\w*|blinks?|quick|short|long|of|percent|degrees|a|an|per|lamps?|lights?|leds?|codes?|faults?|volts?|bar|more|full|or|to|fingers?|thumbs?|hands?|people|person|colleague)$/.test(
        behind,
      ) ||
      mentionAt(words, i + 1, called.signs)?.of.kind === 'beeper');
  const isKey =
    called1?.of.mechanism.kind === 'push' &&
    called1.length === 1 &&
    /^\d+$/.test(w.raw) &&
    (/^(?:press|presses|pressed|hold|holds|held|push|hit|tap|with|and|plus|then|key|button|number|enter|type|is|,)$/.test(
      words[i - 1]?.word ?? ',',
    ) ||
      (items.at(-1)?.is === 'control' && items.at(-1)?.to === words[i - 1]?.to));
  // `ok let them go`, though a key is called OK
  const isPassing =
    called1?.length === 1 &&
    w.raw === 'ok' &&
    i === 0 &&
    /^(?:let|now|so|then|do|did|good|great|you|i|we|it|hold|press|push|turn|what|how|the|and)$/.test(
      words[1]?.word ?? '',
    );
  const control =
    (isNumber && !inRow && !isNamed && !isKey) || isPlace || isBack || isPassing || isArticle || isCounted
      ? null
      : called1;
  // `it's behind the door`: where, not what
  const before2 = words[i - 2]?.word ?? '';
  if (
    control &&
    control.of.mechanism.kind !== 'push' &&
    /^(?:the|your|its|this|that|a)$/.test(words[i - 1]?.word ?? '') &&
    (/^(?:behind|underneath|beside|above|below|beneath|near)$/.test(before2) ||
      (before2 === 'to' && words[i - 3]?.word === 'next'))
  ) {
    s.i += control.length;
    return true;
  }
  // `behind the little flap next to Q1`
  if (
    control &&
    control.of.mechanism.kind !== 'push' &&
    words[i - 1]?.word === 'to' &&
    /^(?:next|close|opposite)$/.test(before2) &&
    items.some((x) => x.is === 'control')
  ) {
    s.i += control.length;
    return true;
  }
  const lit = lightWords.map(([re, light]) => ({ light, m: re.exec(here) })).find((x) => x.m);
  const asLight =
    lit?.m &&
    ((/^(?:go|goes|gone|went) out\b/.test(here) &&
      /^(?:they|they've|they're|theyve|have|all)$/.test(words[i - 1]?.word ?? '')) ||
      items.some((x) => x.is === 'sign') ||
      /^(?:flash|blink|wink|flicker|light|lit|steady|goes out|comes on)/.test(here));
  // `the night shift rings me`
  const isCall = /^(?:me|you|him|her|us|them|my|your|somebody|someone)$/.test(words[i + 1]?.word ?? '');
  const beepsAs =
    !isCall &&
    /^(?:(?:beep|bleep|chime|horn|bip|blip|peep|pip|ping|ring|chirp|squeak|hoot|toot|gong|ding|dong|honk|bong|clang|whistle)(?:s|ing|ed)?|buzzing|buzz(?:es|ed)?|rang)\b/.test(
      here,
    );
  // `turn the knob`, though a key is called Turn
  const isDoneTo =
    /^(?:the|your|this|that)$/.test(words[i + 1]?.word ?? '') &&
    w.raw === w.word &&
    (mentionAt(words, i + 2, called.controls)?.of ?? called1?.of) !== called1?.of;
  const isVerb =
    control?.length === 1 &&
    actOf.has(w.word) &&
    // `Zero and Go in the same time`: written large within a sentence it is a name
    !(i > 0 && /^\p{Lu}/u.test(w.raw)) &&
    // `plug out` is what is done with the plug
    !(w.word === 'plug' && /^(?:out|in|back)$/.test(words[i + 1]?.word ?? '')) &&
    // `slide back to normal`, of a slide
    !(words[i + 1]?.word === 'back' && words[i + 2]?.word === 'to' && placeAt(words, i + 3, control.of)) &&
    (/^(?:it|in|back|him|them|out|to|into|through|past|on|for)$/.test(words[i + 1]?.word ?? '') || isDoneTo) &&
    (w.word === 'go' || isDoneTo || /^(?:it|in|back|him|them|out)$/.test(words[i + 1]?.word ?? '')) &&
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
        'placed',
        'returned',
        'put',
        'brought',
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
        'completely',
        'both',
        'fully',
        ...(/^(?:you|i|we|must|to|should)$/.test(words[k - 1]?.word ?? '')
          ? ['turn', 'put', 'set', 'move', 'bring']
          : []),
      ].includes(words[k]?.word ?? '') &&
      k < i + control.length + 8
    ) {
      // `rocker on the side off`: where it is
      if (
        /^(?:on|in|at)$/.test(words[k]?.word ?? '') &&
        /^(?:the|its|your)$/.test(words[k + 1]?.word ?? '') &&
        placeAt(words, k + 3, own) &&
        !mentionAt(words, k + 2, called.controls)
      ) {
        k += 3;
        break;
      }
      // `is set to service`, of one that has a place called set
      const isVerbal = words[k]?.word === 'set' && words[k + 1]?.word === 'to';
      const place = isVerbal ? null : placeAt(words, k, own);
      if (place && !(['in', 'at', 'on'].includes(words[k]?.word ?? '') && words[k + 1] && placeAt(words, k + 1, own)))
        break;
      k += 1;
    }
    // `turn the key to on the dash lights up`: where to was said
    const isWhere =
      words[k - 1]?.word !== 'to' &&
      /^(?:on|in|at)$/.test(words[k]?.word ?? '') &&
      /^(?:the|its|a|your|my|this)$/.test(words[k + 1]?.word ?? '');
    const place = !isWhere && (k === i + control.length || words[k - 1]?.raw !== ',') ? placeAt(words, k, own) : null;
    const blocked = place !== null && own.mechanism.kind === 'push';
    const spans =
      place && !blocked && k + place.length - i <= control.length + 4 ? k + place.length - i : control.length;
    put(i, spans, { is: 'control', own, place: place && !blocked ? place.place : null });
    s.i = place && !blocked ? k + place.length : i + control.length;
    return true;
  }
  if (sign && !(isCall && sign.of.kind === 'beeper' && sign.weak)) {
    take(sign.length, { is: 'sign', signs: [sign.of] });
    const falls = /^(?:has |have )?(?:stops?|stopped|ends?|ended)$/.test(words[s.i]?.word ?? '');
    if (beepsAs && !falls && sign.of.kind === 'beeper') put(s.i - 1, 1, { is: 'light', light: 'lit' });
    return true;
  }
  if (beepsAs) {
    const beeper = called.signs.find((s) => s.of.kind === 'beeper');
    if (beeper) {
      take(1, { is: 'sign', signs: [beeper.of] });
      return true;
    }
  }
  const lastSign = items.at(-1);
  const isHeard =
    lastSign?.is === 'sign' &&
    lastSign.signs.every((s) => s.kind !== 'lamp' && s.kind !== 'segments' && s.kind !== 'text');
  if (isHeard && /^(?:(?:to |has |have |is )*(?:stops?|stopped|quiet|silent|ends?|ended))\b/.test(here)) {
    take(/^(?:to|has|have|is) /.test(here) ? 2 : 1, { is: 'light', light: 'dark' });
    return true;
  }
  // `until L3 stops flashing`; `stops flashing and stays on` is told by what it comes to
  const quits =
    /^(?:(?:has |have )?(?:stops?|stopped|quits?|ceases?)|(?:is |has |have )?(?:finish|finished|finishes|done|through|ready)(?: with)?) (?:flashing|blinking|flickering|winking|pulsing)(?= |$)/.exec(
      here,
    );
  if (quits && lastSign?.is === 'sign' && !isHeard) {
    const goesOn =
      /^.*? (?:and|,) (?:then )?(?:it (?:just |now |only |simply )*)?(?:stays|on\b|goes|is|remains|burns|comes|lights)\b/.test(
        here,
      );
    take(quits[0].split(' ').length, goesOn ? null : { is: 'light', light: 'dark' });
    return true;
  }
  if (
    isHeard &&
    /^(?:clicks?|clacks?|clunks?|heard|audible|runs?|running|starts?|turns?|spins?|whirs?|hums?)\b/.test(w.word)
  ) {
    take(1, { is: 'light', light: 'lit' });
    return true;
  }
  // `till the red light's gone`
  const isLamp = lastSign?.is === 'sign' && lastSign.signs.every((x) => x.kind === 'lamp');
  if (isLamp && w.word === 'gone' && isOver(words[i + 1])) {
    take(1, { is: 'light', light: 'dark' });
    return true;
  }
  // `then the beeper goes`
  if (isHeard && /^(?:goes|went)$/.test(w.word) && isOver(words[i + 1])) {
    take(1, { is: 'light', light: 'lit' });
    return true;
  }
  if (asLight && lit?.m) {
    const length = lit.m[0].trim().split(' ').length;
    const colour = coloured(words, i, length);
    take(length + (colour?.behind ?? 0), { is: 'light', light: lit.light, ...(colour && { colour: colour.colour }) });
    return true;
  }
  return false;
}

/** Whether no more is said of it. */
const isOver = (next: Word | undefined): boolean =>
  next === undefined ||
  /^[.,;:!?\n)–—…]$/.test(next.raw) ||
  /^(?:and|then|that|there|again|now|once|twice|keep|don.t|you)$/.test(next.word);

/** Whether another key is named behind it that is pressed or held with it. */
const isHeldWith = ({ words, i, called }: Scan): boolean => {
  const key = mentionAt(words, i + 2, called.controls);
  return (
    key?.of.mechanism.kind === 'push' &&
    /^(?:together|both|at|held|pressed|hold|down)$/.test(words[i + 2 + key.length]?.word ?? '')
  );
};

const isKeyItem = (item: Item): boolean => item.is === 'control' && item.own.mechanism.kind === 'push';
/** Whether nothing but keys was named, more than one, and none of them is held. */
const areKeysAlone = ({ items, words, i }: Scan): boolean =>
  items.length > 1 &&
  items.every((x) => isKeyItem(x) || isOf('within', 'length', 'it')(x)) &&
  words[i - 2]?.word !== 'and';

/** Whether the word just before is a key. */
const standsBehindKey = ({ items, words, i }: Scan): boolean => {
  const before = items.at(-1);
  return before?.is === 'control' && before.own.mechanism.kind === 'push' && before.to === words[i - 1]?.to;
};

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
