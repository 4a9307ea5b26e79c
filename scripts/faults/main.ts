import { parseArgs } from 'node:util';
import { theLine } from './line.ts';
import { isClean, type Tally } from './tally.ts';
import { clocks, fullDisk, kills, races, starts } from './tries.ts';

const all = {
  kills: () => kills(40),
  races: () => races(40),
  line: theLine,
  disk: fullDisk,
  clocks,
  starts,
};
const { values } = parseArgs({ options: { only: { type: 'string' } } });
const rows: Tally[] = [];
for (const [name, run] of Object.entries(all))
  if (values.only === undefined || values.only === name) rows.push(await run());

const columns = ['tried', 'lost', 'doubled', 'stuck', 'answered500'] as const;
const heads = ['tried', 'lost', 'doubled', 'stuck', 'answered 500'];
console.log(`\n${''.padEnd(32)}${heads.map((h) => h.padStart(14)).join('')}`);
for (const row of rows)
  console.log(`${row.name.padEnd(32)}${columns.map((c) => String(row[c]).padStart(14)).join('')}`);
process.exit(rows.every(isClean) ? 0 : 1);
