import { assertNever } from '../base/result.ts';
import { type BesideRow, type SideBySide, twinsApartRatio } from '../walk/side-by-side.ts';

/** What one of several is beside the others. */
export function besideWords(is: BesideRow['is']): string {
  switch (is) {
    case 'reference':
      return 'known to work';
    case 'alike':
      return 'as the others';
    case 'apart':
      return 'not as the others';
    case 'other-warmth':
      return 'read at another temperature: wait, then once more';
    case 'cannot-tell':
      return 'not told yet';
    default:
      return assertNever(is);
  }
}

/** What readings side by side come to, in a sentence. */
export function sideBySideWords(side: SideBySide): string {
  const reference = side.rows.find((r) => r.is === 'reference');
  const odd = reference && (reference.reading.verdict === 'low' || reference.reading.verdict === 'high');
  return odd
    ? `${comesTo(side)} The one that works is too ${reference.reading.verdict} for its good band itself: look at the band once more.`
    : comesTo(side);
}

function comesTo({ rows, against, wanted }: SideBySide): string {
  const name = (r: BesideRow): string => (r.isOwn ? 'this one' : r.one);
  const apart = rows.filter((r) => r.is === 'apart');
  if (wanted === 'another')
    return 'They differ, and of two nobody can tell which is the bad one. Read a third, or one that is known to work.';
  if (wanted === 'good-one') return 'No half of them agrees. Read one that is known to work.';
  const by = against === 'good-one' ? 'the one that works' : 'most of them';
  if (apart.length > 0)
    return `${apart.map(name).join(' and ')} ${apart.length === 1 ? 'is' : 'are'} more than ${twinsApartRatio * 100} % off ${by}.`.replace(
      /^t/,
      'T',
    );
  return rows.some((r) => r.is === 'other-warmth')
    ? 'They are not at one temperature: nothing is said before they are.'
    : `They agree to ${twinsApartRatio * 100} %. That says they are alike, not that they are good.`;
}
