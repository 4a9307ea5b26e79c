import type { SignId, StageId } from '../base/ids.ts';
import type { LampState } from '../model/lamp.ts';
import { lampStates } from '../model/lamp.ts';
import type { Readout } from '../model/readout.ts';
import type { ConfusionKind } from './confusions.ts';
import { deadOdds, type Evidence } from './evidence.ts';
import { characterLikelihood, countLikelihood, type Told, toldAs } from './likelihood.ts';
import type { Hypothesis, ShowRow, ShowTable } from './table.ts';

/** One more look, and how many bits it is expected to tell. */
export type NextLook = Readonly<{ bits: number; between: readonly string[] }> &
  (
    | Readonly<{ kind: 'lamp'; stage: StageId; sign: SignId; weight: number | null }>
    /** Whether the lamp lights at all, such as at power-up. */
    | Readonly<{ kind: 'lamp-test'; stage: StageId; sign: SignId; weight: null }>
    | Readonly<{ kind: 'count'; stage: StageId; sign: SignId | null; weight: null }>
    | Readonly<{ kind: 'character'; stage: StageId; sign: SignId | null; weight: null; position: number }>
    /** Whether somebody did one of the usual things with the whole look. */
    | Readonly<{ kind: 'ask'; stage: StageId; sign: null; weight: null; confusion: ConfusionKind }>
  );

export type Live = Readonly<{
  hypothesis: Hypothesis;
  row: ShowRow;
  certainty: number;
  fit: number;
  confusion: ConfusionKind | null;
}>;

const tellings: readonly Told[] = [...lampStates, 'dim'];
const leastBits = 0.05;
/** Hypotheses looked at: more change nothing that a person would do. */
const mostLive = 12;

const entropy = (p: readonly number[]): number => p.reduce((sum, x) => (x > 0 ? sum - x * Math.log2(x) : sum), 0);

/** Bits an answer is expected to tell: how mixed the answers are, less how mixed they would be if the truth were known. */
function expectedBits(live: readonly Live[], answers: (h: Live, i: number) => readonly number[]): number {
  const mass = live.reduce((m, h) => m + h.certainty, 0);
  const all: number[] = [];
  let known = 0;
  for (const [n, h] of live.entries()) {
    const p = answers(h, n);
    const w = h.certainty / mass;
    p.forEach((x, i) => {
      all[i] = (all[i] ?? 0) + w * x;
    });
    known += w * entropy(p);
  }
  return Math.max(0, entropy(all) - known);
}

/** Looks that would tell most about which of the candidates holds, most telling first. */
export function nextLooks(readout: Readout, table: ShowTable, evidence: Evidence, ranked: readonly Live[]): NextLook[] {
  const live = ranked.filter((h) => h.certainty >= 0.004).slice(0, mostLive);
  if (live.length < 2) return [];
  const between = live.slice(0, 4).map((h) => h.hypothesis.code);
  const found: NextLook[] = [];
  for (const { sign, columns } of table.signs) {
    const dead = live.map((h) => deadOdds(table, evidence, h.row, sign));
    for (const i of columns) {
      const column = table.columns[i];
      if (!column) continue;
      const bits = expectedBits(live, (h, n) => {
        const d = dead[n] ?? 0;
        const cell = h.row.cells[i] ?? 'either';
        const states: readonly LampState[] = cell === 'either' ? ['lit', 'dark'] : [cell.state];
        return tellings.map((t) => {
          const alive = states.reduce((sum, s) => sum + toldAs[s][t] / states.length, 0);
          return (1 - d) * alive + d * toldAs.dark[t];
        });
      });
      found.push({ kind: 'lamp', stage: column.stage, sign, weight: column.weight, bits, between });
    }
    const stage = table.columns[columns[0] ?? 0]?.stage;
    const bits = expectedBits(live, (_, n) => [dead[n] ?? 0, 1 - (dead[n] ?? 0)]);
    if (stage) found.push({ kind: 'lamp-test', stage, sign, weight: null, bits, between });
  }
  for (const stage of readout.stages) found.push(...ofStage(stage.id, live, between));
  const [first] = readout.stages;
  for (const confusion of new Set(live.flatMap((h) => h.confusion ?? []))) {
    const bits = expectedBits(live, (h) => (h.confusion === confusion ? [0.95, 0.05] : [0.05, 0.95]));
    if (first) found.push({ kind: 'ask', stage: first.id, sign: null, weight: null, confusion, bits, between });
  }
  return found.filter((l) => l.bits > leastBits).sort((a, b) => b.bits - a.bits);
}

function ofStage(stage: StageId, live: readonly Live[], between: readonly string[]): NextLook[] {
  const shapes = live.map((h) => h.row.shapes.get(stage));
  const pulses = shapes.flatMap((s) => (s?.kind === 'pulses' ? [s] : []));
  if (pulses.length === live.length) {
    const most = Math.max(...pulses.map((p) => p.pattern.length)) + 1;
    const counts = Array.from({ length: most + 1 }, (_, n) => n);
    const bits = expectedBits(live, (h) => {
      const shape = h.row.shapes.get(stage);
      const is = shape?.kind === 'pulses' ? shape.pattern.length : 0;
      const p = counts.map((n) => countLikelihood(n, is));
      const sum = p.reduce((a, b) => a + b, 0);
      return p.map((x) => x / sum);
    });
    return [{ kind: 'count', stage, sign: pulses[0]?.sign ?? null, weight: null, bits, between }];
  }
  const texts = shapes.flatMap((s) => (s?.kind === 'text' ? [s.text] : []));
  if (texts.length !== live.length) return [];
  const length = Math.max(...texts.map((t) => t.length));
  return Array.from({ length }, (_, position): NextLook => {
    const alphabet = [...new Set(texts.map((t) => t[position] ?? ' '))];
    const bits = expectedBits(live, (h) => {
      const shape = h.row.shapes.get(stage);
      const is = shape?.kind === 'text' ? (shape.text[position] ?? ' ') : ' ';
      const p = alphabet.map((c) => characterLikelihood(c, is));
      const sum = p.reduce((a, b) => a + b, 0);
      return p.map((x) => x / sum);
    });
    return { kind: 'character', stage, sign: null, weight: null, position, bits, between };
  });
}
