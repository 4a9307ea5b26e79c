import type { SignId } from '../../base/ids.ts';
import type { Shown } from '../../model/shown.ts';
import type { Item } from './item.ts';
import { itemsOf } from './items.ts';
import { isAct, isOf, type Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';
import { see, shownIn } from './shown.ts';
import { named } from './talk.ts';
import { readActs } from './windows.ts';

/** Puts what was told for a condition into the branch it belongs to, once that is over. */
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

const isTaken =
  /^(?:and |then )?(?:it|that|it's|that's|you|you're|we're)(?: has| is|'s|'ve| have| are|'re)? ?(?:taken|accepted|got|in\b|right|good|worked|through|done it|ok|it)(?: it| that)?$|^all is (?:well|good|right|fine)$/;

export function readIf(r: Reader, segment: Segment, items: readonly Item[]): void {
  // `if you want to clear them`: what it is for
  const text = saidOf(segment);
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
  // `if the sequence was successful, the lamp …`: as well
  const done =
    /^(?:and )?if the (?:sequence|procedure|entry|combination|attempt|code|steps?)(?: (?:was|is|were|has been))+ (?:successful|correct|correctly|accepted|right|done right|entered correctly|followed|successfully)\b/.exec(
      text,
    );
  if (done) {
    r.skipping = null;
    return;
  }
  // `if you did it right, the lamp …`: what shows then is what is meant to
  const well =
    /^(?:and )?if (?:you|it|that|all|everything|she|he|they|we)(?:'s|'ve)?(?: (?:is|did|do|make|made|makes|have|has|was|were|went|goes|got|done|all|it|that|this|them|everything|been))* (?:right|good|fine|proper|properly|correct|correctly|well|happy|pleased|content|satisfied|worked|works|ok|okay|taken|took|quick enough|fast enough|in time|write)\b/.exec(
      text,
    );
  if (well) {
    const behind = segment.words.slice(well[0].split(' ').length);
    if (behind.length > 1) readActs(r, { ...segment, words: behind }, itemsOf(behind, r.called, r.last));
    return;
  }
  // `if the ready lamp blinks, it's taken it`: what shows then is what is meant to
  const next = r.ahead[0] ? saidOf(r.ahead[0]) : '';
  const shows = shownIn(r, items.slice(1));
  if (shows.length > 0 && isTaken.test(next) && !items.some(isOf('not', 'control'))) {
    see(r, shows, { from: items[0]?.from ?? 0, to: items.at(-1)?.to ?? 0 });
    return;
  }
  // `if you tap left you get the one before`
  const tapped = items.find(isOf('control'));
  const leads =
    /\b(?:you(?:'ll| will|ll)? (?:get|see|can see|have|come to)|you(?:'re| are|re) (?:now )?(?:in|into|there)|it (?:shows|goes|gives|brings)|the one before|the older|the next|what it had)\b/.test(
      `${text} ${r.ahead
        .slice(0, 1)
        .map((s) => saidOf(s))
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
  // `if there is another code, pressing Menu shows it`: what that is for
  if (
    /^(?:and |so )?if there (?:is|are|was|were)? ?(?:another|more|others?|any more|a second)\b/.test(
      text.replace("there's", 'there is'),
    )
  ) {
    // `if there's more than one you get at the older ones with Feed`
    const key = items.find(isOf('control'));
    if (key && key.own.mechanism.kind === 'push' && /\b(?:older|other|others|next|rest|before)\b/.test(text)) {
      r.put({ kind: 'press', control: key.own.control.id, times: 1 }, key);
      r.last = [key.own];
    }
    return;
  }
  // `if you have gone past it, Jog goes back`
  if (
    /^(?:and |so )?if (?:you|i|we)(?:'ve| have) (?:gone|went|missed|passed|skipped|seen|got)\b/.test(text) &&
    !named(items.slice(1))
  )
    return;
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
  const ahead = r.ahead.map((s) => saidOf(s));
  const again = ahead.findIndex((x) =>
    /(?:^|\b(?:and|go|do it|all|start|begin|try|we go|you go) )again$|\b(?:start|begin) over$|\bfrom the (?:start|beginning|top)$|\bback to square one$/.test(
      x,
    ),
  );
  // `open the isolator and repeat the procedure`
  const isRepeated = ahead.findIndex((x) =>
    /\brepeat (?:it|that|this|everything|from|the (?:whole |entire )?(?:procedure|process|steps?|sequence|thing|entry))\b|\b(?:start|begin|try) (?:it |all |everything )?(?:again|over|anew) (?:from|at|with)\b/.test(
      x,
    ),
  );
  const upTo = Math.max(again, isRepeated);
  const isAnew =
    isRepeated >= 0 ||
    (again >= 0 && /\b(?:too (?:slow|late|fast|early))\b/.test(`${text} ${ahead.slice(0, 1).join(' ')}`));
  // `you were too slow and you begin again from`: told in one breath
  const isAtOnce = /\btoo (?:slow|late|fast|early)\b.*\b(?:start|begin|try|go) (?:it |all )?(?:again|over|anew)\b/.test(
    text,
  );
  if (isAtOnce && first) {
    r.holes.push({ from: first.from, to: segment.words.at(-1)?.to ?? first.to, why: 'warned' });
    r.skipping = segment.sentence;
    return;
  }
  if (isAnew && first && !/\b(?:press|push|hold|tap|hit)\b/.test(ahead.slice(0, upTo + 1).join(' '))) {
    r.holes.push({ from: first.from, to: segment.words.at(-1)?.to ?? first.to, why: 'warned' });
    r.skipping = segment.sentence;
    return;
  }
  // `if the red one goes out first, then the charger is still plugged in`: what is wrong then, not what is done
  const isWhy =
    /^(?:then )?(?:the|your|somebody|someone|it) .*\b(?:is|are|has|was) (?:still|probably|likely)\b|^(?:then )?(?:the|your) .*'s still\b/.test(
      ahead[0] ?? '',
    ) ||
    // `instead, the clutch is free`: how it stands
    (/\binstead\b/.test(text) && /^(?:then )?(?:the|your) [\w ]+ (?:is|are|was) \w+$/.test(ahead[0] ?? ''));
  if (isWhy && first) {
    r.holes.push({ from: first.from, to: segment.words.at(-1)?.to ?? first.to, why: 'warned' });
    r.skipping = segment.sentence;
    return;
  }
  // `if the red lamp is blinking you're in`
  const arrived =
    /\b(?:you(?:'re| are|re) (?:now )?in(?! luck| trouble| for| the wrong)|that's it|it worked|it has taken|it took)\b/.test(
      `${text} ${ahead.slice(0, 1).join(' ')}`,
    );
  if (only && shown.length === 1 && first && arrived && !items.some(isOf('not', 'control', 'until'))) {
    see(r, shown, { from: first.from, to: segment.words.at(-1)?.to ?? first.to });
    return;
  }
  if (only && shown.length === 1 && first && !items.some(isOf('not'))) {
    closeBranch(r);
    r.branch = { on: only, from: first.from, at: r.made.length, otherwise: null, sentence: segment.sentence };
    return;
  }
  const after = r.ahead.map((s) => saidOf(s)).join(' ');
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
