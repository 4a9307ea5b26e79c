import { type Entry, type EntryKind, titleOf, type Working } from '@wire-trail/core';
import { useState } from 'react';
import { NavLink } from 'react-router';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { Input } from '../../parts/field/Input.tsx';

/** What stands in one list: codes and symptoms are read together, the others each by its kind. */
const together: Partial<Record<EntryKind, readonly EntryKind[]>> = {
  code: ['code', 'symptom'],
  symptom: ['code', 'symptom'],
};

/** From here on a list is long enough to be narrowed. */
const longList = 8;

type Props = Readonly<{ scope: string; kind: EntryKind; entries: readonly Working[] }>;

const order = (a: Entry, b: Entry): number =>
  a.kind === b.kind ? nameOf(a).localeCompare(nameOf(b), 'en', { numeric: true }) : a.kind < b.kind ? -1 : 1;
const nameOf = (entry: Entry): string => (entry.kind === 'code' ? entry.text : titleOf(entry));

/** The list an entry was opened from stays beside it: one goes from one to the next, and not back and forth. */
export function Siblings({ scope, kind, entries }: Props) {
  const [words, setWords] = useState('');
  const kinds = together[kind] ?? [kind];
  const all = entries.filter((w) => kinds.includes(w.kind) && (w.family ?? 'library') === scope);
  const typed = words.trim().toLowerCase();
  const shown = all
    .filter(({ body }) => typed === '' || `${nameOf(body)} ${titleOf(body)}`.toLowerCase().includes(typed))
    .toSorted((a, b) => order(a.body, b.body));
  return (
    <nav className="siblings sticks no-print" aria-label="in the same list">
      {kinds.map((k) => (
        <AddEntry key={k} scope={scope} kind={k} taken={all.filter((w) => w.kind === k).map((w) => w.id)} />
      ))}
      {all.length > longList && (
        <Input
          fullWidth
          placeholder="Filter"
          value={words}
          onChange={(e) => setWords(e.target.value)}
          slotProps={{ input: { 'aria-label': 'filter the list' } }}
        />
      )}
      <ul className="plain scrolls">
        {shown.map((w) => (
          <li key={`${w.kind}${w.id}`}>
            <NavLink
              to={`/shelf/${scope}/${w.kind}/${w.id}`}
              className={({ isActive }) => `line ${isActive ? 'now' : ''}`}
            >
              {w.body.kind === 'code' && <CodeGlyph text={w.body.text} />}
              <span className="grow small">{'title' in w.body ? w.body.title : titleOf(w.body)}</span>
              {w.state === 'draft' && <span className="tag">draft</span>}
            </NavLink>
          </li>
        ))}
      </ul>
    </nav>
  );
}
