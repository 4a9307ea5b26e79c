import { ordinalOf } from '../../spoken/numbers.ts';
import type { Item } from './item.ts';
import { isOf, type Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';

/**
 * Sounds that are counted along while something is held: `another beep`, `and a third one`, `second bip:`. What is let go of
 * next is let go of at that one. False where nothing is counted.
 */
export function countsSounds(r: Reader, segment: Segment, items: readonly Item[]): boolean {
  const said = saidOf(segment);
  const seen = r.made.at(-1);
  const [shown] = seen?.step.kind === 'see' && seen.step.signs.length === 1 ? seen.step.signs : [];
  const heard = shown?.kind === 'sound' ? shown : null;
  const isHeld = r.held.length > 0;
  const named = items.find(isOf('sign'))?.signs[0];
  const ordinal = items.find(isOf('nth'))?.n;
  const before = r.nth?.n ?? (r.lastSign?.kind === 'sound' ? r.lastSign.times : undefined) ?? 1;
  const count = (n: number): true => {
    r.nth = { n, sentence: r.sentence };
    // what was heard stands in this sentence from now on
    if (heard && seen) r.made[r.made.length - 1] = { ...seen, sentence: r.sentence };
    return true;
  };
  // `there's another beep`: once more than before
  if (
    /\b(?:another|one more)\b/.test(said) &&
    heard &&
    named?.id === heard.sign &&
    isHeld &&
    items.every(isOf('sign', 'act', 'it', 'light', 'number', 'nth'))
  )
    return count((r.nth?.n ?? heard.times ?? 1) + 1);
  // `second bip: lift the fingers`
  if (ordinal && named?.kind === 'beeper' && isHeld && items.every(isOf('nth', 'sign', 'light'))) {
    r.lastSign = { kind: 'sound', sign: named.id, state: 'on' };
    return count(ordinal);
  }
  // `one more comes`: the same once more
  if (
    isHeld &&
    r.lastSign?.kind === 'sound' &&
    /^(?:and |then )*(?:one more|another(?: one)?|a further one) (?:comes|follows|is coming|to come|will come|sounds)$/.test(
      said,
    )
  )
    return count(before + 1);
  // `and a third one`: of the same
  if (ordinal && heard && isHeld && items.every(isOf('nth', 'it', 'moment', 'number'))) return count(ordinal);
  // `it goes again`: the sound that was heard, once more
  if (
    shown?.kind !== 'lamp' &&
    /^(?:and )?(?:then )?it (?:goes|does it|does that|sounds|does) again$/.test(said) &&
    r.lastSign?.kind === 'sound'
  ) {
    r.nth = { n: before + 1, sentence: r.sentence };
    return true;
  }
  // `it beeps a second time and then you let go`
  const timeOf = /\b(?:a|the|for the) (second|third|fourth|fifth) time\b/.exec(said);
  const isSound = r.lastSign?.kind === 'sound' && items.some((x) => x.is === 'sign' || x.is === 'it');
  if (timeOf && isSound && isHeld && !items.some((x) => x.is === 'let-go' || x.is === 'control')) {
    r.nth = { n: ordinalOf(timeOf[1] ?? '') ?? 2, sentence: r.sentence };
    return true;
  }
  return false;
}
