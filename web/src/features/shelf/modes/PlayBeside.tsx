import Button from '@mui/material/Button';
import { type Bundle, entriesOf, planUnit, startUnit } from '@wire-trail/core';
import { useCallback, useEffect, useMemo } from 'react';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';
import { unitShow } from '../../../parts/panel/unit-show.ts';
import { workedFaces } from '../../../parts/panel/worked-faces.ts';
import { useUnit } from '../../../parts/unit/use-unit.ts';

type Props = Readonly<{ bundle: Bundle; onNow: (mode: string | null) => void }>;

/** The unit as it is written now, to be worked beside its map; where it stands is told to the map. */
export default function PlayBeside({ bundle, onNow }: Props) {
  const plan = useMemo(() => planUnit(bundle), [bundle]);
  const codes = useMemo(() => [...new Set(entriesOf(bundle, 'code').map((c) => c.text))].slice(0, 2), [bundle]);
  const begin = useCallback(() => startUnit(plan, codes), [plan, codes]);
  const unit = useUnit(plan, begin);
  const shown = unitShow(plan, unit.state, unit.clock);
  const now = [...unit.state.controllers.values()][0]?.mode ?? null;
  useEffect(() => {
    onNow(now);
    return () => onNow(null);
  }, [now, onNow]);
  const faces = workedFaces(bundle);
  const name = entriesOf(bundle, 'mode').find((m) => m.id === now)?.name;
  return (
    <section className="sheet stack" aria-label="played">
      <div className="row spread">
        <p role="status">
          <span className="soft">It stands in </span>
          <strong>{name ?? 'nothing that is written'}</strong>
        </p>
        <Button variant="text" size="inline" onClick={unit.restart}>
          Begin again
        </Button>
      </div>
      {faces.map((face) => (
        <div key={face.id}>
          <p className="soft small">{face.label}</p>
          <PanelDrawing
            face={face}
            {...shown}
            onControl={(control, place, way) => unit.operate(control, place, way, false)}
            onControlEnd={unit.end}
          />
        </div>
      ))}
    </section>
  );
}
