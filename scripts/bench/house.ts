import { readdirSync, readFileSync } from 'node:fs';
import { type Bundle, type Entry, namesIn, occurrencesOf, readBundle, validate } from '@wire-trail/core';
import { circles, readHouse } from '../house/house.ts';
import { type Row, row } from './row.ts';

const root = new URL('../../', import.meta.url);

function demoBundles(): Bundle[] {
  return readdirSync(new URL('demo/', root))
    .filter((file) => file.endsWith('.json'))
    .flatMap((file) => {
      const read = readBundle(JSON.parse(readFileSync(new URL(`demo/${file}`, root), 'utf8')));
      return read.ok ? [read.value] : [];
    });
}

/** The value with another text at a path. */
function put(value: unknown, [step, ...rest]: ReadonlyArray<string | number>, text: string): unknown {
  if (step === undefined) return text;
  if (Array.isArray(value)) return value.with(Number(step), put(value[Number(step)], rest, text));
  const object = value as Readonly<Record<string, unknown>>;
  return { ...object, [step]: put(object[step], rest, text) };
}

/** Every reference of the demo library, made one of nothing: how many are refused at just their place. */
function referencesRefused(): { share: number; tried: number } {
  let tried = 0;
  let refused = 0;
  for (const bundle of demoBundles()) {
    const names = namesIn(bundle);
    bundle.entries.forEach((entry, i) => {
      for (const found of occurrencesOf(entry)) {
        if (found.role !== 'names' || found.isKey || found.mayBeOther || names.resolve(found).kind !== 'thing')
          continue;
        const gone = found.kinds.includes('asset') ? 'f'.repeat(64) : 'gone';
        const spoilt = put(entry, found.path, gone) as Entry;
        const place = ['entries', i, ...found.path].join('.');
        tried += 1;
        if (validate({ ...bundle, entries: bundle.entries.with(i, spoilt) }).some((f) => f.at.join('.') === place))
          refused += 1;
      }
    });
  }
  return { share: tried === 0 ? 0 : refused / tried, tried };
}

const mostCssLines = 1400;

/** How much style stands beside the theme and the components: lines of CSS, and styles written into the components. */
export function benchLooks(): Row[] {
  const web = new URL('../../web/src/', import.meta.url);
  const files = readdirSync(web, { recursive: true, encoding: 'utf8' });
  const text = (file: string) => readFileSync(new URL(file, web), 'utf8');
  const lines = files
    .filter((f) => f.endsWith('.css'))
    .reduce(
      (sum, f) =>
        sum +
        text(f)
          .split('\n')
          .filter((line) => line.trim() !== '').length,
      0,
    );
  const literals = files
    .filter((f) => f.endsWith('.tsx') && !f.endsWith('.test.tsx'))
    .reduce((sum, f) => sum + (text(f).match(/ sx=\{/g)?.length ?? 0), 0);
  return [
    row('web.cssLines', lines, 'lines', `≤ ${mostCssLines}`, lines <= mostCssLines),
    row('web.sxLiterals', literals, 'places'),
  ];
}

/** What holds the house together: no circles, and no name of nothing that is not refused. */
export function benchHouse(): Row[] {
  const found = circles(readHouse(new URL('.', root).pathname.replace(/\/$/, '')));
  const total = found.files.length + found.rooms.length;
  const { share, tried } = referencesRefused();
  return [
    row('house.circles', total, 'circles', '0', total === 0),
    row('house.references', share, 'share', '1', share === 1),
    row('house.referencesTried', tried, 'references'),
  ];
}
