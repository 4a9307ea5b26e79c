import Button from '@mui/material/Button';
import {
  choicesOf,
  endWords,
  entriesOf,
  entryOf,
  fillChart,
  type Given,
  minutesAhead,
  partNamesOf,
  variantCases,
  walkChart,
} from '@wire-trail/core';
import { useState } from 'react';
import { Select } from '../../../parts/field/Select.tsx';
import type { ChartAt } from './chart-at.ts';

/** The chart walked at the desk: every answer by a click, what goes by itself goes by itself. */
export function TryPane({ body, bodies }: ChartAt) {
  const [given, setGiven] = useState<readonly Given[]>([]);
  const [variant, setVariant] = useState('');
  const [user, setUser] = useState('');
  const family = entriesOf(bodies, 'family')[0];
  const users = [...entriesOf(bodies, 'code'), ...entriesOf(bodies, 'symptom')].filter((c) => c.chart === body.id);
  const subject = users.find((u) => u.id === user) ?? users[0];
  const partNames = family ? partNamesOf(family) : new Map();
  const chart = subject ? fillChart(body, subject.chartUse, partNames) : body;
  const walk = walkChart(chart, given, {
    code: subject?.kind === 'code' ? subject.text : null,
    ...(variant ? { variants: [variant] } : {}),
    cases: family
      ? variantCases(
          family,
          family.variants.flatMap((v) => (variant === '' || v.id === variant ? [v.id] : [])),
        )
      : [],
    partNames,
    charts: (id) => entryOf(bodies, 'chart', id),
  });
  const { at } = walk;
  const ahead = minutesAhead(walk.chart, at.id);
  return (
    <div className="split">
      <section className="sheet stack">
        {users.length > 1 && (
          <label className="field">
            For
            <Select native fullWidth value={subject?.id ?? ''} onChange={(e) => setUser(e.target.value)}>
              {users.map((u) => (
                <option key={u.id} value={u.id}>
                  {u.kind === 'code' ? `${u.text} ` : ''}
                  {u.title}
                </option>
              ))}
            </Select>
          </label>
        )}
        {family && family.variants.length > 1 && (
          <label className="field">
            Variant
            <Select native fullWidth value={variant} onChange={(e) => setVariant(e.target.value)}>
              <option value="">not known</option>
              {family.variants.map((v) => (
                <option key={v.id} value={v.id}>
                  {v.name}
                </option>
              ))}
            </Select>
          </label>
        )}
        <p className="soft small">
          {walk.minutes} min so far{walk.ended ? '' : ` · ${ahead.least} to ${ahead.most} min ahead`}
        </p>
        <ol className="small">
          {walk.path.map((s, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: an answer is known by its place
            <li key={i}>
              {s.node.title} <strong>{s.answer}</strong>
              {s.byItself && <span className="soft"> by itself</span>}
            </li>
          ))}
        </ol>
      </section>
      <section className="sheet stack">
        <p className="soft">{at.kind}</p>
        <h2>{at.title}</h2>
        {at.text && <p>{at.text}</p>}
        <div className="row">
          {!walk.ended &&
            choicesOf(at, walk.chart).map((c) => (
              <Button
                key={c.answer}
                size="glove"
                onClick={() => setGiven([...given, { chart: walk.chart.id, node: at.id, answer: c.answer }])}
              >
                {c.answer}
              </Button>
            ))}
        </div>
        {walk.end && walk.end.kind !== 'verdict' && <p className="wrong">{endWords[walk.end.kind]}</p>}
        <div className="row">
          <Button disabled={given.length === 0} onClick={() => setGiven(given.slice(0, -1))}>
            One answer back
          </Button>
          <Button disabled={given.length === 0} onClick={() => setGiven([])}>
            From the beginning
          </Button>
        </div>
      </section>
    </div>
  );
}
