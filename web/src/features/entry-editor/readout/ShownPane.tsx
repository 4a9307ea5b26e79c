import Button from '@mui/material/Button';
import {
  entriesOf,
  entryOf,
  findingWords,
  lintReadout,
  type Readout,
  type Sign,
  type Stage,
  signsOfReads,
} from '@wire-trail/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { Select } from '../../../parts/field/Select.tsx';
import { faceOfSign } from '../../../parts/panel/face-of-sign.ts';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';
import { usePlay } from '../../../parts/panel/use-play.ts';
import { TabRow } from '../../../parts/tabs/TabRow.tsx';
import type { ReadoutAt } from './readout-at.ts';
import { SceneLanes } from './SceneLanes.tsx';
import { StageTable } from './StageTable.tsx';

/** The panel playing any code at the real rate, what each sign does over time, and the table it is read by. */
export function ShownPane({
  body,
  bodies,
  codes,
  texts,
  nameOf,
  onEdit,
  signs,
}: ReadoutAt & { signs: ReadonlyMap<string, Sign> }) {
  const [picked, setPicked] = useState<string | null>(null);
  const [sceneIndex, setSceneIndex] = useState(0);
  const [stageId, setStageId] = useState<string | null>(null);
  const text = picked ?? texts[0] ?? null;
  const play = usePlay(body, text, sceneIndex);
  const stage = body.stages.find((s) => s.id === stageId) ?? body.stages[0];
  const own = stage && signsOfReads(stage.reads)[0];
  const face = faceOfSign(entriesOf(bodies, 'panel'), own)?.face;
  const colourOf = (id: string): string => {
    const sign = signs.get(id);
    return sign?.kind === 'lamp' ? (sign.colours[0] ?? '') : '';
  };
  const later = useDeferredValue(body);
  const findings = useMemo(
    () =>
      lintReadout(
        later,
        codes.map((code, i) => ({ code, at: ['codes', i] })),
        ['readout'],
        signs,
      ),
    [later, codes, signs],
  );
  const setStage = (next: Stage) =>
    onEdit({ stages: body.stages.map((s) => (s.id === next.id ? next : s)) } as Partial<Readout>, `stages.${next.id}`);
  const after = play.scene?.after ? (entryOf(bodies, 'route', play.scene.after)?.name ?? play.scene.after) : null;
  return (
    <div className="split flip readout-room">
      <section className="stack">
        <div className="sheet">
          <div className="row spread">
            <h2>As the unit shows it</h2>
            <label className="row small">
              code{' '}
              <Select
                native
                fullWidth
                style={{ width: 'auto' }}
                value={text ?? ''}
                onChange={(e) => setPicked(e.target.value)}
              >
                {texts.map((t) => (
                  <option key={t}>{t}</option>
                ))}
              </Select>
            </label>
          </div>
          {face ? (
            <PanelDrawing face={face} lamps={play.lamps} texts={play.texts} sounding={play.sounding} />
          ) : (
            <p className="note">No panel has the sign this is read from yet.</p>
          )}
          {text !== null && play.scenes.length === 0 && <p className="note bad">This readout cannot show {text}.</p>}
          {play.scenes.length > 1 && (
            <div className="row" role="group" aria-label="scene">
              {play.scenes.map((s, i) => (
                <Button
                  key={s.stages.join()}
                  variant={i === Math.min(sceneIndex, play.scenes.length - 1) ? 'contained' : 'outlined'}
                  color={i === Math.min(sceneIndex, play.scenes.length - 1) ? 'primary' : 'inherit'}
                  onClick={() => setSceneIndex(i)}
                >
                  {i === 0 ? 'at first' : (entryOf(bodies, 'route', s.after)?.name ?? s.after)}
                </Button>
              ))}
            </div>
          )}
          {after && <p className="small soft">after “{after}”</p>}
        </div>
        {play.scene && (
          <div className="sheet">
            <h2>Over time</h2>
            <SceneLanes scene={play.scene} atMs={play.atMs} nameOf={nameOf} colourOf={colourOf} rates={body.rates} />
          </div>
        )}
      </section>
      <section className="stack">
        <div className="sheet">
          {body.stages.length > 1 && (
            <TabRow
              name="stages"
              value={stage?.id ?? ''}
              onPick={setStageId}
              tabs={body.stages.map((s) => ({ value: s.id, label: s.label }))}
            />
          )}
          {stage && <StageTable key={stage.id} readout={body} stage={stage} nameOf={nameOf} onStage={setStage} />}
        </div>
        <div className="sheet">
          <h2>To fix</h2>
          <ul className="plain lined route-findings" aria-label="findings">
            {findings.map((f) => (
              <li key={`${f.code}${f.at.join('.')}${findingWords(f)}`} className={f.severity}>
                {findingWords(f)}
              </li>
            ))}
            {findings.length === 0 && <li className="fine">Nothing to fix in this readout.</li>}
          </ul>
        </div>
      </section>
    </div>
  );
}
