import {
  entriesOf,
  entryOf,
  formatQuantity,
  type MeasureNode,
  proveRun,
  type TakenReading,
  walkChart,
} from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { Measure } from './Measure.tsx';
import { Next, Room, type StationProps } from './station.tsx';

/** The run that proves it; one cycle where nothing says how the fault is detected. */
const runOf = ({ subject }: StationProps['data']) =>
  proveRun(subject?.detection ?? { notWatchedCycles: 0, inARow: 1, erasedAfterCleanCycles: null });

/** Run the unit: does it return, after how many cycles; readings before and after; what fixed it. */
export function ProveStation({ walk, data, add }: StationProps) {
  const { subject } = data;
  const run = runOf(data);
  const cycle = subject?.detection.cycle ?? 'cycle';
  if (walk.closed) return <Closed walk={walk} data={data} add={add} />;
  if (walk.waitingUntil) return <Waiting walk={walk} data={data} add={add} />;
  if (!walk.proved) return <Run run={run} cycle={cycle} data={data} walk={walk} add={add} />;
  return <Close walk={walk} data={data} add={add} />;
}

function Run({ run, cycle, data, add }: StationProps & { run: ReturnType<typeof proveRun>; cycle: string }) {
  const [cycles, setCycles] = useState(String(run.cycles));
  const [waiting, setWaiting] = useState(false);
  const [until, setUntil] = useState(tomorrow());
  const count = /^\d{1,4}$/.test(cycles.trim()) ? Number(cycles) : null;
  const prove = (returned: boolean) => count !== null && void add({ kind: 'proved', returned, cycles: count });
  const { detection } = data.subject ?? {};
  return (
    <Room
      panel={{ face: data.front }}
      panelTitle="Running"
      beside={detection?.onlyWhen && <div className="note">{detection.onlyWhen}</div>}
      actions={
        <>
          <Next disabled={count === null} onClick={() => prove(false)}>
            It did not return
          </Next>
          <button type="button" className="act big" disabled={count === null} onClick={() => prove(true)}>
            It returned
          </button>
        </>
      }
    >
      <h1>Run it and see</h1>
      <p className="big-number">
        <strong>{run.cycles}</strong> {plural(cycle, run.cycles)} prove it
      </p>
      <p className="soft">
        {run.notWatched > 0 &&
          `The first ${run.notWatched === 1 ? plural(cycle, 1) : `${run.notWatched} ${plural(cycle, 2)}`} after power-up ${run.notWatched === 1 ? 'is' : 'are'} not watched. `}
        {run.cycles - run.notWatched > 1 && `It is stored after ${run.cycles - run.notWatched} in a row. `}
        Fewer prove nothing.
        {run.erasedAfter !== null && ` The memory erases itself after ${run.erasedAfter} clean ones.`}
      </p>
      <label className="field" style={{ maxWidth: 260 }}>
        {plural(cycle, 2)} run
        <input
          className="box mono"
          inputMode="numeric"
          value={cycles}
          aria-invalid={count === null}
          onChange={(e) => setCycles(e.target.value)}
        />
        {count === null && <span className="wrong">A whole number.</span>}
        {count !== null && count < run.cycles && (
          <span className="wrong">That is fewer than it takes. It will be kept, as not proved.</span>
        )}
      </label>
      {waiting ? (
        <form
          className="row"
          onSubmit={(e: FormEvent) => {
            e.preventDefault();
            void add({ kind: 'waits', until, why: `${run.cycles} ${plural(cycle, run.cycles)}` });
          }}
        >
          <label className="field">
            Until
            <input
              className="box"
              type="date"
              value={until}
              min={new Date().toISOString().slice(0, 10)}
              required
              onChange={(e) => setUntil(e.target.value)}
            />
          </label>
          <button type="submit" className="act big">
            Wait until then
          </button>
        </form>
      ) : (
        <button type="button" className="act" onClick={() => setWaiting(true)}>
          Let it wait until a date …
        </button>
      )}
    </Room>
  );
}

function Waiting({ walk, data, add }: StationProps) {
  return (
    <Room panel={{ face: data.front }} actions={<Next onClick={() => void add({ kind: 'resumed' })}>Go on now</Next>}>
      <h1>Waiting until {walk.waitingUntil}</h1>
      <p>The walk is kept here and in the log until it is due.</p>
    </Room>
  );
}

function Close({ walk, data, add }: StationProps) {
  const measured = measuredNodes(walk, data);
  const verdict = data.chart
    ? walkChart(
        data.chart,
        walk.answers.filter((a) => a.chart === data.chart?.id),
      ).at
    : null;
  const causes = data.subject?.suspects.map((s) => s.label) ?? [];
  const found =
    verdict?.kind === 'verdict' && verdict.cause
      ? entriesOf(data.bundle, 'family')[0]?.parts.find((p) => p.id === verdict.cause)?.name
      : undefined;
  const [fixedBy, setFixedBy] = useState(found ?? '');
  const [measuring, setMeasuring] = useState<MeasureNode | null>(null);
  const { returned = false, cycles = 0 } = walk.proved ?? {};
  const run = runOf(data);
  const proven = !returned && cycles >= run.cycles;
  if (measuring)
    return (
      <Room panel={{ face: data.front }}>
        <h1>{measuring.title}, once more</h1>
        <Measure
          node={measuring}
          parameters={data.parameters}
          instruments={entriesOf(data.bundle, 'instrument')}
          onTake={(reading) => {
            if (data.chart) void add({ kind: 'reading-after', chart: data.chart.id, node: measuring.id, reading });
            setMeasuring(null);
          }}
        />
        <button type="button" className="plain" onClick={() => setMeasuring(null)}>
          Back
        </button>
      </Room>
    );
  return (
    <Room
      panel={{ face: data.front }}
      actions={
        <>
          <Next
            disabled={!returned && fixedBy.trim() === ''}
            onClick={() =>
              void add({
                kind: 'closed',
                outcome: returned ? 'handed-on' : fixedBy.trim() ? 'fixed' : 'nothing-found',
                fixedBy: fixedBy.trim(),
              })
            }
          >
            {returned ? 'Close and hand on' : 'Close the walk'}
          </Next>
          {!returned && (
            <button
              type="button"
              className="act big"
              onClick={() => void add({ kind: 'closed', outcome: 'nothing-found', fixedBy: '' })}
            >
              Nothing was found
            </button>
          )}
        </>
      }
    >
      <h1>{returned ? 'It returned' : proven ? 'Proved' : 'Not returned, not proved yet'}</h1>
      <p className="soft">
        {returned
          ? `After ${cycles}. Hand it on with the code and the readings, or take the last step back and test on.`
          : `${cycles} of ${run.cycles} run.`}
      </p>
      <label className="field">
        What fixed it
        <input
          className="box"
          list="causes"
          value={fixedBy}
          maxLength={400}
          onChange={(e) => setFixedBy(e.target.value)}
        />
        <datalist id="causes">
          {causes.map((c) => (
            <option key={c} value={c} />
          ))}
        </datalist>
      </label>
      {measured.length > 0 && (
        <table className="table">
          <thead>
            <tr>
              <th>reading</th>
              <th>before</th>
              <th>after</th>
            </tr>
          </thead>
          <tbody>
            {measured.map(({ node, before, after }) => (
              <tr key={node.id}>
                <td>{node.title}</td>
                <td className="mono">{readingWords(before)}</td>
                <td className="mono">
                  {after ? (
                    readingWords(after)
                  ) : (
                    <button type="button" className="act" onClick={() => setMeasuring(node)}>
                      Measure
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Room>
  );
}

function measuredNodes(walk: StationProps['walk'], data: StationProps['data']) {
  return walk.answers.flatMap((a) => {
    const node = entryOf(data.bundle, 'chart', a.chart)?.nodes.find((n) => n.id === a.node);
    return node?.kind === 'measure' && a.reading
      ? [{ node, before: a.reading, after: walk.after.get(node.id) ?? null }]
      : [];
  });
}

const verdictShort = { pass: 'good', low: 'low', high: 'high', 'too-close': 'too close' } as const;
export const readingWords = (r: TakenReading): string =>
  `${r.value === null ? 'open' : formatQuantity(r.value, r.quantity)}${r.atCelsius === null ? '' : ` at ${formatQuantity(r.atCelsius, 'temperature')}`}, ${verdictShort[r.verdict]}`;

function Closed({ walk, data }: StationProps) {
  return (
    <Room panel={{ face: data.front }}>
      <h1>{walk.closed?.outcome === 'fixed' ? `Fixed: ${walk.closed.fixedBy}` : 'Closed'}</h1>
      <p className="soft">
        {walk.proved && `${walk.proved.returned ? 'Returned' : 'Did not return'} in ${walk.proved.cycles}.`} Wire Trail
        keeps what was done; it does not say that the unit is safe.
      </p>
    </Room>
  );
}

const plural = (word: string, n: number): string => (n === 1 ? word : `${word}s`);
function tomorrow(): string {
  const date = new Date();
  date.setDate(date.getDate() + 1);
  return date.toISOString().slice(0, 10);
}
