import { formatQuantity, writeDifference } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import { amountOf, computeBand, needsTemperature, type Parameters } from '../chart/band.ts';
import type { Band } from '../model/band.ts';
import type { MeasureNode } from '../model/chart.ts';
import type { Family } from '../model/family.ts';
import { type VariantCase, variantName } from '../model/values.ts';

const span = (least: string | null, most: string | null): string =>
  least === null ? `up to ${most}` : most === null ? `${least} and up` : `${least} to ${most}`;

/** A good band in words, worked out as far as it can be on paper: thermistors at three temperatures. */
export function bandWords(band: Band, node: Pick<MeasureNode, 'quantity'>, parameters: Parameters): string {
  const show = (v: number | null) => (v === null ? null : formatQuantity(v, node.quantity));
  if (needsTemperature(band)) {
    const at = [10, 25, 60].flatMap((atCelsius) => {
      const good = computeBand(band, { parameters, atCelsius });
      return good.ok ? [`${span(show(good.value.least), show(good.value.most))} at ${atCelsius} °C`] : [];
    });
    return at.join('; ') || 'depends on the temperature';
  }
  switch (band.kind) {
    case 'of-setting': {
      const [plus, minus] = [amountOf(band.plus, parameters), amountOf(band.minus, parameters)];
      const part = (v: number | null) =>
        v === null
          ? '?'
          : band.by === 'share'
            ? `${Math.round(v * 1000) / 10} %`
            : writeDifference(v, node.quantity, band.toldIn);
      return `what is set, up to ${part(plus)} over and ${part(minus)} under`;
    }
    case 'ratio':
    case 'rate': {
      const bounds = band.kind === 'ratio' ? [band.least, band.most] : [band.leastPerMin, band.mostPerMin];
      const [least, most] = bounds.map((b) => (b === null ? null : String(amountOf(b, parameters) ?? '?')));
      return `${span(least ?? null, most ?? null)} ${band.kind === 'ratio' ? 'times the earlier reading' : 'a minute'}`;
    }
    case 'time-to': {
      const [least, most] = [band.leastS, band.mostS].map((s) =>
        s === null ? null : formatQuantity(amountOf(s, parameters) ?? 0, 'duration'),
      );
      return `${show(amountOf(band.value, parameters)) ?? '?'} after ${span(least ?? null, most ?? null)}`;
    }
    case 'element':
    case 'fixed':
    case 'insulation':
    case 'steinhart-hart':
    case 'table':
    case 'thermistor': {
      const good = computeBand(band, { parameters });
      if (!good.ok) return 'cannot be worked out';
      const volt = band.kind === 'insulation' ? ` at ${amountOf(band.testVolt, parameters)} V` : '';
      return `${span(show(good.value.least), show(good.value.most))}${volt}`;
    }
    default:
      return assertNever(band);
  }
}

/** The same for every variant that may be meant: one, or each that differs with the names of those it is for. */
export function bandWordsOn(
  band: Band,
  node: Pick<MeasureNode, 'quantity'>,
  family: Pick<Family, 'variants'>,
  cases: readonly VariantCase[],
): string {
  const words = new Map<string, string[]>();
  for (const { variants, parameters } of cases) {
    const said = bandWords(band, node, parameters);
    const names = variants.map((id) => variantName(family, id));
    words.set(said, [...(words.get(said) ?? []), ...names]);
  }
  const [only] = words.keys();
  return words.size === 1 && only !== undefined
    ? only
    : [...words].map(([said, names]) => `${said} (${names.join(', ')})`).join('; ');
}

/** What a verdict is called where it stands. */
export const verdictWords = {
  'cause-found': 'Cause found',
  'hand-on': 'Hand it on',
  'nothing-found': 'Nothing found',
  'unsafe-stop': 'Stop: unsafe',
  'left-limited': 'Left running limited',
} as const;
