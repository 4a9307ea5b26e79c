import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import MenuItem from '@mui/material/MenuItem';
import {
  type Bundle,
  differsInBuild,
  entriesOf,
  entryOf,
  familyEntry,
  missedWords,
  planUnit,
  startUnit,
  type UnitEffect,
  underway,
} from '@wire-trail/core';
import { useCallback, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Select } from '../../parts/field/Select.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { CoverTag } from '../../parts/panel/CoverTag.tsx';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { unitShow } from '../../parts/panel/unit-show.ts';
import { workedFaces } from '../../parts/panel/worked-faces.ts';
import { Progress } from '../../parts/states/States.tsx';
import { MenuBox } from '../../parts/unit/MenuBox.tsx';
import { useUnit } from '../../parts/unit/use-unit.ts';
import { CodeComes } from './CodeComes.tsx';
import { Inputs } from './Inputs.tsx';
import './play.css';

/** A unit to be worked by hand: its faces, what it feels, where it stands, and what came of what was done. */
export function PlayedUnit({ bundle, goal, drafts }: { bundle: Bundle; goal: string | null; drafts: boolean }) {
  const family = familyEntry(bundle);
  // boards that are not built alike are played one at a time
  const isEach = differsInBuild(bundle);
  const [variant, setVariant] = useState<string | null>(isEach ? (family.variants[0]?.id ?? null) : null);
  const [stored, setStored] = useState<readonly string[]>(() =>
    [...new Set(entriesOf(bundle, 'code').map((c) => c.text))].slice(0, 2),
  );
  const [stands, setStands] = useState<readonly string[]>([]);
  const plan = useMemo(() => planUnit(bundle, variant), [bundle, variant]);
  const begin = useCallback(
    () =>
      startUnit(
        plan,
        stored.map((code) => ({ code, standing: stands.includes(code) })),
      ),
    [plan, stored, stands],
  );
  const unit = useUnit(plan, begin);
  const shown = unitShow(plan, unit.state, unit.clock);
  const [latch, setLatch] = useState(false);
  const route = entryOf(plan.bundle, 'route', goal);
  const faces = workedFaces(plan.bundle);
  const begun = underway(plan, unit.state).filter((u) => u.done > 0);
  const codes = [...new Set(entriesOf(bundle, 'code').map((c) => c.text))];
  const modeName = (id: string): string => [...plan.modes.values()].find((mode) => mode.id === id)?.name ?? id;
  const known = unit.happened.find((h) => h.kind === 'known-not-to-work');
  return (
    <>
      <div className="row family-head">
        <PageBar
          above={[{ name: family.name, to: `/shelf/${family.id}` }]}
          title="Played"
          called={`${family.name}, played`}
        />
        {route && (
          <span className="soft">
            to try: {drafts ? <Link to={`/shelf/${family.id}/route/${route.id}`}>{route.name}</Link> : route.name}
          </span>
        )}
        <span className="row">
          {family.variants.length > 0 && (
            <Select
              native
              fullWidth
              style={{ width: 'auto' }}
              value={variant ?? ''}
              onChange={(e) => setVariant(e.target.value || null)}
              inputProps={{ 'aria-label': 'variant' }}
            >
              {!isEach && <option value="">any variant</option>}
              {family.variants.map((v) => (
                <option key={v.id} value={v.id}>
                  {v.name}
                </option>
              ))}
            </Select>
          )}
          <Button onClick={unit.restart}>Begin again</Button>
        </span>
      </div>
      <div className="split flip play">
        <section className="stack" aria-label="the unit">
          {faces.map((face) => (
            <div key={face.id} className="sheet" style={{ maxWidth: `${Math.max(16, face.width * 1.05)}rem` }}>
              <div className="row spread">
                <h2>{face.label}</h2>
                <CoverTag face={face} />
              </div>
              <PanelDrawing
                face={face}
                {...shown}
                onControl={(control, place, way) => unit.operate(control, place, way, latch)}
                onControlEnd={unit.end}
              />
            </div>
          ))}
          <label className="row small">
            <Checkbox checked={latch} onChange={(e) => setLatch(e.target.checked)} /> what I press stays down until I
            touch it again (for holding several with one mouse)
          </label>
        </section>
        <section className="stack" aria-label="what it does">
          <div className="sheet">
            <h2>Now</h2>
            <ul className="plain">
              {[...unit.state.controllers].map(([id, controllerState]) => (
                <li key={id}>
                  <span className="soft">{family.controllers.find((c) => c.id === id)?.name ?? id}: </span>
                  <strong data-testid={`mode-${id}`}>{modeName(controllerState.mode)}</strong>
                  {controllerState.test && <span className="tag">test {controllerState.test.number}</span>}
                  {[...controllerState.variables].map(([v, value]) => (
                    <span key={v} className="tag">
                      {v} {String(value)}
                    </span>
                  ))}
                </li>
              ))}
            </ul>
            {unit.state.poweredAt === null && <p className="tag">no supply</p>}
            {begun.slice(0, 3).map((u) => (
              <p key={`${u.of.kind}${u.of.name}${u.at}`} className="small stack">
                <span className="soft">under way:</span> {u.of.name}
                <Progress done={u.done} of={u.ofActs} name="how far it has come" />
              </p>
            ))}
          </div>
          {known?.kind === 'known-not-to-work' && (
            <div className="note">
              <strong>Known not to work.</strong> {known.how}: {known.why}
            </div>
          )}
          {family.inputs.length > 0 && (
            <Inputs
              family={family}
              values={unit.state.inputs}
              onValue={(input, value) => unit.take({ kind: 'input', input, value })}
            />
          )}
          <MenuBox
            bundle={bundle}
            mode={[...unit.state.controllers.values()].map((m) => m.mode)}
            onChoose={(on, words) => unit.take({ kind: 'choose', on, words })}
          />
          <div className="sheet">
            <h2>What happened</h2>
            {unit.happened.length === 0 && (
              <p className="soft">
                Nothing yet. Touch a control; or Tab to one, Space presses and holds it, arrows turn it.
              </p>
            )}
            <ol className="lined scrolls play-log plain" aria-live="polite">
              {unit.happened.map((h) => (
                <li key={h.n} className={h.kind}>
                  <span className="mono soft small">{(h.at / 1000).toFixed(1)} s</span>{' '}
                  {effectWords(h, modeName, plan.bundle)}
                </li>
              ))}
            </ol>
          </div>
          <Fold title="Codes in its memory">
            <Select
              multiple
              fullWidth
              value={[...stored]}
              onChange={(e) => setStored([e.target.value].flat())}
              inputProps={{ 'aria-label': 'codes in its memory' }}
            >
              {codes.map((c) => (
                <MenuItem key={c} value={c}>
                  {c}
                </MenuItem>
              ))}
            </Select>
            <h3>Still there after clearing</h3>
            <Select
              multiple
              fullWidth
              value={stored.filter((c) => stands.includes(c))}
              onChange={(e) => setStands([e.target.value].flat())}
              inputProps={{ 'aria-label': 'codes whose fault is still there' }}
            >
              {stored.map((c) => (
                <MenuItem key={c} value={c}>
                  {c}
                </MenuItem>
              ))}
            </Select>
            <p className="small soft">They are there from the next “Begin again” on.</p>
          </Fold>
          <CodeComes
            codes={entriesOf(plan.bundle, 'code')}
            onCode={(code, stands) => unit.take({ kind: 'code', code, stands })}
          />
        </section>
      </div>
    </>
  );
}

function effectWords(effect: UnitEffect, modeName: (id: string) => string, bundle: Bundle): string {
  switch (effect.kind) {
    case 'mode': {
      const by =
        effect.by.kind === 'gesture'
          ? ''
          : {
              supply: ', by the supply',
              idle: ', nothing was done',
              after: ', by itself',
              sign: ', by a sign',
              input: ', by a quantity',
              message: ', told by another board',
              code: ', a code came up',
              held: ', while it is held',
            }[effect.by.kind];
      return `${modeName(effect.from)} → ${modeName(effect.to)}${by}`;
    }
    case 'done':
      return `done: ${effect.of.name}`;
    case 'test':
      return effect.number === null ? 'the tests are over' : `test ${effect.number} runs`;
    case 'sign':
      return effect.shown.kind === 'sound'
        ? effect.shown.state === 'on'
          ? `heard: ${effect.shown.sign}`
          : `${effect.shown.sign} stops`
        : effect.shown.sign;
    case 'missed':
      return missedWords(bundle, effect.nearest.of, effect.nearest.miss);
    case 'known-not-to-work':
      return `Known not to work: ${effect.how}. ${effect.why}`;
    case 'refused':
      return `${effect.what}: ${effect.why.replaceAll('-', ' ')}`;
  }
}
