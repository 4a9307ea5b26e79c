import {
  Band,
  type Bundle,
  bandHere,
  type Chart,
  celsiusOf,
  entriesOf,
  formatTaken,
  Instrument,
  type MeasureError,
  type MeasureNode,
  measure,
  type ParameterId,
} from '@wire-trail/core';
import type { Options, Output } from './commands.ts';
import { UnusableInput } from './input.ts';

/** Stops with one plain reason at its file or option. */
export const refuse = (file: string, reason: string): never => {
  throw new UnusableInput([{ file, path: [], reason }]);
};

/** The chart of a bundle that was named; else it is told which there are. */
export function chartIn(bundle: Bundle, file: string, id: string | undefined): Chart {
  const charts = entriesOf(bundle, 'chart');
  if (!id) return refuse('--chart', `names the chart: ${charts.map((c) => c.id).join(', ')}`);
  return (
    charts.find((c) => c.id === id) ??
    refuse(file, `has no chart “${id}”; it has ${charts.map((c) => c.id).join(', ')}`)
  );
}

/** What is wrong with a measurement, in words for a line of text. */
export const errorWords = ({ error }: MeasureError): string => {
  const facts = Object.entries(error).filter(([k]) => k !== 'code');
  return [error.code.replaceAll('-', ' '), ...facts.map(([k, v]) => `${k} ${String(v)}`)].join(', ');
};

/** `r25=12000,beta=3740` → numbers by name. */
function numbers(option: string, text: string, names: readonly string[]): Record<string, number> {
  const made: Record<string, number> = {};
  for (const part of text.split(',')) {
    const [name = '', value = ''] = part.split('=').map((s) => s.trim());
    if (!names.includes(name)) return refuse(option, `“${name}” is none of ${names.join(', ')}`);
    const number = Number(value);
    if (value === '' || !Number.isFinite(number)) return refuse(option, `“${value}” is no number`);
    made[name] = number;
  }
  return made;
}

/** The band that the options of `measure` describe. */
function bandOf({ thermistor, element }: Options): Band {
  const read = (made: unknown, option: string): Band => {
    const band = Band.safeParse(made);
    if (band.success) return band.data;
    return refuse(option, band.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '));
  };
  if (thermistor?.startsWith('table=')) {
    const rows = thermistor
      .slice(6)
      .split(',')
      .map((row) => row.split(':').map(Number));
    return read(
      { kind: 'table', rows: rows.map(([atCelsius, ohm]) => ({ atCelsius, ohm })), toleranceRatio: 0 },
      '--thermistor',
    );
  }
  if (thermistor) {
    const n = numbers('--thermistor', thermistor, ['r25', 'beta', 'a', 'b', 'c', 'tolerance']);
    return 'a' in n
      ? read({ kind: 'steinhart-hart', a: n.a, b: n.b, c: n.c, toleranceRatio: n.tolerance ?? 0 }, '--thermistor')
      : read({ kind: 'thermistor', r25Ohm: n.r25, betaK: n.beta, toleranceRatio: n.tolerance ?? 0 }, '--thermistor');
  }
  if (element) {
    const n = numbers('--element', element, ['watt', 'volt', 'tolerance']);
    return read(
      { kind: 'element', powerWatt: n.watt, supplyVolt: n.volt, toleranceRatio: n.tolerance ?? 0 },
      '--element',
    );
  }
  return refuse('measure', 'wants --thermistor or --element');
}

/** One reading against what it should be, with no bundle: what is good there, and what the reading means. */
export function runMeasure(options: Options): Output {
  const { ohm, at, accuracy } = options;
  const band = bandOf(options);
  const node = {
    ...({ id: 'm', kind: 'measure', title: 'm', quantity: 'resistance', probes: ['a', 'b'], supply: 'dead' } as object),
    band,
  } as MeasureNode;
  const ratio = accuracy === undefined ? 0 : Number(accuracy);
  if (!(ratio >= 0 && ratio <= 0.5)) refuse('--accuracy', 'is a share of the reading, such as 0.01');
  const meter = Instrument.parse({
    kind: 'instrument',
    id: 'meter',
    name: 'meter',
    functions: [],
    accuracyRatio: ratio,
  });
  const typed = {
    readings: ohm === undefined ? [] : [{ typed: ohm, afterMs: 0 }],
    ...(at === undefined ? {} : { temperature: at }),
  };
  const known = { parameters: new Map<ParameterId, number>() };
  const fieldOption = { temperature: '--at', reading: '--ohm' } as Record<string, string>;
  const wrong = (error: MeasureError): never => refuse(fieldOption[error.field] ?? '--thermistor', errorWords(error));
  const good = bandHere(node, typed, known);
  if (!good.ok) return wrong(good.error);
  if (ohm === undefined)
    return {
      json: { band: good.value, verdict: null },
      lines: [
        `good: ${formatTaken({ quantity: 'resistance' }, good.value.least)} to ${formatTaken({ quantity: 'resistance' }, good.value.most)}`,
      ],
      errors: false,
    };
  const judged = measure({ node, typed, known, instrument: meter });
  if (!judged.ok) return wrong(judged.error);
  const { verdict, named, offByRatio, settledByRatio, taken, doubt, temperatureDoubt } = judged.value;
  const celsius = taken.value === null ? null : celsiusOf(band, known.parameters, taken.value);
  return {
    json: {
      value: taken.value,
      atCelsius: taken.atCelsius,
      band: good.value,
      verdict,
      named,
      offByRatio,
      doubt,
      heat: temperatureDoubt,
      settledByRatio,
      celsius,
    },
    lines: [
      `good: ${formatTaken(taken, good.value.least)} to ${formatTaken(taken, good.value.most)}`,
      `${formatTaken(taken, taken.value)}: ${named ?? verdict.replace('-', ' ')}`,
      ...(celsius === null ? [] : [`that resistance belongs to ${celsius.toFixed(1)} °C`]),
    ],
    errors: false,
  };
}
