import Button from '@mui/material/Button';
import { type Bundle, eachStep, entriesOf, type ModeId, type Step } from '@wire-trail/core';
import { useState } from 'react';
import { Select } from '../field/Select.tsx';

type Choice = Readonly<{ on: string; words: string }>;

const choicesIn = (steps: readonly Step[]): Choice[] =>
  eachStep(steps, []).flatMap(({ step }) =>
    step.kind === 'choose'
      ? [...step.path, ...(step.confirm ? [step.confirm] : []), ...(step.value ? [step.value] : [])].map((words) => ({
          on: step.on,
          words,
        }))
      : [],
  );

/** The screens things are chosen on: the unit's own, and a simulated service instrument of every kind the school has. */
export function MenuBox({
  bundle,
  mode,
  onChoose,
}: {
  bundle: Bundle;
  mode: readonly ModeId[];
  onChoose: (on: string, words: string) => void;
}) {
  const routes = entriesOf(bundle, 'route');
  const all = routes.flatMap((r) =>
    choicesIn(r.steps).map((c) => ({ ...c, here: r.from === 'any' || r.from.some((m) => mode.includes(m)) })),
  );
  const screens = [...new Set(all.map((c) => c.on))];
  const [screen, setScreen] = useState(screens[0] ?? '');
  const [last, setLast] = useState<string | null>(null);
  if (screens.length === 0) return null;
  const nameOf = (id: string): string =>
    id === 'unit' ? 'the unit’s own screen' : (entriesOf(bundle, 'instrument').find((i) => i.id === id)?.name ?? id);
  const entries = [...new Set(all.filter((c) => c.on === screen).map((c) => c.words))];
  return (
    <div className="sheet menu-box">
      <div className="row spread">
        <h3>On a screen</h3>
        {screens.length > 1 && (
          <Select
            native
            fullWidth
            style={{ width: 'auto' }}
            value={screen}
            onChange={(e) => setScreen(e.target.value)}
            inputProps={{ 'aria-label': 'screen' }}
          >
            {screens.map((s) => (
              <option key={s} value={s}>
                {nameOf(s)}
              </option>
            ))}
          </Select>
        )}
      </div>
      <p className="small soft">
        {nameOf(screen)}
        {screen !== 'unit' && ', simulated'}
        {last && ` · chosen: ${last}`}
      </p>
      <div className="row">
        {entries.map((words) => (
          <Button
            key={words}
            onClick={() => {
              setLast(words);
              onChoose(screen, words);
            }}
          >
            {words}
          </Button>
        ))}
      </div>
    </div>
  );
}
