import Button from '@mui/material/Button';
import { type Code, formatQuantity, type ProveRun, provesOf } from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { useDates } from '../../../../foundation/use-own.ts';
import { CodeGlyph } from '../../../../parts/code/CodeGlyph.tsx';
import { Input } from '../../../../parts/field/Input.tsx';
import { dayOf } from '../day-of.ts';
import { Next, StationLayout, type StationProps } from '../StationLayout.tsx';
import { dateFromMs, Timer } from '../test/Wait.tsx';
import { UntilWhen } from '../UntilWhen.tsx';
import { plural, runOf } from './run-of.ts';

const tomorrowMs = 86_400_000;

/** The shortest run that proves it: worked out, begun, waited for. */
export function Run(props: StationProps) {
  const { walk, data, add } = props;
  const several = provesOf(data.roots, data.codes);
  const run = runOf(data);
  const { detection } = several[0]?.code ?? data.subject ?? {};
  const cycle = detection?.cycle ?? 'cycle';
  const timer = walk.timers.get('prove');
  const [early, setEarly] = useState(false);
  const returned = () => void add({ kind: 'proved', returned: true, cycles: run.cycles });
  // the run is begun first; where nothing says how long it is, it is only counted
  const begins = run.leastMs !== null && !timer;
  const form = <Count {...props} run={run} cycle={cycle} isFirst={!begins} />;
  return (
    <StationLayout
      panel={{ face: data.front }}
      panelTitle="Running"
      beside={detection?.onlyWhen && <div className="note">{detection.onlyWhen}</div>}
    >
      <h1>Run it and see</h1>
      <p>
        <strong className="big mono">{run.cycles}</strong> {plural(cycle, run.cycles)} prove it
      </p>
      <Reckoning run={run} cycle={cycle} threshold={detection?.threshold ?? null} />
      {several.length > 1 && (
        <ul>
          {several.map(({ code, run: own }) => (
            <li key={code.id}>
              <CodeGlyph text={code.text} /> {code.title}: {own.cycles}{' '}
              {plural(code.detection.cycle ?? 'cycle', own.cycles)}
            </li>
          ))}
        </ul>
      )}
      {timer && !early ? (
        <Timer
          since={timer.since}
          ms={timer.ms}
          over={
            <>
              <p className="note good" role="status">
                The run is long enough, if it ran all the time.
              </p>
              {form}
            </>
          }
        />
      ) : (
        <>
          {run.leastMs !== null && !timer && (
            <div className="actions">
              <Begin ms={run.leastMs} what={`${run.cycles} ${plural(cycle, run.cycles)}`} add={add} />
            </div>
          )}
          {form}
        </>
      )}
      {timer && !early && (
        <div className="row">
          <Button size="glove" onClick={returned}>
            It returned
          </Button>
          <Button variant="text" onClick={() => setEarly(true)}>
            End the run early …
          </Button>
        </div>
      )}
    </StationLayout>
  );
}

/** Where the sum comes from, in the words one would reckon it with. */
function Reckoning({ run, cycle, threshold }: { run: ProveRun; cycle: string; threshold: string | null }) {
  const inARow = run.cycles - run.notWatched;
  return (
    <p className="soft">
      {run.notWatched > 0 &&
        `The first ${run.notWatched === 1 ? plural(cycle, 1) : `${run.notWatched} ${plural(cycle, 2)}`} after power-up ${run.notWatched === 1 ? 'is' : 'are'} not watched. `}
      {inARow > 1 && `It is stored after ${inARow} in a row. `}
      {threshold && `It looks for “${threshold.replace(/\.$/, '')}”. `}
      {run.leastMs !== null && (
        <>
          That takes <strong>{formatQuantity(run.leastMs / 1000, 'duration')}</strong> at the least.{' '}
        </>
      )}
      Fewer prove nothing.
      {run.erasedAfter !== null && ` The memory erases itself after ${run.erasedAfter} clean ones.`}
      {run.erasesWithin && ' So an empty memory at the end says little: watch it while it runs.'}
    </p>
  );
}

function Begin({ ms, what, add }: { ms: number; what: string; add: StationProps['add'] }) {
  const dates = useDates();
  const isLong = ms >= dateFromMs;
  return (
    <Next
      onClick={() =>
        void add(
          { kind: 'timer', of: { kind: 'prove' }, ms },
          ...(isLong ? [{ kind: 'waits' as const, until: dayOf(Date.now() + ms), why: what }] : []),
        )
      }
    >
      {isLong ? `The run begins: due on ${dates.day(dayOf(Date.now() + ms))}` : 'The run begins'}
    </Next>
  );
}

function Count({ data, add, run, cycle, isFirst }: StationProps & { run: ProveRun; cycle: string; isFirst: boolean }) {
  const [cycles, setCycles] = useState(String(run.cycles));
  const [waiting, setWaiting] = useState(false);
  const [until, setUntil] = useState(dayOf(Date.now() + tomorrowMs));
  const count = /^\d{1,4}$/.test(cycles.trim()) ? Number(cycles) : null;
  const several = provesOf(data.roots, data.codes);
  const prove = (returned: boolean, which?: Code['id'][]) =>
    count !== null && void add({ kind: 'proved', returned, cycles: count, ...(which && { which }) });
  return (
    <>
      <label className="field" style={{ maxWidth: 260 }}>
        {plural(cycle, 2)} run
        <Input
          fullWidth
          className="mono"
          value={cycles}
          error={Boolean(count === null)}
          onChange={(e) => setCycles(e.target.value)}
          slotProps={{ input: { inputMode: 'numeric' } }}
        />
        {count === null && <span className="wrong">A whole number.</span>}
        {count !== null && count < run.cycles && (
          <span className="wrong">That is fewer than it takes. It will be kept, as not proved.</span>
        )}
      </label>
      <div className={isFirst ? 'actions' : 'actions answers'}>
        <Button
          size="glove"
          variant={isFirst ? 'contained' : 'outlined'}
          color={isFirst ? 'primary' : 'inherit'}
          fullWidth={isFirst}
          disabled={count === null}
          onClick={() => prove(false)}
        >
          Fault is gone
        </Button>
        {several.length > 1 ? (
          several.map(({ code }) => (
            <Button key={code.id} size="glove" disabled={count === null} onClick={() => prove(true, [code.id])}>
              {code.text} returned
            </Button>
          ))
        ) : (
          <Button size="glove" disabled={count === null} onClick={() => prove(true)}>
            It returned
          </Button>
        )}
      </div>
      {waiting ? (
        <form
          className="stack"
          onSubmit={(e: FormEvent) => {
            e.preventDefault();
            void add({
              kind: 'waits',
              until,
              why: `${run.cycles} ${plural(data.subject?.detection.cycle ?? 'cycle', run.cycles)}`,
            });
          }}
        >
          <UntilWhen day={until} onChange={setUntil} />
          <Button type="submit" size="glove">
            Wait until then
          </Button>
        </form>
      ) : (
        <Button onClick={() => setWaiting(true)}>Let it wait until a date …</Button>
      )}
    </>
  );
}
