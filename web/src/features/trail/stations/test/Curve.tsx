import { bandCurve, celsiusOf, formatQuantity, type MeasureNode, type Parameters } from '@wire-trail/core';
import type { ApexOptions } from 'apexcharts';
import ReactApexChart from 'react-apexcharts';

// the package's default may arrive wrapped once more, by how it is bundled
const Chart = ((ReactApexChart as unknown as { default?: typeof ReactApexChart }).default ??
  ReactApexChart) as typeof ReactApexChart;

const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

type Props = Readonly<{ node: MeasureNode; parameters: Parameters; atCelsius: number; ohm: number | null }>;

/** The sensor's good readings over temperature, and the point that was measured. */
export default function Curve({ node, parameters, atCelsius, ohm }: Props) {
  const [from, to] = [Math.floor((atCelsius - 18) / 5) * 5, Math.ceil((atCelsius + 18) / 5) * 5];
  const points = bandCurve({ band: node.band, parameters, leastCelsius: from, mostCelsius: to, steps: 32 });
  if (points.length < 2) return null;
  const meant = ohm === null ? null : celsiusOf(node.band, parameters, ohm);
  const high = Math.max(...points.map((p) => p.most));
  // an open circuit or a short is not on the curve's paper
  const isOn = ohm !== null && ohm > 0 && ohm < high * 2;
  const options: ApexOptions = {
    chart: {
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'inherit',
      background: 'transparent',
    },
    theme: { mode: document.documentElement.dataset.mode === 'dark' ? 'dark' : 'light' },
    colors: [colour('--good'), colour('--spruce'), colour('--copper')],
    fill: { type: 'solid', opacity: [0.3, 1, 1] },
    stroke: { width: [0, 1.5, 0], curve: 'straight' },
    markers: { size: [0, 0, 7], strokeColors: colour('--sheet') },
    dataLabels: { enabled: false },
    legend: { show: false },
    grid: { borderColor: colour('--line'), padding: { left: 4, right: 8 } },
    tooltip: { enabled: false },
    xaxis: {
      type: 'numeric',
      min: from,
      max: to,
      tickAmount: 4,
      labels: { formatter: (v) => `${Math.round(Number(v))} °C`, style: { colors: colour('--soft') } },
    },
    yaxis: {
      min: 0,
      max: isOn ? Math.max(high, ohm) * 1.05 : high * 1.05,
      tickAmount: 3,
      labels: { formatter: (v) => formatQuantity(v, 'resistance'), style: { colors: [colour('--soft')] } },
    },
  };
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
          {formatQuantity(ohm ?? 0, 'resistance')} belongs to {formatQuantity(meant, 'temperature')} on this curve.
        </figcaption>
      )}
    </figure>
  );
}
