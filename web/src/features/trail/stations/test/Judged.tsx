import {
  formatTaken,
  type GoodBand,
  type Instrument,
  judgedWords,
  type Measured,
  type MeasureNode,
  settledBy,
  type TakenReading,
  tooCloseWords,
} from '@wire-trail/core';
import { useAmounts } from '../../../../foundation/use-own.ts';
import { onStrip } from './strip.ts';

/** What a reading means; where it is borderline, what to do then. */
export function Verdict({
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
  const amounts = useAmounts();
  const { taken, offByRatio, named } = judged;
  const tone = taken.verdict === 'pass' ? 'good' : taken.verdict === 'too-close' ? '' : 'bad';
  const telling = (settledByRatio: number | null) =>
    settledBy({ settledByRatio }, node.quantity, instruments).flatMap(
      (id) => instruments.find((i) => i.id === id)?.name.toLowerCase() ?? [],
    );
  return (
    <div className={`note ${tone}`} role="status">
      <strong>
        {judgedWords(judged)}
        {taken.value !== null ? `: ${formatTaken(taken, taken.value, amounts.own)}` : ''}
      </strong>
      {offByRatio !== null && named === null && (
        <span>
          {' '}
          ({offByRatio > 0 ? '+' : ''}
          {Math.round(offByRatio * 100)} % of the expected value)
        </span>
      )}
      {taken.verdict === 'too-close' && (
        <p>{tooCloseWords(judged, instrument?.name.toLowerCase() ?? 'meter', telling)}</p>
      )}
    </div>
  );
}

/** The good band as a strip, where the reading falls, and how far it may be off. */
export function BandStrip({
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
  const amounts = useAmounts();
  const { least, most } = band;
  const taken: Pick<TakenReading, 'quantity' | 'as'> = judged?.taken ?? { quantity: node.quantity, ...asOf(node) };
  const words = (v: number | null) => formatTaken(taken, v, amounts.own);
  const warm = celsius === null ? '' : ` at ${amounts.say(celsius, 'temperature')}`;
  const said =
    least === null
      ? `up to ${words(most)}`
      : most === null
        ? `${words(least)} and up`
        : `${words(least)} to ${words(most)}`;
  const value = judged?.taken.value ?? null;
  const doubt = judged ? judged.doubt + (judged.temperatureDoubt?.doubt ?? 0) : 0;
  const where = onStrip(least, most, value);
  const share = (v: number) => where(v) * 100;
  return (
    <div>
      <div className="strip">
        <div
          className="good"
          style={{ left: `${least === null ? 0 : share(least)}%`, right: `${most === null ? 0 : 100 - share(most)}%` }}
        />
        {value !== null && doubt > 0 && (
          <div
            className="doubt"
            style={{ left: `${share(value - doubt)}%`, right: `${100 - share(value + doubt)}%` }}
          />
        )}
        {value !== null && <div className="at" style={{ left: `${share(value)}%` }} />}
      </div>
      <p className="small mono">
        good{warm}: {said}
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
