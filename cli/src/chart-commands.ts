import {
  Band,
  type Bundle,
  bandHere,
  type Chart,
  ChartId,
  type ChartKnown,
  celsiusOf,
  entriesOf,
  entryOf,
  familyEntry,
  fillChart,
  formatTaken,
  type Given,
  Instrument,
  type MeasureError,
  type MeasureNode,
  measure,
  type ParameterId,
  parametersOf,
  partNamesOf,
  shownBy,
  walkChart,
} from '@wire-trail/core';
import { z } from 'zod';
import type { Options, Output } from './commands.ts';
import { readBundleFile, readShape, UnusableInput } from './input.ts';

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

/** Answers as a file: in order, and what a split may go by. */
const Answers = z.strictObject({
  answers: z.array(
    z.strictObject({
      chart: ChartId.optional(),
      node: z.string(),
      answer: z.string().optional(),
      /** What the meter showed; the answer is then worked out. */
      reading: z.string().optional(),
      temperature: z.string().optional(),
      skipped: z.string().optional(),
    }),
  ),
  code: z.string().optional(),
  subCode: z.string().optional(),
  variant: z.string().optional(),
  controller: z.string().optional(),
});

/** Follows a chart through answers: the path, the verdict, the minutes. Readings are judged as on a walk. */
export function runWalk(file: string, { chart: id, answers, code }: Options): Output {
  const bundle = readBundleFile(file);
  const own = chartIn(bundle, file, id);
  if (!answers) return refuse('--answers', 'names the file of answers');
  const given = readShape(answers, Answers);
  const family = familyEntry(bundle);
  const parameters = parametersOf(
    family,
    family.variants.find((v) => v.id === given.variant),
  );
  const partNames = partNamesOf(family);
  const subject = entryOf(bundle, 'code', code) ?? entryOf(bundle, 'symptom', code);
  const chart = subject ? fillChart(own, subject.chartUse, partNames) : own;
  const known: ChartKnown = {
    code: given.code ?? null,
    subCode: given.subCode ?? null,
    controller: given.controller ?? null,
    ...(given.variant ? { variants: [given.variant] } : {}),
    parameters,
    partNames,
    charts: (c) => entryOf(bundle, 'chart', c),
  };
  const done: Given[] = [];
  given.answers.forEach((one, i) => {
    const walk = walkChart(chart, done, known);
    const at = ['answers', i] as const;
    if (one.node !== walk.at.id)
      throw new UnusableInput([{ file: answers, path: [...at, 'node'], reason: `the walk stands at “${walk.at.id}”` }]);
    const judged =
      one.reading !== undefined && walk.at.kind === 'measure'
        ? judge(bundle, walk.at, one.reading, one.temperature, parameters, answers, at)
        : null;
    const answer = judged?.answer ?? one.answer;
    if (answer === undefined)
      throw new UnusableInput([{ file: answers, path: [...at, 'answer'], reason: 'is missing' }]);
    done.push({
      chart: walk.chart.id,
      node: walk.at.id,
      answer,
      reading: judged?.taken ?? null,
      skipped: one.skipped ?? null,
    });
    if (walkChart(chart, done, known).path.length === walk.path.length)
      throw new UnusableInput([
        { file: answers, path: [...at, 'answer'], reason: `“${walk.at.id}” does not take “${answer}”` },
      ]);
  });
  const walk = walkChart(chart, done, known);
  const path = walk.path.map((s) => ({
    chart: s.chart,
    node: s.node.id,
    answer: s.answer,
    byItself: s.byItself,
    reading: s.reading,
  }));
  const verdict =
    walk.end?.kind === 'verdict'
      ? { node: walk.end.verdict.id, verdict: walk.end.verdict.verdict, cause: walk.end.verdict.cause ?? null }
      : null;
  return {
    json: {
      path,
      at: walk.at.id,
      end: walk.end?.kind ?? null,
      verdict,
      minutes: walk.minutes,
      wentRound: walk.wentRound,
    },
    lines: [
      ...walk.path.map(
        (s) => `${s.byItself ? '*' : ' '} ${s.node.title}: ${s.reading ? `${s.reading.typed} is ` : ''}${s.answer}`,
      ),
      verdict
        ? `${verdict.verdict}: ${walk.at.title}`
        : walk.end
          ? walk.end.kind.replaceAll('-', ' ')
          : `next: ${walk.at.title}`,
      `${walk.minutes} min`,
    ],
    errors: false,
  };
}

function judge(
  bundle: Bundle,
  node: MeasureNode,
  reading: string,
  temperature: string | undefined,
  parameters: ReadonlyMap<ParameterId, number>,
  file: string,
  path: readonly (string | number)[],
) {
  const judged = measure({
    node,
    known: { parameters },
    instrument: entryOf(bundle, 'instrument', node.instrument),
    shown: shownBy(bundle, node),
    typed: { readings: [{ typed: reading, afterMs: 0 }], ...(temperature === undefined ? {} : { temperature }) },
  });
  if (judged.ok) return judged.value;
  throw new UnusableInput([{ file, path: [...path, judged.error.field], reason: errorWords(judged.error) }]);
}

const errorWords = ({ error }: MeasureError): string => {
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
