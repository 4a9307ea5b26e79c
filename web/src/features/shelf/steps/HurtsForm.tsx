import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { type Code, type Entry, entriesOf, type Symptom } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { api } from '../../../foundation/api.ts';
import { Field } from '../../../parts/field/Field.tsx';
import type { Shelved } from '../tab-props.ts';
import { useKeep } from './use-keep.tsx';

type Props = Readonly<{ family: string; entries: readonly Shelved[] }>;
const nameOf = (e: Code | Symptom): string => (e.kind === 'code' ? `${e.text} ${e.title}` : e.title);

/** What can hurt, said once for all codes it is so for; or why nothing can. */
export function HurtsForm({ family, entries }: Props) {
  const bodies = useMemo(() => ({ entries: entries.map((e) => e.body) }), [entries]);
  const { data: library } = api.useLibraryQuery();
  const hazards = entriesOf({ entries: (library ?? []).map((w) => w.body) }, 'hazard');
  const silent = [...entriesOf(bodies, 'code'), ...entriesOf(bodies, 'symptom')].filter(
    (c) => c.hazards.length === 0 && !c.harmless,
  );
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [why, setWhy] = useState('');
  const { keep, isKeeping, said } = useKeep(family, entries);
  const own = silent.filter((c) => !left.has(c.id));
  const toggle = (set: ReadonlySet<string>, id: string): ReadonlySet<string> =>
    set.has(id) ? new Set([...set].filter((x) => x !== id)) : new Set([...set, id]);
  const say = async () => {
    const caution = own.map(
      (c): Entry =>
        picked.size > 0
          ? { ...c, hazards: hazards.map((h) => h.id).filter((id) => picked.has(id)) }
          : { ...c, harmless: why.trim() },
    );
    if (await keep(caution, 'what can hurt')) {
      setLeft(new Set());
      setPicked(new Set());
      setWhy('');
    }
  };
  if (silent.length === 0) return null;
  return (
    <section className="sheet stack" aria-label="said once for all of them">
      <h2>Said once for all of them</h2>
      <fieldset className="plain-set">
        <legend className="small">For</legend>
        <div className="state-choices">
          {silent.slice(0, 60).map((c) => (
            <FormControlLabel
              key={`${c.kind} ${c.id}`}
              control={<Checkbox checked={!left.has(c.id)} onChange={() => setLeft(toggle(left, c.id))} />}
              label={nameOf(c)}
            />
          ))}
        </div>
        {silent.length > 60 && <p className="soft small">and {silent.length - 60} more</p>}
      </fieldset>
      <fieldset className="plain-set">
        <legend className="small">What can hurt there</legend>
        <div className="state-choices">
          {hazards.map((h) => (
            <FormControlLabel
              key={h.id}
              control={<Checkbox checked={picked.has(h.id)} onChange={() => setPicked(toggle(picked, h.id))} />}
              label={h.title}
            />
          ))}
        </div>
      </fieldset>
      {picked.size === 0 && (
        <Field label="Or: nothing can, because" value={why} maxLength={300} onChange={(e) => setWhy(e.target.value)} />
      )}
      {said}
      <div className="row">
        <Button
          variant="contained"
          color="primary"
          disabled={isKeeping || own.length === 0 || (picked.size === 0 && why.trim() === '')}
          onClick={() => void say()}
        >
          Say it for {own.length === 1 ? '1 code' : `${own.length} codes`}
        </Button>
      </div>
    </section>
  );
}
