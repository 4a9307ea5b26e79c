import {
  type Bundle,
  type Chart,
  ChartId,
  type ChartKnown,
  entryOf,
  familyEntry,
  fillChart,
  type Given,
  type JudgedCase,
  judgedCaseWords,
  type Measured,
  type MeasureNode,
  measure,
  type NodeId,
  parseReading,
  partNamesOf,
  plateTells,
  plateTellsWords,
  type Quantity,
  readingErrorWords,
  readingsOnPath,
  resolvePlate,
  type SettingId,
  settingNumber,
  shownBy,
  variantCases,
  variantName,
  walkChart,
} from '@wire-trail/core';
import { z } from 'zod';
import { chartIn, errorWords, refuse } from './chart-commands.ts';
import type { Options, Output } from './commands.ts';
import { readBundleFile, readShape, UnusableInput } from './input.ts';

const Typed = z.string().min(1).max(60);
/** Answers as a file: in order, and what else is known of the unit. */
const Answers = z.strictObject({
  answers: z.array(
    z.strictObject({
      chart: ChartId.optional(),
      node: z.string(),
      answer: z.string().optional(),
      /** What the meter showed; the answer is then worked out. */
      reading: Typed.optional(),
      /** Several over time, each with the time since the first, such as "2 min". */
      readings: z
        .array(z.strictObject({ reading: Typed, after: Typed.optional() }))
        .min(1)
        .max(200)
        .optional(),
      temperature: Typed.optional(),
      /** What the setting stands at that the good range is about. */
      set: Typed.optional(),
      skipped: z.string().optional(),
    }),
  ),
  code: z.string().optional(),
  subCode: z.string().optional(),
  /** The variant; else what its options leave possible. */
  variant: z.string().optional(),
  options: z.record(z.string(), z.string()).default({}),
  controller: z.string().optional(),
  /** What settings stand at, by setting. */
  settings: z.record(z.string(), Typed).default({}),
  /** Readings taken before this walk of the chart, by step. */
  earlier: z.record(z.string(), Typed).default({}),
});
type Answers = z.infer<typeof Answers>;
type AnswerGiven = Answers['answers'][number];

/** An amount as typed in the answers file, in the base unit of its quantity; refused at its place. */
function amountIn(file: string, path: readonly (string | number)[], typed: string, quantity: Quantity): number {
  const read = parseReading(typed, quantity);
  if (read.ok && read.value.kind === 'value') return read.value.value;
  const reason = read.ok ? 'is no value' : readingErrorWords(read.error);
  throw new UnusableInput([{ file, path: [...path], reason }]);
}

/** Follows a chart through answers: the path, the verdict, the minutes. Readings are judged as on a walk. */
export function runWalk(file: string, { chart: id, answers, code }: Options): Output {
  const bundle = readBundleFile(file);
  const own = chartIn(bundle, file, id);
  if (!answers) return refuse('--answers', 'names the file of answers');
  const given = readShape(answers, Answers);
  const family = familyEntry(bundle);
  const variants = given.variant
    ? family.variants.flatMap((v) => (v.id === given.variant ? [v.id] : []))
    : resolvePlate(family, { model: null, serial: null, software: null, options: given.options }).alive;
  if (given.variant && variants.length === 0)
    throw new UnusableInput([
      { file: answers, path: ['variant'], reason: `is none of ${family.variants.map((v) => v.id).join(', ')}` },
    ]);
  const partNames = partNamesOf(family);
  const subject = entryOf(bundle, 'code', code) ?? entryOf(bundle, 'symptom', code);
  const chart = subject ? fillChart(own, subject.chartUse, partNames) : own;
  const known: ChartKnown = {
    code: given.code ?? null,
    subCode: given.subCode ?? null,
    controller: given.controller ?? null,
    variants,
    options: given.options,
    cases: variantCases(family, variants),
    settings: settingsIn(answers, given),
    earlier: earlierIn(answers, chart, given),
    partNames,
    charts: (c) => entryOf(bundle, 'chart', c),
  };
  const done: Given[] = [];
  let open: ReadonlyArray<JudgedCase> | null = null;
  for (const [i, one] of given.answers.entries()) {
    const walk = walkChart(chart, done, known);
    const at = ['answers', i] as const;
    if (one.node !== walk.at.id)
      throw new UnusableInput([{ file: answers, path: [...at, 'node'], reason: `the walk stands at “${walk.at.id}”` }]);
    const earlier = new Map([...(known.earlier ?? []), ...readingsOnPath(walk)]);
    const judged =
      (one.reading !== undefined || one.readings) && walk.at.kind === 'measure'
        ? judge({ bundle, node: walk.at, one, known, earlier, file: answers, path: at })
        : null;
    // what it means depends on the variant: nothing is said before that is known
    if (judged && 'cases' in judged) {
      open = judged.cases;
      break;
    }
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
  }
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
      end: open ? 'needs-plate' : (walk.end?.kind ?? null),
      ...(open && { needsPlate: open }),
      verdict,
      minutes: walk.minutes,
      wentRound: walk.wentRound,
    },
    lines: [
      ...walk.path.map(
        (s) => `${s.byItself ? '*' : ' '} ${s.node.title}: ${s.reading ? `${s.reading.typed} is ` : ''}${s.answer}`,
      ),
      ...(open ?? []).map((c) => judgedCaseWords(c, (id) => variantName(family, id))),
      open
        ? `needs the plate: ${walk.at.title}. ${plateTellsWords(
            plateTells(
              family,
              { model: null, serial: null, software: null, options: given.options },
              open.map((c) => c.variants),
            ),
          )}`
        : verdict
          ? `${verdict.verdict}: ${walk.at.title}`
          : walk.end
            ? walk.end.kind.replaceAll('-', ' ')
            : `next: ${walk.at.title}`,
      `${walk.minutes} min`,
    ],
    errors: false,
  };
}

/** What settings stand at, as the answers file says. */
function settingsIn(file: string, { settings }: Answers): ReadonlyMap<SettingId, number> {
  return new Map(
    Object.entries(settings).map(([id, typed]) => {
      const value = settingNumber(typed);
      if (value === null)
        throw new UnusableInput([{ file, path: ['settings', id], reason: `“${typed}” is no number` }]);
      return [id as SettingId, value] as const;
    }),
  );
}

/** Readings taken before, by the step they were taken at. */
function earlierIn(file: string, chart: Chart, { earlier }: Answers): ReadonlyMap<NodeId, number> {
  return new Map(
    Object.entries(earlier).map(([id, typed]) => {
      const path = ['earlier', id] as const;
      const node = chart.nodes.find((n) => n.id === id);
      if (node?.kind !== 'measure')
        throw new UnusableInput([{ file, path: [...path], reason: 'is no measurement of it' }]);
      return [node.id, amountIn(file, path, typed, node.quantity)] as const;
    }),
  );
}

type Judging = Readonly<{
  bundle: Bundle;
  node: MeasureNode;
  one: AnswerGiven;
  known: ChartKnown;
  earlier: ReadonlyMap<NodeId, number>;
  file: string;
  path: readonly (string | number)[];
}>;

/** What a reading of the answers file means: measured, or on which variant what. */
function judge({
  bundle,
  node,
  one,
  known,
  earlier,
  file,
  path,
}: Judging): Measured | { cases: readonly JudgedCase[] } {
  const typed = one.readings ?? [{ reading: one.reading ?? '' }];
  const readings = typed.map((r: { reading: string; after?: string | undefined }, i) => ({
    typed: r.reading,
    afterMs: r.after === undefined ? 0 : amountIn(file, [...path, 'readings', i, 'after'], r.after, 'duration') * 1000,
  }));
  const judged = measure({
    node,
    known: { parameters: new Map(), cases: known.cases ?? [], settings: known.settings ?? new Map(), earlier },
    instrument: entryOf(bundle, 'instrument', node.instrument),
    shown: shownBy(bundle, node),
    typed: {
      readings,
      ...(one.temperature === undefined ? {} : { temperature: one.temperature }),
      ...(one.set === undefined ? {} : { set: one.set }),
    },
  });
  if (judged.ok) return judged.value;
  if (judged.error.field === 'variant') return { cases: judged.error.error.cases };
  throw new UnusableInput([{ file, path: [...path, judged.error.field], reason: errorWords(judged.error) }]);
}
