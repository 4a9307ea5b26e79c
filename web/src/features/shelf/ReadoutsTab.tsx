import {
  type Code,
  entriesOf,
  type Panel,
  type Readout,
  schedule,
  showsCode,
  signsOfReads,
  sweepPlan,
} from '@wire-trail/core';
import { Link } from 'react-router';
import { StandingMark } from '../../parts/code/CodeGlyph.tsx';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { faceOfSign } from '../../parts/panel/face-of-sign.ts';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { usePlay } from '../../parts/panel/use-play.ts';
import { Empty } from '../../parts/states/States.tsx';
import type { TabProps } from './tab-props.ts';

const kinds = {
  lamps: 'lamps',
  blinks: 'blinks counted',
  rhythm: 'long and short',
  which: 'which lamp, and how often',
  text: 'a display',
  value: 'a live value',
  pair: 'number pairs',
  bytes: 'raw bytes',
} as const;

/** Everything codes are read from, each playing one of its codes; and the order in which controllers are asked. */
export function ReadoutsTab({ family, entries, writes }: TabProps) {
  const bodies = { entries: entries.map((e) => e.body) };
  const readouts = entriesOf(bodies, 'readout');
  const codes = entriesOf(bodies, 'code');
  const known = entriesOf(bodies, 'family')[0];
  const plan = known ? sweepPlan({ format: 'wire-trail/bundle', version: 1, family: known.id, ...bodies }, []) : [];
  return (
    <div className="stack">
      {writes && (
        <div className="row">
          <AddEntry scope={family} kind="readout" taken={readouts.map((r) => r.id)} />
        </div>
      )}
      {plan.length > 1 && (
        <p className="sheet">
          Read in this order: <strong>{plan.map((i) => i.controller.name).join(' → ')}</strong>
        </p>
      )}
      {readouts.length === 0 && (
        <Empty title="No readout yet">A readout says how lamps, blinks or a display become a code.</Empty>
      )}
      <div className="tiles">
        {readouts.map((readout) => (
          <ReadoutCard
            key={readout.id}
            readout={readout}
            codes={codes.filter((c) => showsCode(readout, c))}
            panels={entriesOf(bodies, 'panel')}
            writes={writes}
          />
        ))}
      </div>
    </div>
  );
}

function ReadoutCard({
  readout,
  codes,
  panels,
  writes,
}: {
  readout: Readout;
  codes: readonly Code[];
  panels: readonly Panel[];
  writes: boolean;
}) {
  const text = codes.find((c) => schedule(readout, c.text).ok)?.text ?? null;
  const play = usePlay(readout, text, 'in turn');
  const [sign] = readout.stages.flatMap((s) => signsOfReads(s.reads));
  const face = faceOfSign(panels, sign)?.face;
  return (
    <div className="sheet">
      <div className="row spread">
        <h2>
          {writes ? <Link to={`/shelf/${readout.family}/readout/${readout.id}`}>{readout.name}</Link> : readout.name}
        </h2>
        <StandingMark standing={readout.standing} />
      </div>
      {face && <PanelDrawing face={face} lamps={play.lamps} texts={play.texts} sounding={play.sounding} />}
      <p className="small">
        {[
          ...new Set(readout.stages.map((s) => ('heard' in s.reads && s.reads.heard ? 'beeps' : kinds[s.reads.kind]))),
        ].join(', then ')}{' '}
        · {codes.length} codes
        {readout.slots.count > 1 ? ` · ${readout.slots.count} stored codes` : ''}
        {readout.confirmAtLead ? ' · to be confirmed at the main board' : ''}
      </p>
      {text && (
        <p className="soft small">
          plays {text}
          {play.label ? `: ${play.label}` : ''}
        </p>
      )}
    </div>
  );
}
