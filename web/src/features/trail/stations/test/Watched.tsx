import Button from '@mui/material/Button';
import {
  baseUnit,
  formatTaken,
  judgeWatch,
  measureErrorWords,
  type NodeOf,
  type TakenReading,
  watchedAmounts,
} from '@wire-trail/core';
import { useState } from 'react';
import { Next } from '../StationLayout.tsx';
import type { BodyProps } from './body-props.ts';
import { NeedsPlate } from './NeedsPlate.tsx';
import { Readings, useReadings } from './Readings.tsx';

type Operate = NodeOf<'operate'>;
type Watch = NonNullable<Operate['watch']>;

/** A unit that is run and watched: judged by readings over time, or by what is heard. */
export function Watched({ walk, at, data, say, goTo, node, watch }: BodyProps & { node: Operate; watch: Watch }) {
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
      node={node}
      data={data}
      goTo={goTo}
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
  goTo,
  watch,
  keptAs,
}: Pick<BodyProps, 'data' | 'say'> & {
  goTo: BodyProps['goTo'] | undefined;
  node: Operate;
  watch: Exclude<Watch, { kind: 'sound' }>;
  keptAs: string;
}) {
  const readings = useReadings('', keptAs);
  const [tried, setTried] = useState(false);
  const judged = judgeWatch(node, watch, { readings: readings.taken }, data.bandKnown);
  const wanted = watchedAmounts(watch, data.bandKnown)
    .map((amount) => formatTaken(watch, amount))
    .join(' or ');
  const within = formatTaken({ quantity: 'duration' }, watch.withinMs / 1000);
  const words =
    watch.kind === 'reach' ? `must reach ${wanted} within ${within}` : `must climb by ${wanted} within ${within}`;
  const take = (reading: TakenReading, isGood: boolean) => say(isGood ? 'pass' : 'fail', { reading });
  const close = judged.ok && judged.value.answer === 'too-close';
  return (
    <div className="stack">
      <p>It {words}.</p>
      <Readings of={readings} label={`What it shows, ${baseUnit(watch.quantity)}`} least={2} />
      {!judged.ok && judged.error.field === 'variant' && (
        <NeedsPlate cases={judged.error.error.cases} data={data} goTo={goTo} />
      )}
      {tried && !judged.ok && judged.error.field !== 'variant' && (
        <p className="wrong">{measureErrorWords(judged.error)}</p>
      )}
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
