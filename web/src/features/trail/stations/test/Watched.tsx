import Button from '@mui/material/Button';
import {
  amountOf,
  baseUnit,
  formatTaken,
  type MeasureNode,
  measure,
  measureErrorWords,
  type NodeOf,
  type Parameters,
  type TakenReading,
} from '@wire-trail/core';
import { useState } from 'react';
import { Next } from '../StationLayout.tsx';
import type { BodyProps } from './body-props.ts';
import { Readings, useReadings } from './Readings.tsx';

type Operate = NodeOf<'operate'>;
type Watch = NonNullable<Operate['watch']>;

/** What is watched as a measurement: so much more in so long, or a value reached in so long. */
function asMeasure(node: Operate, watch: Exclude<Watch, { kind: 'sound' }>, parameters: Parameters): MeasureNode {
  const by = watch.kind === 'climb' ? (amountOf(watch.by, parameters) ?? Number.NaN) : 0;
  const within = watch.withinMs / 1000;
  const band =
    watch.kind === 'reach'
      ? ({ kind: 'time-to', value: watch.value, leastS: null, mostS: within } as const)
      : ({ kind: 'rate', leastPerMin: by / (within / 60), mostPerMin: null } as const);
  const plain = { id: node.id, kind: 'measure', title: node.title, quantity: watch.quantity } as const;
  // what leads on from it is the operate step's own, and asked there
  return { ...(plain as unknown as MeasureNode), band, probes: [], marks: [], disconnect: [], supply: 'energised' };
}

/** A unit that is run and watched: judged by readings over time, or by what is heard. */
export function Watched({ walk, at, data, say, node, watch }: BodyProps & { node: Operate; watch: Watch }) {
  if (watch.kind === 'sound')
    return (
      <div className="actions answers">
        <p>
          Listen: {watch.what}
          {watch.withinMs ? ` within ${watch.withinMs / 1000} s` : ''}.
        </p>
        <Button variant="contained" size="glove" color="primary" onClick={() => say('pass')}>
          It sounded
        </Button>
        <Button size="glove" onClick={() => say('fail')}>
          It did not
        </Button>
      </div>
    );
  return (
    <OverTime
      node={asMeasure(node, watch, data.bandKnown.parameters)}
      data={data}
      say={say}
      watch={watch}
      keptAs={`wire-trail-readings:${walk.id}/${at.chart.id}/${node.id}`}
    />
  );
}

function OverTime({
  node,
  data,
  say,
  watch,
  keptAs,
}: Pick<BodyProps, 'data' | 'say'> & {
  node: MeasureNode;
  watch: Exclude<Watch, { kind: 'sound' }>;
  keptAs: string;
}) {
  const readings = useReadings('', keptAs);
  const [tried, setTried] = useState(false);
  const judged = measure({ node, typed: { readings: readings.taken }, known: data.bandKnown });
  const { parameters } = data.bandKnown;
  const within = formatTaken({ quantity: 'duration' }, watch.withinMs / 1000);
  const words =
    watch.kind === 'reach'
      ? `must reach ${formatTaken(watch, amountOf(watch.value, parameters))} within ${within}`
      : `must climb by ${formatTaken(watch, amountOf(watch.by, parameters))} within ${within}`;
  const take = (reading: TakenReading, isGood: boolean) => say(isGood ? 'pass' : 'fail', { reading });
  const close = judged.ok && judged.value.answer === 'too-close';
  return (
    <div className="stack">
      <p>It {words}.</p>
      <Readings of={readings} label={`What it shows, ${baseUnit(node.quantity)}`} least={2} />
      {tried && !judged.ok && <p className="wrong">{measureErrorWords(judged.error)}</p>}
      {judged.ok && (
        <p className={`note ${judged.value.answer === 'pass' ? 'good' : 'bad'}`} role="status">
          <strong>
            {judged.value.answer === 'pass' ? 'As it should' : close ? 'Borderline: read on' : 'Not as it should'}
          </strong>
          {': '}
          {formatTaken(judged.value.taken, judged.value.taken.value)}
        </p>
      )}
      <div className="actions">
        <Next
          onClick={() => {
            setTried(true);
            if (!judged.ok || close) return;
            readings.forget();
            take(judged.value.taken, judged.value.answer === 'pass');
          }}
        >
          Take these readings
        </Next>
      </div>
    </div>
  );
}
