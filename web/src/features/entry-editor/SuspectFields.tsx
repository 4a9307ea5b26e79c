import ArrowDownwardIcon from '@mui/icons-material/ArrowDownward';
import ArrowUpwardIcon from '@mui/icons-material/ArrowUpward';
import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import { entriesOf, type Suspect } from '@wire-trail/core';
import type { KeyboardEvent } from 'react';
import type { FieldProps } from './field-props.ts';
import { Choice, NumberField, Text } from './inputs.tsx';

/** Suspects in the order to think of them, each with its reason. Alt and an arrow moves one; every move can be undone. */
export function SuspectFields({ body, bodies, edit, wrong }: FieldProps) {
  const parts = entriesOf(bodies, 'family').find((f) => f.id === body.family)?.parts ?? [];
  const list = body.suspects;
  const total = list.reduce((sum, s) => sum + s.weight, 0);
  const put = (i: number, change: Partial<Suspect>, about: string) => {
    const before = list[i];
    if (before)
      edit({ suspects: list.with(i, { ...before, ...change }) }, about === '' ? '' : `suspects.${i}.${about}`);
  };
  const move = (i: number, by: -1 | 1) => {
    const [one, other] = [list[i], list[i + by]];
    if (one && other) edit({ suspects: list.with(i, other).with(i + by, one) }, '');
  };
  const onKey = (i: number) => (event: KeyboardEvent) => {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    move(i, event.key === 'ArrowUp' ? -1 : 1);
  };
  return (
    <section className="sheet stack">
      <div className="row spread">
        <h2>Suspects</h2>
        <span className="small soft">
          <kbd>Alt ↑</kbd> <kbd>Alt ↓</kbd> move
        </span>
      </div>
      <ol className="plain stack">
        {list.map((suspect, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the place in the order is what a row is
          <li key={i} className="ends" onKeyDown={onKey(i)}>
            <div>
              <strong className="mono">{i + 1}</strong>{' '}
              <span className="small soft">{total > 0 ? `${Math.round((suspect.weight / total) * 100)} %` : ''}</span>
            </div>
            <div className="three">
              <Text
                label="Suspect"
                value={suspect.label}
                wrong={wrong(`suspects.${i}.label`)}
                onChange={(label) => put(i, { label }, 'label')}
              />
              <Choice
                label="Part"
                value={suspect.part ?? ''}
                options={[['', 'no part'], ...parts.map((p) => [p.id, p.name] as const)]}
                onChange={(id) => put(i, { part: parts.find((p) => p.id === id)?.id }, '')}
              />
              <NumberField
                label="Weight against the others"
                value={suspect.weight}
                least={0.001}
                onChange={(weight) => put(i, { weight: weight ?? 1 }, 'weight')}
              />
              <div className="wide">
                <Text
                  label="Why"
                  long
                  value={suspect.reason}
                  wrong={wrong(`suspects.${i}.reason`)}
                  onChange={(reason) => put(i, { reason }, 'reason')}
                />
              </div>
            </div>
            <div className="stack">
              <Button aria-label={`move ${suspect.label} up`} disabled={i === 0} onClick={() => move(i, -1)}>
                <ArrowUpwardIcon fontSize="small" />
              </Button>
              <Button
                aria-label={`move ${suspect.label} down`}
                disabled={i === list.length - 1}
                onClick={() => move(i, 1)}
              >
                <ArrowDownwardIcon fontSize="small" />
              </Button>
              <Button
                aria-label={`remove ${suspect.label}`}
                onClick={() => edit({ suspects: list.toSpliced(i, 1) }, '')}
              >
                <CloseIcon fontSize="small" />
              </Button>
            </div>
          </li>
        ))}
      </ol>
      <Button onClick={() => edit({ suspects: [...list, { label: 'New suspect', reason: '', weight: 1 }] }, '')}>
        Add a suspect
      </Button>
    </section>
  );
}
