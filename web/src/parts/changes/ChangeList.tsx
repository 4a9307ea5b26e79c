import { type Change, type Path, placeWords, valueWords } from '@wire-trail/core';
import './change-list.css';

/** The field a change is of; an element of a list is of the list. */
export const fieldOf = (at: Path): string => String(at.findLast((p) => typeof p === 'string') ?? '');

/** Changes place by place: what stood there, and what stands there now. */
export function ChangeList({ changes }: { changes: readonly Change[] }) {
  if (changes.length === 0) return <p className="soft">Nothing differs.</p>;
  return (
    <ul className="plain stack lined change-list">
      {changes.map((change) => (
        <li key={`${change.kind}${change.at.join('.')}${change.kind === 'moved' ? `${change.from} ${change.to}` : ''}`}>
          <span className="soft small">{placeWords(change.at)}</span>
          {change.kind === 'moved' ? (
            <span>
              <strong>{valueWords(change.what, fieldOf(change.at))}</strong> moved from place {change.from + 1} to{' '}
              {change.to + 1}
            </span>
          ) : (
            <>
              {change.kind !== 'added' && <del>{valueWords(change.from, fieldOf(change.at))}</del>}
              {change.kind !== 'removed' && <ins>{valueWords(change.to, fieldOf(change.at))}</ins>}
            </>
          )}
        </li>
      ))}
    </ul>
  );
}
