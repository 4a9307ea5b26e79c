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
  const [from, to] = [Math.floor((atCelsius - 35) / 5) * 5, Math.ceil((atCelsius + 45) / 5) * 5];
  const points = bandCurve({ band: node.band, parameters, leastCelsius: from, mostCelsius: to, steps: 32 });
  if (points.length < 2) return null;
  const meant = ohm === null ? null : celsiusOf(node.band, parameters, ohm);
  const values = points.flatMap((p) => [p.least, p.most]).concat(ohm !== null && ohm > 0 ? [ohm] : []);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const isOn = ohm !== null && ohm > 0 && ohm < high * 20 && ohm > low / 20;
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
    fill: { type: 'solid', opacity: [0.22, 1, 1] },
    stroke: { width: [0, 2, 0], curve: 'straight' },
    markers: { size: [0, 0, 8], strokeColors: colour('--sheet') },
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
      logarithmic: true,
      min: low * 0.8,
      max: Math.min(high * 1.2, isOn ? high * 1.2 : high),
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
