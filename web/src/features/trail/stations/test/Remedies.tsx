import Button from '@mui/material/Button';
import { itComesAgain, itStopped, type NodeOf, remedyAt } from '@wire-trail/core';
import { Next } from '../StationLayout.tsx';
import type { BodyProps } from './body-props.ts';

/** One remedy at a time, each with the same question behind it; what stopped it was the cause. */
export function Remedies({ at, say, node }: BodyProps & { node: NodeOf<'remedies'> }) {
  const own = at.path.filter((s) => s.chart === at.chart.id);
  const index = remedyAt(own, node.id);
  const remedy = node.remedies[index];
  const before = node.remedies.slice(0, index);
  return (
    <div className="stack">
      <div className="sheet stack">
        <p className="soft small">
          Remedy {index + 1} of {node.remedies.length}
        </p>
        <p>
          Do this: <strong>{remedy?.do}</strong>
        </p>
        <p>Then: {node.question}</p>
      </div>
      <div className="actions answers">
        <Next onClick={() => say(itComesAgain)}>It comes again</Next>
        <Button size="glove" fullWidth onClick={() => say(itStopped)}>
          It stopped: that was it
        </Button>
      </div>
      {before.length > 0 && <p className="soft small">Did not help: {before.map((r) => r.do).join(', ')}.</p>}
    </div>
  );
}
