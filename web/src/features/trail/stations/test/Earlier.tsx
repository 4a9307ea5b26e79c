import { type MeasureNode, stepKey } from '@wire-trail/core';
import { api } from '../../../../foundation/api.ts';
import { byStep, driftWords, takenWords } from '../../../../parts/readings/past.ts';
import type { BodyProps } from './body-props.ts';

/** What was read here on earlier walks of this machine, and where that is going, as far as there is a connection. */
export function Earlier({ walk, at, node }: Pick<BodyProps, 'walk' | 'at'> & { node: MeasureNode }) {
  const serial = walk.unit?.serial ?? '';
  const { data } = api.useMachineQuery({ family: walk.family, serial }, { skip: serial === '' });
  const past = (byStep(data?.readings ?? []).get(stepKey({ chart: at.chart.id, node: node.id })) ?? []).filter(
    (r) => r.walk !== walk.id,
  );
  const last = past.at(-1);
  if (!last) return null;
  const drift = driftWords(past);
  return (
    <p className="small">
      On {last.at.slice(0, 10)} it was <strong className="mono">{takenWords(last.reading)}</strong>
      {last.when === 'after' && ', after the repair'}. {drift && <strong>{drift}</strong>}
    </p>
  );
}
