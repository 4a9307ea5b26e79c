import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import {
  type Bundle,
  type Chart,
  celsiusOf,
  drawnOf,
  type MeasureNode,
  measure,
  readBundle,
  seeded,
} from '@wire-trail/core';
import ELK from 'elkjs/lib/elk.bundled.js';
import { build } from 'esbuild';
// @ts-expect-error plain JavaScript, shared with the end-to-end tests
import { chromiumOptions } from '../../e2e/chromium.mjs';
// @ts-expect-error plain JavaScript, because it runs in the page
import { framesWhile } from './frames.mjs';
import { madeUpChart } from './made-charts.ts';
import { median, type Row, row } from './row.ts';
import { listening, withSchool } from './school.ts';
// @ts-expect-error plain JavaScript, because it runs in the page
import { untilAnswer } from './until-answer.mjs';

const washer = JSON.parse(readFileSync(new URL('../../demo/brindlewick-g4.json', import.meta.url), 'utf8'));
const base = (): Bundle => {
  const read = readBundle(washer);
  if (!read.ok) throw new Error('the demo does not read');
  return read.value;
};

/** Findings of so many charts in a worker of a page, and how smoothly the page runs meanwhile. */
async function lintInPage(page: Page, charts: number): Promise<{ seconds: number; framesPerS: number }> {
  const root = fileURLToPath(new URL('../..', import.meta.url));
  const built = await build({
    entryPoints: [`${root}/scripts/bench/chart-page.mjs`],
    bundle: true,
    write: false,
    format: 'iife',
    alias: { '@wire-trail/core': `${root}/core/src/index.ts` },
  });
  return page.evaluate(framesWhile, { code: built.outputFiles[0]?.text ?? '', work: { bundle: base(), charts } });
}

/** How long a chart of so many steps takes to be placed, by the very options the drawing uses. */
async function layoutMs(steps: number): Promise<number> {
  const chart = madeUpChart('drawn', steps, seeded(11));
  const boxes = chart.nodes.map((n) => ({ id: n.id as string, width: 196, height: 65 }));
  const arrows = drawnOf(chart).nodes.flatMap((n) =>
    n.answers.flatMap((a) =>
      a.next === null ? [] : [{ id: `${n.id} ${a.answer}`, from: n.id, to: a.next, label: { width: 40, height: 17 } }],
    ),
  );
  const elk = new ELK();
  // the very options the drawing uses; they belong to the web package, which this one is not built with
  const { elkGraph } = await import(new URL('../../web/src/workers/elk-graph.ts', import.meta.url).href);
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    const began = performance.now();
    await elk.layout(elkGraph(boxes, arrows));
    times.push(performance.now() - began);
  }
  return median(times);
}

/** Readings judged a second, each with the temperature its ohms belong to. */
function verdictsPerS(): number {
  const chart = base().entries.find((e) => e.kind === 'chart' && e.id === 'rinse-heat') as Chart;
  const node = chart.nodes.find((n) => n.id === 'sensor') as MeasureNode;
  const parameters = new Map(
    base().entries.flatMap((e) => (e.kind === 'family' ? e.parameters.map((p) => [p.id, p.value] as const) : [])),
  );
  const count = 50_000;
  const began = performance.now();
  for (let i = 0; i < count; i++) {
    const judged = measure({
      node,
      known: { parameters },
      typed: { readings: [{ typed: `${5 + (i % 200) / 10}k`, afterMs: 0 }], temperature: `${10 + (i % 60)} °C` },
    });
    if (!judged.ok || celsiusOf(node.band, parameters, judged.value.taken.value ?? 0) === null)
      throw new Error('not judged');
  }
  return count / ((performance.now() - began) / 1000);
}

/** From the tap that opens the Test station until its first answer can be given, in the built application. */
async function openMs(page: Page, address: string): Promise<number> {
  await page.goto(address);
  await page.getByLabel('Name').fill('bench');
  await page.getByLabel('Password').fill('a long password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'areas' }).waitFor();
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    await page.goto(`${address}/trail`);
    await page.getByRole('textbox').fill('K19');
    await page.getByRole('button', { name: /K19/ }).first().click();
    await page.getByLabel('Serial number').fill(`B-${i}`);
    await page.getByRole('button', { name: 'This is the unit' }).click();
    await page.getByRole('button', { name: 'I have read this' }).click();
    for (const why of ['in it', 'read']) {
      await page.getByRole('button', { name: 'Leave this station out …' }).click();
      await page.getByLabel('Why?').fill(why);
      if (why === 'in it') await page.getByRole('button', { name: 'Leave it out' }).click();
    }
    times.push(await page.evaluate(untilAnswer));
  }
  return median(times);
}

/** Charts: findings, drawing, verdicts, and opening one; and how findings and drawing grow. */
export async function benchTest(): Promise<Row[]> {
  const browser = await chromium.launch(chromiumOptions);
  try {
    const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
    const few = await lintInPage(page, 500);
    const all = await lintInPage(page, 5000);
    const [layout60, layout300] = [await layoutMs(60), await layoutMs(300)];
    verdictsPerS();
    const open = await withSchool(async ({ app }) => listening(app, (address) => openMs(page, address)));
    return [
      row('test.lintS', all.seconds, 's', '≤ 2', all.seconds <= 2),
      row('test.lintGrowth', all.seconds / few.seconds, '× for 10 ×'),
      row('test.lintFramesPerS', all.framesPerS, '/s', '≥ 50', all.framesPerS >= 50),
      row('test.layout60Ms', layout60, 'ms'),
      row('test.layout300Ms', layout300, 'ms'),
      row('test.layoutGrowth', layout300 / layout60, '× for 5 ×'),
      row('test.verdictsPerS', verdictsPerS(), '/s'),
      row('test.openMs', open, 'ms'),
    ];
  } finally {
    await browser.close();
  }
}
