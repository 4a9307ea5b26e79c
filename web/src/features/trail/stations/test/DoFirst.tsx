import Button from '@mui/material/Button';
import { type Code, type FirstMove, firstMoveWords, possibleRun } from '@wire-trail/core';
import { api } from '../../../../foundation/api.ts';
import { HazardNote } from '../../../../parts/before/Before.tsx';
import { Fold } from '../../../../parts/fold/Fold.tsx';
import { InTurn } from '../coach/InTurn.tsx';
import { Next, StationLayout, type StationProps } from '../StationLayout.tsx';

/** What can be done first for the code at hand: nothing was answered yet, and nothing was done first before. */
export function offeredFirst({ walk, data }: StationProps): readonly FirstMove[] {
  if (data.subject?.kind !== 'code' || walk.resetFirst?.code === data.subject.id) return [];
  return data.chartWalk && data.chartWalk.path.length > 0 ? [] : data.firstMoves;
}

type Props = Readonly<{ props: StationProps; code: Code; onBegin: (move: FirstMove) => void }>;

/** The other schools, each under a line: reset or recalibrate first, and see whether it comes back. */
export function OfferFirst({ props, code, onBegin }: Props) {
  const { data: settings } = api.useSettingsQuery();
  const run = possibleRun(code, props.data.codes);
  return offeredFirst(props).map((move) => {
    const words = firstMoveWords[move.by];
    return (
      <Fold key={`${move.by} ${settings?.firstDo}`} title={words.offer} open={settings?.firstDo === move.by}>
        <div className="stack">
          {move.of.length > 0 && <p>{move.of.join(', ')}.</p>}
          <p>{words.right}</p>
          <p className="note">{firstMoveWords.costs(move.by, run, code.detection.cycle)}</p>
          <p className="soft small">{firstMoveWords.why}</p>
          <Button size="glove" onClick={() => onBegin(move)}>
            {move.by === 'reset' ? `Reset ${code.text} first` : 'Recalibrate first'}
          </Button>
        </div>
      </Fold>
    );
  });
}

/** Goes the routes of it, one after the other; whoever has done it already says so. */
export function DoingFirst({
  props,
  code,
  move,
  onBack,
}: Omit<Props, 'onBegin'> & { move: FirstMove; onBack: () => void }) {
  const isDone = () => void props.add({ kind: 'reset-first', code: code.id, by: move.by, returned: null });
  return (
    <InTurn
      routes={move.routes}
      data={props.data}
      title={props.data.front.label}
      onDone={isDone}
      aside={(isLast, on) => (
        <div className="sheet small">
          <HazardNote ids={[...new Set(move.routes.flatMap((r) => r.hazards))]} data={props.data} />
          {!isLast && (
            <Button variant="text" onClick={on}>
              This part is done already
            </Button>
          )}
          <Button variant="text" onClick={isDone}>
            {move.by === 'reset' ? 'It is erased already' : 'It is recalibrated already'}
          </Button>
          <Button variant="text" onClick={onBack}>
            Test it instead
          </Button>
        </div>
      )}
    />
  );
}

/** It was done: whether the code comes back within the run that would prove it gone. */
export function AfterFirst({ props, code, move }: { props: StationProps; code: Code; move: FirstMove | undefined }) {
  const { data, walk, add } = props;
  const run = possibleRun(code, data.codes);
  const by = walk.resetFirst?.by ?? 'reset';
  const said = (returned: boolean) => ({ kind: 'reset-first' as const, code: code.id, by, returned });
  const chart = data.chartWalk?.chart.id;
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={<Next onClick={() => void add(said(true))}>It came back: test it</Next>}
      more={
        <Button
          size="glove"
          onClick={() =>
            void add(
              said(false),
              chart
                ? { kind: 'chart-ended', chart, node: null, verdict: 'nothing-found', cause: null }
                : {
                    kind: 'skipped',
                    station: 'test',
                    why: `stayed away after the ${by === 'reset' ? 'reset' : 'recalibration'}`,
                  },
            )
          }
        >
          It stayed away all that time
        </Button>
      }
    >
      <h1>Does {code.text} come back?</h1>
      {move && move.back.length > 0 && (
        <>
          <p>Before it runs, back on:</p>
          <ul>
            {move.back.map((what) => (
              <li key={what}>{what}</li>
            ))}
          </ul>
        </>
      )}
      <p>
        Run it: <strong className="mono">{run.cycles}</strong> × {code.detection.cycle} without it say that it is gone;
        fewer say nothing.
      </p>
      {code.detection.onlyWhen && <p className="note">{code.detection.onlyWhen}</p>}
    </StationLayout>
  );
}
