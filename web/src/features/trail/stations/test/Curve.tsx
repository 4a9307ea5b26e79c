import { bandCurve, celsiusOf, formatQuantity, type MeasureNode, type Parameters } from '@wire-trail/core';
import type { ApexOptions } from 'apexcharts';
import ReactApexChart from 'react-apexcharts';
import { paletteOf } from '../../../../foundation/theme/theme.ts';
import { useMode } from '../../../../foundation/use-look.ts';
import { useAmounts } from '../../../../foundation/use-own.ts';
import { curveOptions } from './curve-options.ts';

// the package's default may arrive wrapped once more, by how it is bundled
const Chart = ((ReactApexChart as unknown as { default?: typeof ReactApexChart }).default ??
  ReactApexChart) as typeof ReactApexChart;

type Props = Readonly<{ node: MeasureNode; parameters: Parameters; atCelsius: number; ohm: number | null }>;

/** The sensor's good readings over temperature, and the point that was measured. */
export default function Curve({ node, parameters, atCelsius, ohm }: Props) {
  const mode = useMode();
  const amounts = useAmounts();
  const [from, to] = [Math.floor((atCelsius - 18) / 5) * 5, Math.ceil((atCelsius + 18) / 5) * 5];
  const points = bandCurve({ band: node.band, parameters, leastCelsius: from, mostCelsius: to, steps: 32 });
  if (points.length < 2) return null;
  const meant = ohm === null ? null : celsiusOf(node.band, parameters, ohm);
  const high = Math.max(...points.map((p) => p.most));
  // an open circuit or a short is not on the curve's paper
  const isOn = ohm !== null && ohm > 0 && ohm < high * 2;
  const options = curveOptions(paletteOf(mode), { from, to, top: (isOn ? Math.max(high, ohm) : high) * 1.05 });
  const series = [
    { name: 'good', type: 'rangeArea', data: points.map((p) => ({ x: p.atCelsius, y: [p.least, p.most] })) },
    { name: 'expected', type: 'line', data: points.map((p) => ({ x: p.atCelsius, y: p.middle })) },
    { name: 'measured', type: 'scatter', data: isOn ? [{ x: atCelsius, y: ohm }] : [] },
  ] as ApexOptions['series'];
  return (
    <figure className="curve" aria-label="the sensor’s curve with the measured point">
      <Chart type="rangeArea" height={190} options={options} series={series ?? []} />
      {meant !== null && Math.abs(meant - atCelsius) >= 0.1 && (
        <figcaption className="small soft">
          {formatQuantity(ohm ?? 0, 'resistance')} belongs to {amounts.say(meant, 'temperature')} on this curve.
        </figcaption>
      )}
    </figure>
  );
}
