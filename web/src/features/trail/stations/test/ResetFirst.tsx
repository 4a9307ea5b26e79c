import Button from '@mui/material/Button';
import { type Code, possibleRun, resetFirstWords } from '@wire-trail/core';
import { api } from '../../../../foundation/api.ts';
import { Fold } from '../../../../parts/fold/Fold.tsx';
import { InTurn } from '../coach/InTurn.tsx';
import { Next, StationLayout, type StationProps } from '../StationLayout.tsx';

/** The routes that erase what is stored, from where the unit stands; none where nothing erases it. */
const erasing = ({ data }: StationProps) => data.clearing.flatMap((step) => (step.kind === 'erase' ? step.routes : []));

/** Whether a stored code can be reset before anything is tested: nothing was answered yet, and something erases it. */
export const canResetFirst = (props: StationProps): boolean => {
  const { walk, data } = props;
  return (
    data.subject?.kind === 'code' &&
    walk.resetFirst?.code !== data.subject.id &&
    data.chartWalk?.path.length === 0 &&
    erasing(props).length > 0
  );
};

type Props = Readonly<{ props: StationProps; code: Code; onReset: () => void }>;

/** The other school, under a line: reset it first and see whether it comes back. */
export function OfferReset({ props, code, onReset }: Props) {
  const { data: settings } = api.useSettingsQuery();
  const cycle = code.detection.cycle;
  return (
    <Fold
      key={settings?.firstDo ?? 'test'}
      title="Or reset it first, and see whether it comes back"
      open={settings?.firstDo === 'reset'}
    >
      <div className="stack">
        <p>{resetFirstWords.right}</p>
        <p className="note">{resetFirstWords.costs(possibleRun(code, props.data.codes), cycle)}</p>
        <p className="soft small">{resetFirstWords.why}</p>
        <Button size="glove" onClick={onReset}>
          Reset {code.text} first
        </Button>
      </div>
    </Fold>
  );
}

/** Erases what is stored along its routes, one after the other; whoever has done it already says so. */
export function Resetting({ props, code, onBack }: { props: StationProps; code: Code; onBack: () => void }) {
  const isDone = () => void props.add({ kind: 'reset-first', code: code.id, returned: null });
  return (
    <InTurn
      routes={erasing(props)}
      data={props.data}
      title={props.data.front.label}
      onDone={isDone}
      aside={() => (
        <div className="sheet small">
          <Button variant="text" onClick={isDone}>
            It is erased already
          </Button>
          <Button variant="text" onClick={onBack}>
            Test it instead
          </Button>
        </div>
      )}
    />
  );
}

/** It was reset: whether it comes back within the run that would prove it gone. */
export function AfterReset({ props, code }: { props: StationProps; code: Code }) {
  const { data, add } = props;
  const run = possibleRun(code, data.codes);
  const said = (returned: boolean) => ({ kind: 'reset-first' as const, code: code.id, returned });
  const chart = data.chartWalk?.chart.id;
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={<Next onClick={() => void add(said(true))}>It came back: test it</Next>}
      more={
        chart && (
          <Button
            size="glove"
            onClick={() =>
              void add(said(false), { kind: 'chart-ended', chart, node: null, verdict: 'nothing-found', cause: null })
            }
          >
            It stayed away all that time
          </Button>
        )
      }
    >
      <h1>Does {code.text} come back?</h1>
      <p>
        Run it: <strong className="mono">{run.cycles}</strong> × {code.detection.cycle} without it say that it is gone;
        fewer say nothing.
      </p>
      {code.detection.onlyWhen && <p className="note">{code.detection.onlyWhen}</p>}
    </StationLayout>
  );
}
