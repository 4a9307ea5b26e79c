import Button from '@mui/material/Button';
import {
  accuracyOf,
  type BandKnown,
  bandsHere,
  cautionWords,
  goodWords,
  type Instrument,
  inOwnUnits,
  type JudgedCase,
  type Measured,
  type MeasureError,
  type MeasureNode,
  measure,
  measureCautions,
  measureErrorWords,
  needsTemperature,
  parseReading,
  readingsNeeded,
  type ShownBy,
  shownIn,
  supplyWords,
  type TakenReading,
} from '@wire-trail/core';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { useAmounts } from '../../../../foundation/use-own.ts';
import { Input } from '../../../../parts/field/Input.tsx';
import { Select } from '../../../../parts/field/Select.tsx';
import { BandStrip, Verdict } from './Judged.tsx';
import { Readings, useReadings } from './Readings.tsx';

const Curve = lazy(() => import('./Curve.tsx'));

type Props = Readonly<{
  node: MeasureNode;
  known: BandKnown;
  instruments: readonly Instrument[];
  /** Where the unit itself shows it, in place of a meter. */
  shown?: ShownBy | null;
  /** What was taken here before and taken back since: it stands in the boxes again. */
  former?: TakenReading | null;
  settingName?: (id: string) => string;
  /** What the setting its band goes by is keyed in. */
  settingUnit?: string | undefined;
  onTake: (reading: TakenReading, answer: Measured['answer']) => void;
  action?: string;
  /** Where readings over time are kept until they are taken; left out where one is enough. */
  keptAs?: string;
  /** Said of a reading that means one thing on one variant and another on another. */
  needsPlate?: (cases: readonly JudgedCase[]) => ReactNode;
  variantName?: (id: string) => string;
}>;

const supplySaid = {
  dead: 'Dead: isolated and proved',
  'at rest': 'At rest',
  energised: 'Energised',
  running: 'While it runs',
  'to prove it dead': 'Isolated: this proves it dead. Prove the meter on something live before and after',
} as const;

/** One measurement: where the probes go, what is good here and now, and what the reading means. */
export function Measure({
  node,
  known,
  instruments,
  shown = null,
  former = null,
  settingName = (id) => id,
  settingUnit,
  onTake,
  action = 'Take this reading',
  keptAs,
  needsPlate,
  variantName = (id) => id,
}: Props) {
  const readings = useReadings(former && !former.points ? former.typed : '', keptAs ?? null);
  const amounts = useAmounts();
  const [temperature, setTemperature] = useState(
    former?.atCelsius == null ? '' : amounts.say(former.atCelsius, 'temperature'),
  );
  const [set, setSet] = useState('');
  const [meter, setMeter] = useState<string>(former?.instrument ?? node.instrument ?? '');
  const [tried, setTried] = useState(false);
  const instrument = instruments.find((i) => i.id === meter);
  const typed = inOwnUnits({ readings: readings.taken, temperature, set }, node.quantity, amounts.own, {
    shown: shown ? shownIn(shown, node) : undefined,
    set: settingUnit,
  });
  const judged = measure({ node, typed, known, instrument, shown });
  const bands = bandsHere(node, typed, known);
  const [only, ...others] = bands.ok ? bands.value : [];
  const band = only && others.length === 0 ? only.band : null;
  const thermal = needsTemperature(node.band);
  const asksSet = node.band.kind === 'of-setting' && !known.settings?.has(node.band.setting);
  const at = thermal ? parseReading(typed.temperature ?? '', 'temperature') : null;
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
        if (!judged.ok) return;
        readings.forget();
        onTake(judged.value.taken, judged.value.answer);
      }}
    >
      <ul>
        {shown ? (
          <li>
            Read it on the unit: <strong>{shown.field.name}</strong> on “{shown.readout.name}”
            {shown.address !== null && (
              <>
                {' '}
                at <strong className="mono">{shown.address}</strong>
              </>
            )}
            . No cover has to come off.
          </li>
        ) : (
          <>
            <li>
              Measure at <strong>{node.probes.join(' and ')}</strong>
            </li>
            <li>
              {supplySaid[supplyWords(node)]}
              {node.supply === 'dead' && node.isolation && `. ${node.isolation}`}
            </li>
          </>
        )}
        {node.disconnect.map((d) => (
          <li key={d}>Off first: {d}</li>
        ))}
        {measureCautions(node, known.parameters).map((caution) => (
          <li key={caution.kind}>{cautionWords(caution)}</li>
        ))}
        {node.under && <li>{node.under}</li>}
      </ul>
      <div className={thermal || asksSet ? 'two' : ''}>
        {thermal && (
          <label className="field">
            Temperature of {node.temperatureOf ?? 'the part'}
            <Input
              fullWidth
              className="mono reading"
              value={temperature}
              placeholder={amounts.say(22.4, 'temperature')}
              error={Boolean(wrong('temperature') !== null)}
              onChange={(e) => setTemperature(e.target.value)}
              slotProps={{ input: { inputMode: 'text' } }}
            />
            {wrong('temperature') && <span className="wrong">{wrong('temperature')}</span>}
          </label>
        )}
        {asksSet && node.band.kind === 'of-setting' && (
          <label className="field">
            {settingName(node.band.setting)} stands at{settingUnit && `, ${settingUnit}`}
            <Input
              fullWidth
              className="mono reading"
              value={set}
              error={Boolean(wrong('set') !== null)}
              onChange={(e) => setSet(e.target.value)}
              slotProps={{ input: { inputMode: 'text' } }}
            />
            {wrong('set') && <span className="wrong">{wrong('set')}</span>}
          </label>
        )}
        <Readings
          of={readings}
          label={
            shown
              ? `What the unit shows, ${shownIn(shown, node)}`
              : `What the meter shows, ${amounts.unit(node.quantity)}`
          }
          least={readingsNeeded(node.band)}
          placeholder={node.quantity === 'resistance' ? '12k4, 17.6, OL' : ''}
          wrong={(index) => wrong('reading', index)}
        />
      </div>
      {bands.ok && others.length > 0 && error?.field !== 'variant' && (
        <div className="small mono">
          {bands.value.map((b) => (
            <p key={b.variants.join()}>
              good on {b.variants.map(variantName).join(', ')}: {goodWords({ quantity: node.quantity }, b.band)}
            </p>
          ))}
        </div>
      )}
      {error?.field === 'variant' &&
        (needsPlate?.(error.error.cases) ?? <p className="wrong">{measureErrorWords(error)}</p>)}
      {!shown && usable.length > 1 && (
        <label className="field meter">
          With
          <Select native fullWidth value={meter} onChange={(e) => setMeter(e.target.value)}>
            {usable.map((i) => (
              <option key={i.id} value={i.id}>
                {i.name}, ±{Math.round(accuracyOf(i, node.quantity) * 1000) / 10} %
              </option>
            ))}
          </Select>
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
      {thermal && celsius !== null && band ? (
        <Suspense
          fallback={<BandStrip node={node} band={band} judged={judged.ok ? judged.value : null} celsius={celsius} />}
        >
          <Curve
            node={node}
            parameters={known.parameters}
            atCelsius={celsius}
            ohm={judged.ok ? judged.value.taken.value : null}
          />
          <BandStrip node={node} band={band} judged={judged.ok ? judged.value : null} celsius={celsius} />
        </Suspense>
      ) : (
        band && <BandStrip node={node} band={band} judged={judged.ok ? judged.value : null} celsius={celsius} />
      )}
      {judged.ok && <Verdict judged={judged.value} node={node} instruments={instruments} instrument={instrument} />}
      {/* where the plate is needed first, that is the next thing to do */}
      {!(error?.field === 'variant' && needsPlate) && (
        <div className="actions">
          <Button type="submit" variant="contained" size="glove" fullWidth color="primary">
            {action}
          </Button>
        </div>
      )}
    </form>
  );
}
