import type { Change } from '@wire-trail/core';
import './change-list.css';

const placeWords = (at: Change['at']): string =>
  at.map((p) => (typeof p === 'number' ? `${p + 1}` : p.replace(/([A-Z])/g, ' $1').toLowerCase())).join(' › ');

/** A value as a person reads it: what it is called, else its text. */
const valueWords = (value: unknown): string => {
  if (value === null || value === undefined) return '—';
  if (typeof value === 'string') return value === '' ? '(empty)' : value;
  if (typeof value !== 'object') return String(value);
  if (Array.isArray(value)) return value.length === 0 ? '(none)' : value.map(valueWords).join(', ');
  const named = ['label', 'says', 'title', 'text', 'code', 'what']
    .map((k) => (value as Record<string, unknown>)[k])
    .find((v) => typeof v === 'string');
  return typeof named === 'string' ? named : JSON.stringify(value);
};

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
              <strong>{valueWords(change.what)}</strong> moved from place {change.from + 1} to {change.to + 1}
            </span>
          ) : (
            <>
              {change.kind !== 'added' && <del>{valueWords(change.from)}</del>}
              {change.kind !== 'removed' && <ins>{valueWords(change.to)}</ins>}
            </>
          )}
        </li>
      ))}
    </ul>
  );
}
