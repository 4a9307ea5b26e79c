import type { NodeId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import { measureCautions } from '../chart/cautions.ts';
import { choicesOf } from '../chart/choices.ts';
import { drawnOf, waitText } from '../chart/drawn.ts';
import { fillChart } from '../chart/fill.ts';
import { outlineRows } from '../chart/outline.ts';
import { proveRun } from '../code/prove.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Chart, ChartNode, MeasureNode } from '../model/chart.ts';
import type { Code, Symptom } from '../model/code.ts';
import { entriesOf, entryOf, familyEntry } from '../model/select.ts';
import { partNamesOf, type VariantCase, variantCases } from '../model/values.ts';
import { testConditions } from '../modes-map/test-reading.ts';
import { bandWordsOn, verdictWords } from '../words/band.ts';
import { cautionWords } from '../words/caution.ts';
import { measuredAtWords } from '../words/measured.ts';
import type { Block, Sheet } from './sheet.ts';

type Printed = Readonly<{ bundle: Bundle; chart: Chart; subject?: Code | Symptom | undefined }>;

/** The values of every variant a chart is for: paper does not know which unit it will be held against. */
function casesOf(bundle: Bundle, { onlyVariants }: Chart): VariantCase[] {
  const family = familyEntry(bundle);
  return variantCases(family, onlyVariants.length > 0 ? onlyVariants : family.variants.map((v) => v.id));
}

/** What a measurement asks for on any of the variants, each once. */
const cautionsOn = (node: MeasureNode, cases: readonly VariantCase[]): string[] => [
  ...new Set(cases.flatMap(({ parameters }) => measureCautions(node, parameters).map(cautionWords))),
];

/** What a step says beside its title, line by line. */
function stepLines(node: ChartNode, bundle: Bundle, cases: readonly VariantCase[]): string[] {
  const hazards = node.hazards.flatMap((id) => entryOf(bundle, 'hazard', id)?.title ?? []);
  const own = ((): string[] => {
    switch (node.kind) {
      case 'measure':
        return [
          `${measuredAtWords(node)}. Good: ${bandWordsOn(node.band, node, familyEntry(bundle), cases)}`,
          ...(node.supply === 'energised' && node.protection ? [node.protection] : []),
          ...node.disconnect.map((d) => `Off first: ${d}`),
          ...cautionsOn(node, cases),
        ];
      case 'operate': {
        const mode = entryOf(bundle, 'mode', node.test?.mode);
        const test = mode?.tests.find((t) => t.number === node.test?.number);
        return [
          ...(test ? [`Test ${test.number}: ${test.name}. ${test.starts}`] : []),
          ...(mode && test ? testConditions(mode, test) : []),
          node.watchFor,
        ];
      }
      case 'remedies':
        return [...node.remedies.map((r, i) => `${i + 1}. ${r.do}`), `After each: ${node.question}`];
      case 'wait':
        return [waitText(node.waitMs)];
      case 'look':
        return [
          ...(node.looksGood ? [`good: ${node.looksGood}`] : []),
          ...(node.looksBad ? [`bad: ${node.looksBad}`] : []),
        ];
      case 'verdict':
        return [
          [verdictWords[node.verdict], node.handOnTo && `to ${node.handOnTo}`].filter(Boolean).join(' '),
          ...(node.putBack ? [node.putBack] : []),
        ];
      case 'act':
      case 'ask':
      case 'call':
      case 'compare':
      case 'set':
      case 'split':
        return [];
      default:
        return assertNever(node);
    }
  })();
  return [...(hazards.length > 0 ? [`Care: ${hazards.join(', ')}.`] : []), ...(node.text ? [node.text] : []), ...own];
}

/** What a card has room for of a step: what to measure and what is good. */
const cardLines = (node: ChartNode, bundle: Bundle, cases: readonly VariantCase[]): string[] =>
  node.kind === 'measure'
    ? [`${measuredAtWords(node)}: ${bandWordsOn(node.band, node, familyEntry(bundle), cases)}`]
    : node.kind === 'wait'
      ? [waitText(node.waitMs)]
      : [];

/**
 * The steps of a chart in the order of its outline, numbered, each with where its answers lead. On a card verdicts stand
 * where they are led to, and have no step of their own.
 */
function stepsBlock({ chart, bundle }: Printed, isCard: boolean): Block {
  const cases = casesOf(bundle, chart);
  const nodes = outlineRows(drawnOf(chart)).flatMap((r) =>
    r.kind === 'step' ? chart.nodes.filter((n) => n.id === r.node && !(isCard && n.kind === 'verdict')) : [],
  );
  const numberOf = new Map(nodes.map((n, i) => [n.id, i + 1]));
  const steps = nodes.map((node, i) => {
    const led = choicesOf(node, chart).filter(
      ({ answer, next }) => next !== null && !(answer === 'done' && numberOf.get(next) === i + 2),
    );
    // answers that lead to the same step stand in one line
    const ways = [...new Set(led.map((c) => c.next))].map((next) => {
      const answers = led.filter((c) => c.next === next).map((c) => (c.answer === 'done' ? 'then' : c.answer));
      const to = numberOf.get(next as NodeId) ?? chart.nodes.find((n) => n.id === next)?.title ?? '?';
      return `${answers.join(', ')} › ${to}`;
    });
    const lines = isCard ? cardLines(node, bundle, cases) : stepLines(node, bundle, cases);
    return { number: String(i + 1), title: node.title, lines, ways };
  });
  return { kind: 'steps', steps };
}

const foot = (standing: string): string =>
  `${standing.replaceAll('-', ' ')}. Local codes and licensed practice come first. Wire Trail does not say that a unit is safe.`;

function filled(of: Printed): Printed {
  const names = partNamesOf(familyEntry(of.bundle));
  return { ...of, chart: of.subject ? fillChart(of.chart, of.subject.chartUse, names) : of.chart };
}

/** Everything that can hurt along a chart, each once. */
const hazardsOf = ({ bundle, chart }: Printed) =>
  entriesOf(bundle, 'hazard').filter((h) => chart.nodes.some((n) => n.hazards.includes(h.id)));

/** A chart as a page to print: what can hurt, what is needed, every step. */
export function chartPage(given: Printed): Sheet {
  const of = filled(given);
  const { bundle, chart, subject } = of;
  const hazards = hazardsOf(of);
  const tools = [...new Set(chart.nodes.flatMap((n) => n.tools))];
  return {
    paper: 'page',
    title: `${familyEntry(bundle).name}: ${chart.title}`,
    blocks: [
      ...(subject?.kind === 'code' ? [{ kind: 'code', text: subject.text, name: subject.title } as const] : []),
      { kind: 'text', text: `${familyEntry(bundle).name} · ${chart.title} · for the ${chart.audience}`, tone: 'soft' },
      ...hazards.map(
        (h): Block => ({
          kind: 'text',
          text: `${h.title}: ${[...h.cautions, ...h.isolation].join(' ')}`,
          tone: 'warning',
        }),
      ),
      ...(tools.length > 0 ? [{ kind: 'text', text: `At hand: ${tools.join(', ')}.` } as const] : []),
      stepsBlock(of, false),
    ],
    foot: foot(chart.standing),
  };
}

/** The card for a pocket: the code in large type, what it means, the steps in short, and the way to the trail. */
export function pocketCard(given: Printed & Readonly<{ address: string }>): Sheet {
  const of = filled(given);
  const { bundle, chart, subject } = of;
  const run = subject ? proveRun(subject.detection) : null;
  const name = familyEntry(bundle).name;
  const care = hazardsOf(of).map((h) => h.title);
  const code = subject?.kind === 'code' ? subject.text : name;
  return {
    paper: 'card',
    title: `${name} ${subject?.kind === 'code' ? subject.text : chart.title}`,
    blocks: [
      {
        kind: 'code',
        text: code,
        name: `${code === name ? '' : `${name}: `}${subject?.title ?? chart.title}`,
        address: given.address,
      },
      ...(care.length > 0 ? [{ kind: 'text', text: `Care: ${care.join(', ')}.`, tone: 'warning' } as const] : []),
      stepsBlock(of, true),
      ...(run && subject
        ? [
            {
              kind: 'text',
              text: `Proved after ${run.cycles} ${subject.detection.cycle}${run.cycles === 1 ? '' : 's'} without it.`,
              tone: 'soft',
            } as const,
          ]
        : []),
    ],
    foot: foot(chart.standing),
  };
}
