import Button from '@mui/material/Button';
import {
  type ChartWalk,
  chartFound,
  endWords,
  entriesOf,
  handOnSheet,
  openRoots,
  stoppedBy,
  type VerdictNode,
  verdictWords,
} from '@wire-trail/core';
import { useState } from 'react';
import { useSchool } from '../../../../foundation/use-school.ts';
import { SheetView } from '../../../../parts/sheet/SheetView.tsx';
import { SwapGuide } from '../../../../parts/swap/SwapGuide.tsx';
import { Day } from '../../../../parts/when/When.tsx';
import { dayOf } from '../day-of.ts';
import { Next, type StationProps } from '../StationLayout.tsx';
import { ToOrder } from './ToOrder.tsx';

/** Where a chart ends: the cause and where it sits, or the sheet for whoever goes on. */
export function Ended({ at, ...props }: StationProps & { at: ChartWalk }) {
  const { walk, data, add } = props;
  const { end } = at;
  const verdict = end?.kind === 'verdict' ? end.verdict : null;
  const isFound = verdict?.verdict === 'cause-found';
  const isOut = !verdict || verdict.verdict === 'hand-on' || verdict.verdict === 'unsafe-stop';
  const [sheet, setSheet] = useState(false);
  const school = useSchool() ?? undefined;
  const others = openRoots(data.roots);
  const next = others.length > 0 ? 'Go on: other codes are left' : 'Go on to Clear';
  const goOn = () => {
    const by = verdict?.putBackDays === undefined ? null : dayIn(verdict.putBackDays);
    void add(
      ...(verdict?.verdict === 'left-limited' && verdict.putBack
        ? [{ kind: 'owed' as const, what: verdict.putBack, by }]
        : []),
      { kind: 'chart-ended', ...chartFound(at), ...(others.length > 0 && { more: true }) },
    );
  };
  const page = handOnSheet({ bundle: data.bundle, walk, chartWalk: at, subject: data.subject, school });
  return (
    <div className="stack">
      <div className={`note ${isFound ? 'good' : 'bad'}`}>
        <strong>
          {verdict
            ? verdictWords[verdict.verdict]
            : `${endWords[at.end && at.end.kind !== 'verdict' ? at.end.kind : 'call-circle']} Hand it on with what you have.`}
        </strong>
        {verdict && <VerdictFacts verdict={verdict} at={at} data={data} />}
      </div>
      <div className="actions">
        {isOut ? (
          <Next onClick={() => setSheet(!sheet)}>{sheet ? 'Close the sheet' : 'Hand-on sheet'}</Next>
        ) : (
          <Next onClick={goOn}>{isFound && others.length === 0 ? 'Repaired: go on to Clear' : next}</Next>
        )}
        {isOut && (
          <>
            <Button size="glove" onClick={goOn}>
              {next}
            </Button>
            <Button size="glove" onClick={() => void add({ kind: 'closed', outcome: 'handed-on', fixedBy: '' })}>
              Handed on: close the walk
            </Button>
          </>
        )}
      </div>
      {!isOut && (
        <Button variant="text" onClick={() => setSheet(!sheet)}>
          {sheet ? 'Close the sheet' : 'Sheet for whoever goes on …'}
        </Button>
      )}
      <ToOrder walk={walk} data={data} add={add} at={at} />
      {sheet && <SheetView sheet={page} />}
    </div>
  );
}

function VerdictFacts({ verdict, at, data }: { verdict: VerdictNode; at: ChartWalk; data: StationProps['data'] }) {
  const helped = verdict.verdict === 'cause-found' ? stoppedBy(at.path) : null;
  const part = entriesOf(data.bundle, 'family')[0]?.parts.find((p) => p.id === chartFound(at).cause);
  // what was cleaned or put right is not new
  const isNew = !helped || helped.act === 'replace';
  return (
    <>
      {part && (
        <p>
          {part.name}
          {part.location ? `: ${part.location}` : ''}
        </p>
      )}
      {verdict.handOnTo && <p>To {verdict.handOnTo}, with the full code and the readings.</p>}
      {verdict.putBack && (
        <p>
          {verdict.putBack}
          {verdict.putBackDays !== undefined && (
            <strong>
              {' '}
              By <Day at={dayIn(verdict.putBackDays)} />.
            </strong>
          )}
        </p>
      )}
      {helped && (
        <p>
          What helped: <strong>{helped.do}</strong>
        </p>
      )}
      {part?.afterReplacing && isNew && <p>After replacing: {part.afterReplacing}</p>}
      {part && isNew && <SwapGuide part={part} data={data} />}
    </>
  );
}

const dayIn = (days: number): string => dayOf(Date.now() + days * 86_400_000);
