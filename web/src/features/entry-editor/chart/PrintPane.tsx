import {
  chartPage,
  entriesOf,
  parametersOf,
  pocketCard,
  printMermaid,
  printOutline,
  type Sheet,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { SheetView } from '../../../parts/sheet/SheetView.tsx';
import { Empty } from '../../../parts/states/States.tsx';
import type { ChartAt } from './chart-at.ts';

const forms = ['page', 'card', 'outline', 'Mermaid'] as const;
type Form = (typeof forms)[number];
const names: Readonly<Record<Form, string>> = {
  page: 'Page',
  card: 'Card for the pocket',
  outline: 'Outline',
  Mermaid: 'Mermaid',
};

/** The chart on paper, and as text that other programs read. */
export function PrintPane({ body, bodies, bundle }: ChartAt) {
  const [form, setForm] = useState<Form>('page');
  const [user, setUser] = useState('');
  const users = [...entriesOf(bodies, 'code'), ...entriesOf(bodies, 'symptom')].filter((c) => c.chart === body.id);
  const subject = users.find((u) => u.id === user) ?? users[0];
  const family = entriesOf(bodies, 'family')[0];
  const sheet = useMemo<Sheet | null>(() => {
    if (!family) return null;
    const of = {
      bundle: { ...bundle, family: family.id },
      chart: body,
      parameters: parametersOf(family),
      subject,
    };
    const find = `${family.name} ${subject?.kind === 'code' ? subject.text : body.title}`;
    return form === 'card'
      ? pocketCard({ ...of, address: `${location.origin}/trail?find=${encodeURIComponent(find)}` })
      : chartPage(of);
  }, [family, bundle, body, subject, form]);
  const text = form === 'outline' ? printOutline(body) : form === 'Mermaid' ? printMermaid(body) : '';
  return (
    <div className="stack">
      <div className="row">
        {forms.map((f) => (
          <button
            key={f}
            type="button"
            className={`act ${f === form ? 'first' : ''}`}
            aria-pressed={f === form}
            onClick={() => setForm(f)}
          >
            {names[f]}
          </button>
        ))}
        {users.length > 1 && (form === 'page' || form === 'card') && (
          <select
            className="box"
            aria-label="for which code"
            value={subject?.id ?? ''}
            onChange={(e) => setUser(e.target.value)}
          >
            {users.map((u) => (
              <option key={u.id} value={u.id}>
                {u.kind === 'code' ? u.text : u.title}
              </option>
            ))}
          </select>
        )}
      </div>
      {form === 'page' || form === 'card' ? (
        sheet ? (
          <SheetView sheet={sheet} />
        ) : (
          <Empty title="A shared chart is printed where it is used">Open it from one of its codes.</Empty>
        )
      ) : (
        <TextOut text={text} name={`${body.id}.${form === 'Mermaid' ? 'mmd' : 'txt'}`} />
      )}
    </div>
  );
}

function TextOut({ text, name }: { text: string; name: string }) {
  return (
    <section className="sheet stack">
      <div className="row">
        <button type="button" className="act" onClick={() => void navigator.clipboard.writeText(text)}>
          Copy
        </button>
        <a className="act" download={name} href={`data:text/plain;charset=utf-8,${encodeURIComponent(text)}`}>
          Keep as {name}
        </a>
      </div>
      <textarea className="box mono" aria-label="text of the chart" rows={24} readOnly value={text} />
    </section>
  );
}
