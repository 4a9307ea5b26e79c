import type { SignId } from '../../base/ids.ts';
import type { Item } from './item.ts';
import { itemsOf } from './items.ts';
import { isOf, type Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { quicken, see, shownIn } from './shown.ts';
import { shownTextAt } from './shown-text.ts';
import { named } from './talk.ts';
import { closeWindow } from './windows.ts';

/** `and if it says LOCK?`: what is answered is done only then; not `what if I want to clear them?`. */
const asksCondition = (segment: Segment): boolean =>
  /^(?:and |but |so |ok |what )*(?:if|in case) (?!.*\b(?:want|wanna|like|need|have to)\b)(?:nothing\b|none\b|no \w+|(?:it|the|that|they|one)\b.*(?:n't|nt| not| never| says| shows| reads| stays| keeps)\b)/.test(
    saidOf(segment),
  );
/** Whether what is told now answers such a question, and is not what one has been waiting for: `good, then let go`. */
export const answersCondition = (r: Reader, segments: readonly Segment[]): boolean =>
  r.askedIf >= 0 &&
  r.askedIf === (segments[0]?.sentence ?? 0) - 1 &&
  !/^(?:that's|thats|that is|good|great|right|exactly|perfect|fine|yes|yep|let go|release)\b/.test(
    saidOf(segments[0] ?? { words: [] }),
  );
/** What is done only if something else shows is kept as it was told; gives what comes behind it. */
export function keepsUntold(r: Reader, segments: readonly Segment[]): readonly Segment[] {
  const [first] = segments;
  const goesOn = (sentence: number): boolean =>
    segments.some(
      (s) => s.sentence === sentence && /\b(?:again|over|from the (?:start|beginning|top))$/.test(saidOf(s)),
    );
  let last = first?.sentence ?? r.sentence;
  while (goesOn(last + 1)) last += 1;
  const spared = segments.filter((s) => s.sentence <= last);
  for (const { words } of spared) {
    const [a] = words;
    const z = words.at(-1);
    if (a && z && named(itemsOf(words, r.called, r.last))) r.holes.push({ from: a.from, to: z.to, why: 'warned' });
  }
  r.sentence = last;
  return segments.slice(spared.length);
}

/** What somebody says who is told: of that no act is made, but what shows or sounds is seen. */
export function hear(r: Reader, segment: Segment): void {
  const [first] = segment.words;
  const end = segment.words.at(-1);
  // what is asked is answered next: by what is done, whatever was read before
  if (segment.isQuestion || /^(?:and |so |ok |but )*(?:how|what if|what about)\b/.test(saidOf(segment)))
    r.reading = false;
  if (/\btoo (?:slow|late|early|fast|far)\b|\bmissed it\b|\bwent past\b/.test(saidOf(segment)))
    r.wrongIn = segment.sentence;
  // `P07 then P22 then END`: what is read
  if (/\b[a-z]{0,2}\d{1,3} (?:then|and) /.test(saidOf(segment)) && r.made.at(-1)?.step.kind !== 'release')
    r.heardCodes = segment.sentence;
  if (asksCondition(segment) && (segment.isQuestion || segment.words.length <= 8)) r.askedIf = segment.sentence;
  if (segment.sentence !== r.sentence) {
    closeWindow(r, segment.sentence);
    r.sentence = segment.sentence;
    r.pending = [];
  }
  if (
    !first ||
    !end ||
    segment.isQuestion ||
    /^(?:so|because|i think|should)\b/.test(saidOf(segment)) ||
    // `ok off`: done as told, whatever lamp is called OK
    /^(?:ok|okay|yes|yep|right|done) (?:it )?(?:off|on|in|out|open|shut|closed|down|up)$/.test(saidOf(segment)) ||
    segment.words.length > 12 ||
    r.heardCodes === segment.sentence ||
    // `too slow, it says TIMEOUT`: what shows when it went wrong
    r.wrongIn === segment.sentence ||
    // `nothing, B3 stays on`: what did not come
    /^nothing\b/.test(`${r.saidBefore} ${saidOf(segment)}`.trim()) ||
    r.made.length === 0
  )
    return;
  const items = itemsOf(segment.words, r.called, []);
  const before = r.made.at(-1);
  // `one, two, three, four`: counted along with what is heard
  const counted = items.at(-1);
  if (
    counted?.is === 'number' &&
    items.length === 1 &&
    segment.words.length <= 2 &&
    r.lastSign?.kind === 'sound' &&
    r.held.length > 0
  ) {
    if (counted.n <= 12 && (counted.n === 1 || counted.n === (r.nth?.n ?? 0) + 1)) {
      r.nth = { n: counted.n, sentence: segment.sentence };
      return;
    }
  }
  const [sign] = before?.step.kind === 'see' ? before.step.signs : [];
  // `how many times?` – `twice`
  const [times] = items;
  // `how often?` – `3`
  if (
    before?.step.kind === 'see' &&
    times?.is === 'number' &&
    items.length === 1 &&
    segment.words.length <= 2 &&
    times.n <= 12 &&
    sign?.kind === 'sound' &&
    r.askedHow >= segment.sentence - 2
  ) {
    r.made[r.made.length - 1] = {
      ...before,
      step: { ...before.step, signs: [{ ...sign, times: times.n }] },
      sentence: segment.sentence,
    };
    r.lastSign = { ...sign, times: times.n };
    return;
  }
  if (before?.step.kind === 'see' && times?.is === 'times' && items.length === 1 && sign?.kind === 'sound') {
    r.lastSign = { ...sign, times: times.n };
    r.made[r.made.length - 1] = { ...before, step: { ...before.step, signs: [{ ...sign, times: times.n }] } };
    return;
  }
  // `do you get a beep?` – `two`
  // what was asked long ago is answered
  if (segment.sentence > r.askedIn + 3) r.askedOf = [];
  const [asked] = r.askedOf;
  if (r.askedOf.length === 1 && asked?.kind === 'beeper' && times?.is === 'number' && items.length === 1) {
    see(r, [{ kind: 'sound', sign: asked.id as SignId, state: 'on', times: times.n }], {
      from: first.from,
      to: end.to,
    });
    r.askedOf = [];
    return;
  }
  if (segment.words.length <= 3 && items.every(isOf('light')) && quicken(r, segment)) return;
  // `MENU now`
  const read =
    segment.words.length <= 4 && /^(?:[A-Z0-9]{3,}|-{3,})$/.test(first.raw) ? shownTextAt(segment.words, 0) : null;
  if (read && !items.some(isOf('sign', 'light', 'text')) && /[A-Z]{2}|^-+$/.test(read.text)) {
    const shown = shownIn(r, [{ is: 'text', text: read.text, from: first.from, to: end.to }]);
    if (shown.length > 0) see(r, shown, { from: first.from, to: end.to });
    return;
  }
  if (
    !items.some(isOf('light', 'text', 'sign')) ||
    items.some(isOf('not', 'if', 'control', 'moment', 'until', 'let-go'))
  )
    return;
  // `what does the green lamp do?` – `it blinks`
  const [lamp] = r.askedOf;
  const isAnswer =
    r.askedOf.length === 1 && lamp !== undefined && !items.some(isOf('sign')) && items.some(isOf('light'));
  const whole: readonly Item[] = isAnswer
    ? [{ is: 'sign', signs: [lamp], from: first.from, to: first.from }, ...items]
    : items;
  const shown = shownIn(r, whole);
  // `it says A17` – `A17, that's …`: what is read, not how one gets there
  const [read1] = shown;
  if (
    read1?.kind === 'text' &&
    /^[a-z]{0,2}[- ]?\d{1,3}(?: [a-z ]+)?$/i.test(read1.text) &&
    /\d/.test(read1.text) &&
    r.whole.toUpperCase().split(read1.text.toUpperCase()).length > 2
  )
    return;
  // `dinged again`: the second time of what was heard before
  const [sound] = shown;
  if (
    shown.length === 1 &&
    sound?.kind === 'sound' &&
    r.lastSign?.kind === 'sound' &&
    r.lastSign.sign === sound.sign &&
    segment.words.some((w) => w.word === 'again') &&
    before?.step.kind === 'see'
  ) {
    const n = (r.lastSign.times ?? 1) + 1;
    r.lastSign = { ...sound, times: n };
    r.made[r.made.length - 1] = {
      ...before,
      step: { ...before.step, signs: [r.lastSign] },
      sentence: segment.sentence,
    };
    return;
  }
  if (shown.length > 0) see(r, shown, { from: first.from, to: end.to });
}
