import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { entriesOf, type Preset, presets, presetWords, type States, statesOf, withStates } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import type { Shelved } from '../tab-props.ts';
import { useKeep } from './use-keep.tsx';

type Props = Readonly<{ family: string; entries: readonly Shelved[] }>;

const minutes = (ms: number | null): string => (ms === null ? '' : String(ms / 60_000));
/** A number somebody typed, with a point or a comma; null where there is none. */
const typed = (text: string): number | null => {
  const n = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(n) || n <= 0 ? null : n;
};

/** Which states a unit can be in, and the few things about them nobody can know but who writes it. */
export function StatesForm({ family, entries }: Props) {
  const bodies = useMemo(() => ({ entries: entries.map((e) => e.body) }), [entries]);
  const known = useMemo(() => statesOf(bodies), [bodies]);
  const [picked, setPicked] = useState<readonly Preset[] | null>(null);
  const [idle, setIdle] = useState(() => minutes(known.idleMs));
  const [holds, setHolds] = useState(() => String(known.holds));
  const [check, setCheck] = useState(() => String(known.checkMs / 1000));
  const { keep, isKeeping, said } = useKeep(family, entries);
  const on = picked ?? known.on;
  const wanted: States = {
    on,
    idleMs: typed(idle) === null ? null : (typed(idle) ?? 0) * 60_000,
    holds: Math.min(100, Math.max(1, Math.round(typed(holds) ?? known.holds))),
    checkMs: (typed(check) ?? 3) * 1000,
  };
  const drafts = withStates(bodies, wanted);
  const made = entriesOf(bodies, 'mode').length;
  const routes = new Map(entriesOf(bodies, 'route').map((r) => [r.id as string, r.name]));
  const led = drafts.flatMap((d) => (d.kind === 'route' ? [routes.get(d.id) ?? d.id] : []));
  return (
    <section className="sheet stack" aria-label="states">
      <h2>What it can be in</h2>
      <div className="state-choices">
        {presets.map((p) => (
          <FormControlLabel
            key={p}
            control={
              <Checkbox
                checked={on.includes(p)}
                onChange={(e) => setPicked(e.target.checked ? [...on, p] : on.filter((x) => x !== p))}
              />
            }
            label={
              <>
                {presetWords[p].name} <span className="soft small">{presetWords[p].says}</span>
              </>
            }
          />
        ))}
      </div>
      <div className="sentence">
        <label>
          Leaves by itself after{' '}
          <Input
            slotProps={{ input: { size: 3 } }}
            value={idle}
            placeholder="never"
            onChange={(e) => setIdle(e.target.value)}
          />{' '}
          min
        </label>
        {on.includes('stored') && (
          <label>
            Keeps <Input slotProps={{ input: { size: 3 } }} value={holds} onChange={(e) => setHolds(e.target.value)} />{' '}
            codes
          </label>
        )}
        {on.includes('check') && (
          <label>
            Checks itself for{' '}
            <Input slotProps={{ input: { size: 3 } }} value={check} onChange={(e) => setCheck(e.target.value)} /> s
          </label>
        )}
      </div>
      {led.length > 0 && (
        <p className="soft small" role="status">
          Then it is known where these lead: {led.join(', ')}.
        </p>
      )}
      {said}
      <div className="row">
        <Button
          variant={made === 0 ? 'contained' : 'outlined'}
          color="primary"
          disabled={drafts.length === 0 || isKeeping}
          onClick={() => void keep(drafts, 'its states').then((ok) => ok && setPicked(null))}
        >
          Keep these states
        </Button>
        {drafts.length === 0 && made > 0 && (
          <span className="soft small" role="status">
            kept
          </span>
        )}
      </div>
    </section>
  );
}
