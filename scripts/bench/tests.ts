import { existsSync, readFileSync } from 'node:fs';
import { z } from 'zod';
import { type Row, row } from './row.ts';

const report = new URL('../../.cache/reports/run.json', import.meta.url);
const Run = z.object({ minutes: z.number(), passed: z.number(), failed: z.number() });

/** How long the last `npm test` took, by its own report; nothing where none was run here. */
export function benchTests(): Row[] {
  if (!existsSync(report)) return [];
  const { minutes, passed, failed } = Run.parse(JSON.parse(readFileSync(report, 'utf8')));
  return [
    row('tests.minutes', Math.round(minutes * 10) / 10, 'min', '≤ 9', minutes <= 9),
    row('tests.passed', passed, 'tests'),
    row('tests.failed', failed, 'tests', '0', failed === 0),
  ];
}
