import { patternsOf, type Readout, type Segment, type Stage } from '../index.ts';
import { readoutOf, stageOf } from './readouts.ts';

export const counts = readoutOf([
  stageOf('c', { kind: 'blinks', sign: 'x', most: 9, to: { kind: 'number', least: 1, most: 9 } }),
]);
export const digits = readoutOf([
  stageOf('tens', { kind: 'blinks', sign: 'x', most: 4, pauseMs: 1200, to: { kind: 'number', least: 1, most: 4 } }),
  stageOf(
    'ones',
    { kind: 'blinks', sign: 'x', most: 5, pauseMs: 3000, to: { kind: 'number', least: 1, most: 5 } },
    { kind: 'alternates', everyMs: 3000 },
  ),
]);
export const longShort = readoutOf([
  stageOf('r', {
    kind: 'rhythm',
    sign: 'x',
    rows: [
      { pattern: 'sss', value: 'A' },
      { pattern: 'ssl', value: 'B' },
      { pattern: 'lss', value: 'C' },
      { pattern: 'lsl', value: 'D' },
    ],
  }),
]);
export const leadIn = readoutOf(
  [
    stageOf('c', {
      kind: 'blinks',
      sign: 'x',
      most: 6,
      leadIn: { steadyMs: 2000, means: 'the other unit' },
      to: { kind: 'number', least: 1, most: 6 },
    }),
  ],
  { specials: [{ id: 'fine', label: 'one long', means: 'healthy', rhythm: { stage: 'c', pattern: 'l' } }] },
);
export const stageIn = (readout: Readout): Stage => readout.stages[0] as Stage;
export const segmentsFor = (readout: Readout, parts: Record<string, string>): readonly Segment[] => {
  const found = patternsOf(readout, stageIn(readout)).find((p) =>
    Object.entries(parts).every(([k, v]) => p.parts[k] === v),
  );
  if (!found) throw new Error(`no pattern ${JSON.stringify(parts)}`);
  return found.segments;
};
export const usual = {
  lastsMs: 14_000,
  framesPerS: 30,
  decibels: 16,
  tempo: 1,
  jitter: 0.05,
  drift: 0.5,
  dropped: 0.05,
};
