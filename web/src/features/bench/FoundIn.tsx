import { type Answer, type Entry, severityWords } from '@wire-trail/core';

/** What is to fix in one entry, as the unit stands with its drafts. */
export function FoundIn({ body, findings }: { body: Entry; findings: Answer<'findings'> | undefined }) {
  if (!findings) return null;
  const own = findings.filter((f) => f.accepted === null && f.entry?.kind === body.kind && f.entry.id === body.id);
  if (own.length === 0) return <p className="small soft">Nothing to fix in it.</p>;
  return (
    <ul className="plain lined">
      {own.map((f) => (
        <li key={f.code + f.words} className={f.severity}>
          <span className="says">{severityWords[f.severity]}</span> {f.words}
        </li>
      ))}
    </ul>
  );
}
