import Button from '@mui/material/Button';
import {
  entriesOf,
  judgeTestReading,
  type Mode,
  type NumberedTest,
  orderOfTests,
  printSteps,
  runAt,
  runOf,
  shownWords,
  type TakenReading,
  testReadingWords,
} from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { Input } from '../../../../parts/field/Input.tsx';
import { Fold } from '../../../../parts/fold/Fold.tsx';
import { Progress } from '../../../../parts/states/States.tsx';
import type { StationProps } from '../StationLayout.tsx';

type Result = 'pass' | 'fail' | 'not-valid';
type Told = Readonly<{ test: NumberedTest; result: Result; typed: string; afterMs?: number }>;
const resultWords: Readonly<Record<Result, string>> = { pass: 'good', fail: 'bad', 'not-valid': 'not valid, repeat' };

/** The numbered tests of a mode: step through and record, or follow along while they run by themselves. */
export function ModeTests({ mode, walk, data, add }: StationProps & { mode: Mode }) {
  const [following, setFollowing] = useState<string | null>(null);
  const tests = orderOfTests(mode);
  const route = entriesOf(data.bundle, 'route').find((r) => r.to === mode.id && r.from !== 'any');
  const runs = tests.filter((t) => t.followedBy !== null && !tests.some((o) => o.followedBy === t.number));
  const results = walk.tests.filter((t) => t.mode === mode.id);
  // several at once are one thing that happened: kept together, in their order
  const record = (...told: readonly Told[]) =>
    void add(
      ...told.map(({ test, result, typed, afterMs }) => ({
        kind: 'tested' as const,
        mode: mode.id,
        number: test.number,
        result,
        reading: readingOf(test, typed),
        ...(afterMs === undefined ? {} : { afterMs: Math.round(afterMs) }),
      })),
    );
  return (
    <div className="sheet stack">
      {route && (
        <Fold title={`How to get there: ${route.name}`}>
          <pre className="small">{printSteps(route.steps)}</pre>
        </Fold>
      )}
      {following !== null ? (
        <Follow mode={mode} first={following} data={data} onTold={record} onEnd={() => setFollowing(null)} />
      ) : (
        runs.map((t) => (
          <Button
            key={t.number}
            variant="contained"
            size="glove"
            fullWidth
            color="primary"
            onClick={() => setFollowing(t.number)}
          >
            They run by themselves from {t.number}: follow along
          </Button>
        ))
      )}
      <ol className="plain stack">
        {tests.map((t) => (
          <TestRow
            key={t.number}
            test={t}
            result={results.findLast((r) => r.number === t.number)?.result ?? null}
            blocked={
              t.needsFirst !== undefined && !results.some((r) => r.number === t.needsFirst && r.result === 'pass')
            }
            onResult={(result, typed) => record({ test: t, result, typed })}
          />
        ))}
      </ol>
    </div>
  );
}

/** The reading of a test as it is kept; null where none was typed that can be read. */
function readingOf(test: NumberedTest, typed: string): TakenReading | null {
  const judged = judgeTestReading(test, typed);
  return judged?.ok ? judged.value.taken : null;
}

function TestRow({
  test,
  result,
  blocked,
  onResult,
}: {
  test: NumberedTest;
  result: Result | null;
  blocked: boolean;
  onResult: (result: Result, typed: string) => void;
}) {
  const [typed, setTyped] = useState('');
  const wantsReading = test.expects?.kind === 'reading';
  const judged = judgeTestReading(test, typed);
  return (
    <li className={`lined one ends ${result ?? ''}`}>
      <strong className="mono">{test.number}</strong>
      <div>
        <strong>{test.name}</strong> {test.coldOnly && <span className="tag">only when cold</span>}{' '}
        {blocked && <span className="tag">after test {test.needsFirst}</span>}
        <div className="small soft">{test.starts}</div>
        <div>{test.expected}</div>
        {test.stops && <div className="small">To stop: {test.stops}</div>}
        {test.repeatWhen && <div className="small">{test.repeatWhen}</div>}
        {wantsReading && (
          <Input
            fullWidth
            placeholder="reading"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            slotProps={{ input: { 'aria-label': `reading of test ${test.number}`, inputMode: 'text' } }}
          />
        )}
        {typed !== '' && (
          <span className="small">
            {judged?.ok ? testReadingWords(judged.value) : 'cannot be read as a number with its unit'}
          </span>
        )}
        <div className="row">
          <Button size="glove" aria-pressed={result === 'pass'} onClick={() => onResult('pass', typed)}>
            Good
          </Button>
          <Button size="glove" aria-pressed={result === 'fail'} onClick={() => onResult('fail', typed)}>
            Bad
          </Button>
          <Button size="glove" aria-pressed={result === 'not-valid'} onClick={() => onResult('not-valid', typed)}>
            Not valid
          </Button>
          {result && <span className="tag">{resultWords[result]}</span>}
        </div>
      </div>
    </li>
  );
}

type FollowProps = Readonly<{
  mode: Mode;
  first: string;
  data: StationProps['data'];
  onTold: (...told: readonly Told[]) => void;
  onEnd: () => void;
}>;

/** What should be seen and heard now, how long yet, and one large button for what is wrong. */
function Follow({ mode, first, data, onTold, onEnd }: FollowProps) {
  const run = runOf(mode, first);
  const [began, setBegan] = useState<number | null>(null);
  const [elapsed, setElapsed] = useState(0);
  const [failed, setFailed] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    if (began === null) return;
    const timer = setInterval(() => setElapsed(Date.now() - began), 200);
    return () => clearInterval(timer);
  }, [began]);
  const at = runAt(run, elapsed);
  if (began === null)
    return (
      <Button variant="contained" size="glove" fullWidth color="primary" onClick={() => setBegan(Date.now())}>
        Test {first} begins now
      </Button>
    );
  const { now } = at;
  const end = () => {
    onTold(
      ...run.filter((r) => !failed.has(r.test.number)).map((r): Told => ({ test: r.test, result: 'pass', typed: '' })),
    );
    onEnd();
  };
  return (
    <div className="stack follow" aria-live="polite">
      {now ? (
        <>
          <div className="row spread">
            <span className="soft">
              test {now.test.number} of {run.length}
            </span>
            <span className="mono" role="timer">
              {Math.ceil(at.leftMs / 1000)} s yet
            </span>
          </div>
          <p className="big words">{now.test.name}</p>
          <p>{now.test.expected}</p>
          {now.test.expects?.kind === 'signs' && (
            <p className="tag">{shownWords(now.test.expects.signs, data.panel)}</p>
          )}
          <Progress done={elapsed - now.fromMs} of={now.toMs - now.fromMs} name="how far the test is" />
          <Button
            size="glove"
            fullWidth
            color="error"
            disabled={failed.has(now.test.number)}
            onClick={() => {
              setFailed(new Set([...failed, now.test.number]));
              onTold({ test: now.test, result: 'fail', typed: '', afterMs: elapsed });
            }}
          >
            {failed.has(now.test.number) ? 'Noted' : 'This is wrong'}
          </Button>
          {at.next && <p className="soft">then: {at.next.test.name}</p>}
        </>
      ) : (
        <p className="big words">They are through.</p>
      )}
      <Button fullWidth onClick={end}>
        {now ? 'All the rest was good; end here' : 'Keep what I saw'}
      </Button>
    </div>
  );
}
