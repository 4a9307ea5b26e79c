import {
  accuracyOf,
  type BandKnown,
  bandHere,
  baseUnit,
  formatQuantity,
  formatTaken,
  type GoodBand,
  type Instrument,
  type Measured,
  type MeasureError,
  type MeasureNode,
  measure,
  needsTemperature,
  parseReading,
  readingsNeeded,
  settledBy,
  type TakenReading,
  type TypedReading,
} from '@wire-trail/core';
import { lazy, Suspense, useState } from 'react';
import { judgedWords, measureErrorWords } from './measure-words.ts';
import { Readings, useReadings } from './Readings.tsx';

const Curve = lazy(() => import('./Curve.tsx'));

type Props = Readonly<{
  node: MeasureNode;
  known: BandKnown;
  instruments: readonly Instrument[];
  /** What was taken here before and taken back since: it stands in the boxes again. */
  former?: TakenReading | null;
  settingName?: (id: string) => string;
  onTake: (reading: TakenReading, answer: Measured['answer']) => void;
  action?: string;
}>;

/** One measurement: where the probes go, what is good here and now, and what the reading means. */
export function Measure({
  node,
  known,
  instruments,
  former = null,
  settingName = (id) => id,
  onTake,
  action = 'Take this reading',
}: Props) {
  const readings = useReadings(former && !former.points ? former.typed : '');
  const [temperature, setTemperature] = useState(
    former?.atCelsius == null ? '' : `${Math.round(former.atCelsius * 10) / 10} °C`,
  );
  const [set, setSet] = useState('');
  const [meter, setMeter] = useState<string>(former?.instrument ?? node.instrument ?? '');
  const [tried, setTried] = useState(false);
  const instrument = instruments.find((i) => i.id === meter);
  const typed: TypedReading = { readings: readings.taken, temperature, set };
  const judged = measure({ node, typed, known, instrument });
  const band = bandHere(node, typed, known);
  const thermal = needsTemperature(node.band);
  const asksSet = node.band.kind === 'of-setting' && !known.settings?.has(node.band.setting);
  const at = thermal ? parseReading(temperature, 'temperature') : null;
  const celsius = at?.ok && at.value.kind === 'value' ? at.value.value : null;
  const show = tried || readings.taken.length > 0;
  const error: MeasureError | null = judged.ok ? null : judged.error;
  const wrong = (field: MeasureError['field'], index = 0): string | null =>
    show &&
    error?.field === field &&
    (error.field !== 'reading' || error.index === index) &&
    !(field === 'readings' && !tried)
      ? measureErrorWords(error)
      : null;
  const usable = instruments.filter(
    (i) =>
      i.id === node.instrument ||
      i.ranges.some((r) => r.quantity === node.quantity) ||
      i.functions.includes(node.quantity),
  );
  return (
    <form
      className="stack"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (judged.ok) onTake(judged.value.taken, judged.value.answer);
      }}
    >
      <ul className="probes">
        <li>
          Probes on <strong>{node.probes.join(' and ')}</strong>
        </li>
        <li>{node.supply === 'dead' ? 'Dead: isolated and proved' : 'Energised'}</li>
        {node.disconnect.map((d) => (
          <li key={d}>Off first: {d}</li>
        ))}
        {node.under && <li>{node.under}</li>}
      </ul>
      <div className={thermal || asksSet ? 'two' : ''}>
        {thermal && (
          <label className="field">
            Temperature of {node.temperatureOf ?? 'the part'}
            <input
              className="box mono reading"
              value={temperature}
              inputMode="text"
              placeholder="22 °C"
              aria-invalid={wrong('temperature') !== null}
              onChange={(e) => setTemperature(e.target.value)}
            />
            {wrong('temperature') && <span className="wrong">{wrong('temperature')}</span>}
          </label>
        )}
        {asksSet && node.band.kind === 'of-setting' && (
          <label className="field">
            {settingName(node.band.setting)} stands at
            <input
              className="box mono reading"
              value={set}
              inputMode="text"
              aria-invalid={wrong('set') !== null}
              onChange={(e) => setSet(e.target.value)}
            />
            {wrong('set') && <span className="wrong">{wrong('set')}</span>}
          </label>
        )}
        <Readings
          of={readings}
          label={`What the meter shows, ${baseUnit(node.quantity)}`}
          least={readingsNeeded(node.band)}
          placeholder={node.quantity === 'resistance' ? '12k4, 17.6, OL' : ''}
          wrong={(index) => wrong('reading', index)}
        />
      </div>
      {usable.length > 1 && (
        <label className="field meter">
          With
          <select className="box" value={meter} onChange={(e) => setMeter(e.target.value)}>
            {usable.map((i) => (
              <option key={i.id} value={i.id}>
                {i.name}, ±{Math.round(accuracyOf(i, node.quantity) * 1000) / 10} %
              </option>
            ))}
          </select>
        </label>
      )}
      {(['band', 'readings', 'instrument'] as const).map(
        (field) =>
          wrong(field) && (
            <p key={field} className="wrong">
              {wrong(field)}
            </p>
          ),
      )}
      {thermal && celsius !== null && band.ok ? (
        <Suspense
          fallback={
            <BandStrip node={node} band={band.value} judged={judged.ok ? judged.value : null} celsius={celsius} />
          }
        >
          <Curve
            node={node}
            parameters={known.parameters}
            atCelsius={celsius}
            ohm={judged.ok ? judged.value.taken.value : null}
          />
          <BandStrip node={node} band={band.value} judged={judged.ok ? judged.value : null} celsius={celsius} />
        </Suspense>
      ) : (
        band.ok && (
          <BandStrip node={node} band={band.value} judged={judged.ok ? judged.value : null} celsius={celsius} />
        )
      )}
      {judged.ok && <Verdict judged={judged.value} node={node} instruments={instruments} instrument={instrument} />}
      <div className="actions">
        <button type="submit" className="act first big wide">
          {action}
        </button>
      </div>
    </form>
  );
}

/** What a reading means; where it is too close to call, what to do then. */
function Verdict({
  judged,
  node,
  instruments,
  instrument,
}: {
  judged: Measured;
  node: MeasureNode;
  instruments: readonly Instrument[];
  instrument: Instrument | undefined;
}) {
  const { taken, offByRatio, named } = judged;
  const tone = taken.verdict === 'pass' ? 'good' : taken.verdict === 'too-close' ? '' : 'bad';
  const finer = settledBy(judged, node.quantity, instruments).flatMap(
    (id) => instruments.find((i) => i.id === id)?.name ?? [],
  );
  return (
    <div className={`note ${tone}`} role="status">
      <strong>
        {judgedWords(judged)}
        {taken.value !== null ? `: ${formatTaken(taken, taken.value)}` : ''}
      </strong>
      {offByRatio !== null && named === null && (
        <span>
          {' '}
          ({offByRatio > 0 ? '+' : ''}
          {Math.round(offByRatio * 100)} % of the expected value)
        </span>
      )}
      {taken.verdict === 'too-close' && (
        <p>
          The {instrument?.name.toLowerCase() ?? 'meter'} may be off by {formatTaken(taken, judged.doubt)}, and that
          reaches across the edge. {finer.length > 0 ? `The ${finer.join(' or the ').toLowerCase()} would tell. ` : ''}
          {needsTemperature(node.band)
            ? 'Zero the leads, measure the temperature once more, and measure again.'
            : 'Zero the leads and measure once more.'}
        </p>
      )}
    </div>
  );
}

/** The good band as a strip, and where the reading falls. Logarithmic, so that open and short are on it. */
function BandStrip({
  node,
  band,
  judged,
  celsius,
}: {
  node: MeasureNode;
  band: GoodBand;
  judged: Measured | null;
  celsius: number | null;
}) {
  const { least, most } = band;
  const taken: Pick<TakenReading, 'quantity' | 'as'> = judged?.taken ?? { quantity: node.quantity, ...asOf(node) };
  const words = (v: number | null) => formatTaken(taken, v);
  const where = celsius === null ? '' : ` at ${formatQuantity(celsius, 'temperature')}`;
  const said =
    least === null
      ? `up to ${words(most)}`
      : most === null
        ? `${words(least)} and up`
        : `${words(least)} to ${words(most)}`;
  const value = judged?.taken.value ?? null;
  // a strip of signs on both sides of nothing is straight; else it is logarithmic
  const straight = (least ?? 0) <= 0 && (most ?? 0) <= 0;
  const from = straight ? (least ?? most ?? 0) - 1 : Math.max(least ?? (most ?? 1) / 4, 1e-9) / 2.5;
  const to = straight ? (most ?? least ?? 0) + 1 : (most ?? (least ?? 1) * 4) * 2.5;
  const share = (v: number) =>
    Math.min(
      1,
      Math.max(0, straight ? (v - from) / (to - from) : Math.log(Math.max(v, from) / from) / Math.log(to / from)),
    ) * 100;
  return (
    <div className="scale">
      <div className="strip">
        <div
          className="good"
          style={{ left: `${least === null ? 0 : share(least)}%`, right: `${most === null ? 0 : 100 - share(most)}%` }}
        />
        {value !== null && <div className="at" style={{ left: `${share(value)}%` }} />}
      </div>
      <p className="small mono">
        good{where}: {said}
      </p>
    </div>
  );
}

const asOf = (node: MeasureNode): Pick<TakenReading, 'as'> =>
  node.band.kind === 'ratio'
    ? { as: 'ratio' }
    : node.band.kind === 'rate'
      ? { as: 'per-minute' }
      : node.band.kind === 'time-to'
        ? { as: 'seconds' }
        : {};
