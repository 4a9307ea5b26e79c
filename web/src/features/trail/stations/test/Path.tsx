import type { ChartWalk } from '@wire-trail/core';

/** What was answered so far; what went by itself is marked, and why a step was passed over is kept. */
export function Path({ walk }: { walk: ChartWalk }) {
  if (walk.path.length === 0) return <p className="soft">Nothing answered yet.</p>;
  return (
    <ol>
      {walk.path.map((s, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: an answer is known by its place in the path
        <li key={`${s.node.id}${i}`}>
          {s.node.title}{' '}
          <strong>
            {s.reading ? `${s.reading.typed}: ` : ''}
            {s.answer}
          </strong>
          {s.since && <span className="soft"> since “{s.since.title}”</span>}
          {s.byItself && <span className="soft"> worked out</span>}
          {s.skipped && <span className="soft"> passed over: {s.skipped}</span>}
        </li>
      ))}
    </ol>
  );
}
