import type { Palette } from '@mui/material/styles';
import { formatQuantity } from '@wire-trail/core';
import type { ApexOptions } from 'apexcharts';

type Paper = Readonly<{ from: number; to: number; top: number }>;

/** How a sensor's curve is drawn from one temperature to another and up to a resistance, in the look of the page. */
export function curveOptions(palette: Palette, { from, to, top }: Paper): ApexOptions {
  return {
    chart: {
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'inherit',
      background: 'transparent',
    },
    theme: { mode: palette.mode },
    colors: [palette.success.main, palette.secondary.main, palette.primary.main],
    fill: { type: 'solid', opacity: [0.3, 1, 1] },
    stroke: { width: [0, 1.5, 0], curve: 'straight' },
    markers: { size: [0, 0, 7], strokeColors: palette.background.paper },
    dataLabels: { enabled: false },
    legend: { show: false },
    grid: { borderColor: palette.divider, padding: { left: 4, right: 8 } },
    tooltip: { enabled: false },
    xaxis: {
      type: 'numeric',
      min: from,
      max: to,
      tickAmount: 4,
      labels: { formatter: (v) => `${Math.round(Number(v))} °C`, style: { colors: palette.text.secondary } },
    },
    yaxis: {
      min: 0,
      max: top,
      tickAmount: 3,
      labels: { formatter: (v) => formatQuantity(v, 'resistance'), style: { colors: [palette.text.secondary] } },
    },
  };
}
