import {
  baseUnit,
  computeBand,
  formatQuantity,
  type Instrument,
  judgeReading,
  type MeasureNode,
  needsTemperature,
  type Parameters,
  parseReading,
  type TakenReading,
} from '@wire-trail/core';
import { useState } from 'react';
import { readingErrorWords } from '../words.ts';

type Props = Readonly<{
  node: MeasureNode;
  parameters: Parameters;
  instruments: readonly Instrument[];
  onTake: (reading: TakenReading) => void;
  action?: string;
}>;

export type Judged =
  | Readonly<{ kind: 'wrong'; field: 'reading' | 'temperature' | 'band'; words: string }>
  | Readonly<{ kind: 'judged'; taken: TakenReading; named: 'open' | 'short' | null; offByRatio: number | null }>;

/** Judges what was typed against the band expected at the measured temperature. */
export function judge(input: {
  node: MeasureNode;
  parameters: Parameters;
  accuracyRatio: number;
  typed: string;
  temperature: string;
}): Judged {
  const { node, parameters, accuracyRatio, typed, temperature } = input;
  let atCelsius: number | null = null;
  if (needsTemperature(node.band)) {
    const read = parseReading(temperature, 'temperature');
    if (!read.ok)
      return {
        kind: 'wrong',
        field: 'temperature',
        words:
          temperature.trim() === '' ? 'The good reading depends on the temperature.' : readingErrorWords(read.error),
      };
    if (read.value.kind === 'open') return { kind: 'wrong', field: 'temperature', words: 'Type a temperature.' };
    atCelsius = read.value.value;
  }
  const read = parseReading(typed, node.quantity);
  if (!read.ok) return { kind: 'wrong', field: 'reading', words: readingErrorWords(read.error) };
  const band = computeBand(node.band, parameters, atCelsius);
  if (!band.ok) return { kind: 'wrong', field: 'band', words: bandWords[band.error.code] };
  const verdict = judgeReading({ reading: read.value, quantity: node.quantity, band: band.value, accuracyRatio });
  return {
    kind: 'judged',
    named: verdict.named,
    offByRatio: verdict.offByRatio,
    taken: {
      typed: typed.trim(),
      quantity: node.quantity,
      value: read.value.kind === 'open' ? null : read.value.value,
      atCelsius,
      least: band.value.least,
      most: band.value.most,
      verdict: verdict.verdict,
    },
  };
}

const bandWords = {
  'parameter-missing': 'A value of this unit is missing in the library. Note the reading and ask the trainer.',
  'temperature-needed': 'The good reading depends on the temperature.',
  'temperature-outside': 'The table of this sensor does not reach that temperature.',
  'band-impossible': 'The good band cannot be computed. Note the reading and ask the trainer.',
} as const;

const verdictWords = { pass: 'Good', low: 'Too low', high: 'Too high', 'too-close': 'Too close to call' } as const;

/** One measurement: where the probes go, what is good here and now, and what the reading means. */
export function Measure({ node, parameters, instruments, onTake, action = 'Take this reading' }: Props) {
  const [typed, setTyped] = useState('');
  const [temperature, setTemperature] = useState('');
  const [tried, setTried] = useState(false);
  const instrument = instruments.find((i) => i.id === node.instrument);
  const accuracyRatio = instrument?.accuracyRatio ?? 0;
  const judged = judge({ node, parameters, accuracyRatio, typed, temperature });
  const thermal = needsTemperature(node.band);
  const at = thermal ? parseReading(temperature, 'temperature') : null;
  const celsius = at?.ok && at.value.kind === 'value' ? at.value.value : null;
  const band = computeBand(node.band, parameters, celsius);
  const show = tried || typed !== '';
  const wrong = (field: 'reading' | 'temperature' | 'band') =>
    show && judged.kind === 'wrong' && judged.field === field ? judged.words : null;
  return (
    <form
      className="stack"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (judged.kind === 'judged') onTake(judged.taken);
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
      <div className={thermal ? 'two' : ''}>
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
        <label className="field">
          What the meter shows, {baseUnit(node.quantity)}
          <input
            className="box mono reading"
            value={typed}
            inputMode="text"
            autoComplete="off"
            placeholder={node.quantity === 'resistance' ? '12k4, 17.6, OL' : ''}
            aria-invalid={wrong('reading') !== null}
            onChange={(e) => setTyped(e.target.value)}
          />
          {wrong('reading') && <span className="wrong">{wrong('reading')}</span>}
        </label>
      </div>
      {wrong('band') && <p className="wrong">{wrong('band')}</p>}
      {band.ok && (
        <Scale
          band={band.value}
          value={judged.kind === 'judged' ? judged.taken.value : null}
          quantity={node.quantity}
          where={celsius !== null ? ` at ${formatQuantity(celsius, 'temperature')}` : ''}
        />
      )}
      {judged.kind === 'judged' && (
        <div
          className={`note ${judged.taken.verdict === 'pass' ? 'good' : judged.taken.verdict === 'too-close' ? '' : 'bad'}`}
          role="status"
        >
          <strong>
            {judged.named === 'open' ? 'Open' : judged.named === 'short' ? 'Short' : verdictWords[judged.taken.verdict]}
            {judged.taken.value !== null ? `: ${formatQuantity(judged.taken.value, node.quantity)}` : ''}
          </strong>
          {judged.offByRatio !== null && judged.named === null && (
            <span>
              {' '}
              ({judged.offByRatio > 0 ? '+' : ''}
              {Math.round(judged.offByRatio * 100)} % of the expected value)
            </span>
          )}
          {judged.taken.verdict === 'too-close' && (
            <p>
              The meter may be off by {Math.round(accuracyRatio * 1000) / 10} %, and that reaches across the edge. Zero
              the leads, warm or cool the part by some degrees, and measure once more.
            </p>
          )}
        </div>
      )}
      <div className="actions">
        <button type="submit" className="act first big wide">
          {action}
        </button>
      </div>
    </form>
  );
}

type ScaleProps = Readonly<{
  band: { least: number | null; middle: number | null; most: number | null };
  value: number | null;
  quantity: MeasureNode['quantity'];
  where: string;
}>;

/** The good band as a strip, and where the reading falls. Logarithmic, so that open and short are on it. */
function Scale({ band, value, quantity, where }: ScaleProps) {
  const { least, most } = band;
  const words = `good${where}: ${least === null ? `up to ${formatQuantity(most ?? 0, quantity)}` : most === null ? `${formatQuantity(least, quantity)} and up` : `${formatQuantity(least, quantity)} to ${formatQuantity(most, quantity)}`}`;
  const from = (least ?? (most ?? 1) / 4) / 2.5;
  const to = (most ?? (least ?? 1) * 4) * 2.5;
  const share = (v: number) => Math.min(1, Math.max(0, Math.log(Math.max(v, from) / from) / Math.log(to / from))) * 100;
  return (
    <div className="scale">
      <div className="strip">
        <div
          className="good"
          style={{ left: `${least === null ? 0 : share(least)}%`, right: `${most === null ? 0 : 100 - share(most)}%` }}
        />
        {value !== null && <div className="at" style={{ left: `${share(value)}%` }} />}
      </div>
      <p className="small mono">{words}</p>
    </div>
  );
}
