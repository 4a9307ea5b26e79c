import { parseArgs } from 'node:util';
import { benchAuthor } from './author.ts';
import { benchEnter } from './enter.ts';
import { benchFind } from './find.ts';
import { benchHouse, benchLooks } from './house.ts';
import { benchImport } from './import.ts';
import { benchInterface } from './interface.ts';
import { benchFirstShown, benchTaps } from './phone.ts';
import { benchRead } from './read.ts';
import type { Row } from './row.ts';
import { benchScale } from './scale.ts';
import { benchServe } from './serve.ts';
import { benchShelf } from './shelf.ts';
import { benchTelling } from './telling.ts';
import { benchTest } from './test.ts';
import { benchTests } from './tests.ts';
import { benchUnit } from './unit.ts';
import { benchWeb } from './web.ts';

const { values } = parseArgs({ options: { json: { type: 'boolean' }, only: { type: 'string' } } });
const groups: ReadonlyArray<readonly [string, () => Row[] | Promise<Row[]>]> = [
  ['house', benchHouse],
  ['enter', benchEnter],
  ['author', benchAuthor],
  ['telling', benchTelling],
  ['read', benchRead],
  ['test', benchTest],
  ['find', benchFind],
  ['unit', benchUnit],
  ['import', benchImport],
  ['serve', benchServe],
  ['scale', benchScale],
  ['web', benchWeb],
  ['web.css', benchLooks],
  ['web.mui', benchInterface],
  ['web.shelf', benchShelf],
  ['web.firstShown', benchFirstShown],
  ['trail', benchTaps],
  ['tests', benchTests],
];
const rows: Row[] = [];
for (const [prefix, run] of groups) {
  const wanted = values.only === undefined || values.only.startsWith(prefix) || prefix.startsWith(values.only);
  if (wanted)
    rows.push(...(await run()).filter((row) => values.only === undefined || row.name.startsWith(values.only)));
}
if (values.json) {
  process.stdout.write(`${JSON.stringify(rows)}\n`);
} else {
  for (const { name, value, unit, aim, met } of rows)
    process.stdout.write(
      `${name.padEnd(26)}${value.toLocaleString('en', { maximumFractionDigits: 3 }).padStart(14)} ${unit.padEnd(10)}${(aim ?? 'for information').padEnd(18)}${met === null ? '' : met ? 'met' : 'NOT MET'}\n`,
    );
}
