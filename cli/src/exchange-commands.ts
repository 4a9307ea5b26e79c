import { writeFileSync } from 'node:fs';
import {
  Chart,
  ChartId,
  chartOf,
  chartPage,
  entryOf,
  familyEntry,
  pocketCard,
  printMermaid,
  readChartText,
  type TextNote,
  textNoteWords,
  WalkEvent,
  writeReadings,
} from '@wire-trail/core';
import { z } from 'zod';
import { chartIn, refuse } from './chart-commands.ts';
import type { Options, Output } from './commands.ts';
import { readBundleFile, readBytes, readShape, UnusableInput } from './input.ts';
import { writePdf } from './pdf.ts';

const noteLines = (notes: readonly TextNote[]): string[] => notes.map((n) => `line ${n.line}: ${textNoteWords(n)}`);

/** A chart of a bundle as Mermaid; or, given a text file, that text as a chart. */
export function runExchangeMermaid(file: string, { chart: id, bare }: Options): Output {
  const bytes = readBytes(file);
  const isJson = bytes.toString('utf8', 0, 200).trimStart().startsWith('{');
  if (isJson) {
    const mermaid = printMermaid(chartIn(readBundleFile(file), file, id), { details: bare === undefined });
    return { json: { mermaid }, lines: [mermaid], errors: false };
  }
  const { drawn, notes, as } = readChartText(bytes.toString('utf8'));
  const chart = chartOf(drawn, { id: ChartId.parse(id ?? 'read'), family: null, title: id ?? 'Read' });
  const parsed = Chart.safeParse(chart);
  if (!parsed.success)
    throw new UnusableInput(
      notes
        .filter((n) => n.code !== 'taken-as')
        .map((n) => ({ file, path: ['line', n.line], reason: textNoteWords(n) })),
    );
  return {
    json: { as, chart: parsed.data, notes },
    lines: [JSON.stringify(parsed.data, null, 1), ...noteLines(notes)],
    errors: false,
  };
}

/** Readings of walks as CSV. A file is a list of events, of one walk or of several. */
export function runExchangeCsv(files: readonly string[], { bundle: bundleFile }: Options): Output {
  const events = files.flatMap((file) => readShape(file, z.array(WalkEvent)));
  const walks = [...new Set(events.map((e) => e.walk))].map((walk) => events.filter((e) => e.walk === walk));
  const csv = writeReadings(walks, bundleFile ? readBundleFile(bundleFile) : undefined);
  return { json: { csv }, lines: [csv.trimEnd()], errors: false };
}

/** A chart as a PDF: a page with every step, or a card for the pocket. */
export async function runExchangePdf(file: string, options: Options): Promise<Output> {
  const { chart: id, code, out, card, address = 'http://127.0.0.1:4180' } = options;
  const bundle = readBundleFile(file);
  const subject = entryOf(bundle, 'code', code) ?? entryOf(bundle, 'symptom', code);
  if (code && !subject) return refuse(file, `has no code or symptom “${code}”`);
  const chart = chartIn(bundle, file, id ?? subject?.chart ?? undefined);
  if (!out) return refuse('--out', 'names the file to write');
  const family = familyEntry(bundle);
  const of = { bundle, chart, subject };
  const find = `${family.name} ${subject?.kind === 'code' ? subject.text : chart.title}`;
  const sheet = card
    ? pocketCard({ ...of, address: `${address}/trail?find=${encodeURIComponent(find)}` })
    : chartPage(of);
  const bytes = await writePdf(sheet);
  writeFileSync(out, bytes);
  return {
    json: { file: out, bytes: bytes.length, title: sheet.title },
    lines: [`${out}: ${sheet.title}, ${Math.round(bytes.length / 1024)} kB`],
    errors: false,
  };
}
