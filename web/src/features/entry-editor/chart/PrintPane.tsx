import Button from '@mui/material/Button';
import { chartPage, entriesOf, pocketCard, printMermaid, printOutline, type Sheet } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';
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
          <Button
            key={f}
            variant={f === form ? 'contained' : 'outlined'}
            color={f === form ? 'primary' : 'inherit'}
            aria-pressed={f === form}
            onClick={() => setForm(f)}
          >
            {names[f]}
          </Button>
        ))}
        {users.length > 1 && (form === 'page' || form === 'card') && (
          <Select
            native
            fullWidth
            value={subject?.id ?? ''}
            onChange={(e) => setUser(e.target.value)}
            inputProps={{ 'aria-label': 'for which code' }}
          >
            {users.map((u) => (
              <option key={u.id} value={u.id}>
                {u.kind === 'code' ? u.text : u.title}
              </option>
            ))}
          </Select>
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
        <Button onClick={() => void navigator.clipboard.writeText(text)}>Copy</Button>
        <Button download={name} href={`data:text/plain;charset=utf-8,${encodeURIComponent(text)}`}>
          Keep as {name}
        </Button>
      </div>
      <Input
        multiline
        fullWidth
        className="mono"
        rows={24}
        readOnly
        value={text}
        slotProps={{ input: { 'aria-label': 'text of the chart' } }}
      />
    </section>
  );
}
