import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { scopes, standings } from '../base/text.ts';
import { entriesOf } from '../index.ts';
import { Code, Symptom } from '../model/code.ts';
import { glasswasher } from '../testing/bundles.ts';
import { readItems, readText, writeItems, writeText } from './cells.ts';
import { type ImportDefaults, type ImportRow, planCodeImport, writeCodeTable } from './code-import.ts';
import { guessMapping } from './columns.ts';
import { expandCodes } from './ranges.ts';
import { guessEncoding, readTable, writeCsv } from './table.ts';

const table = (text: string) => {
  const read = readTable(text);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value;
};

describe('readTable', () => {
  it.each<[string, string, string | null]>([
    ['commas', 'code,title\nC1,Cold', ','],
    ['semicolons, with commas in the text', 'code;title\nC1;Cold, very\nC2;Hot, very', ';'],
    ['tabs, as a spreadsheet copies', 'code\ttitle\nC1\tCold; wet', '\t'],
    ['bars', 'code|title\nC1|Cold', '|'],
    ['a mark at the beginning', '\ufeffcode,title\nC1,Cold', ','],
    ['an HTML table', '<p>x</p><TABLE><tr><th>code<th>title</tr><tr><td>C1</td><td>Cold</td></table>', null],
  ])('%s', (_, text, separator) => {
    expect(table(text)).toMatchObject({ separator, header: ['code', 'title'] });
    expect(table(text).rows[0]?.cells[0]).toBe('C1');
  });

  it('quotes and line breaks in cells are kept, and rows know their line', () => {
    const { rows } = table('code,saw\r\nC1,"said ""cold"",\nthen\nhot"\r\n\r\nC2,x\r\n');
    expect(rows).toEqual([
      { line: 2, cells: ['C1', 'said "cold",\nthen\nhot'] },
      { line: 6, cells: ['C2', 'x'] },
    ]);
  });
  it('HTML: breaks are lines, wide cells keep the columns, a table within a cell does not confuse, entities are signs', () => {
    const { rows } = table(
      '<table><tr><td>a</td><td>b</td><td>c</td></tr><tr><td colspan="2">1 &amp; 2<br>3</td><td>x<table><tr><td>in</td></tr></table></td></tr></table><table><tr><td>no</td></tr></table>',
    );
    expect(rows).toEqual([{ line: 2, cells: ['1 & 2\n3', '', 'x'] }]);
  });
  it.each<[string, object]>([
    ['', { code: 'empty' }],
    ['code,title', { code: 'empty' }],
    ['a,b\n1,"open\n2,3', { code: 'quote-not-closed', line: 2 }],
  ])('%j cannot be read', (text, error) => expect(readTable(text)).toEqual({ ok: false, error }));

  it('what is written is read again', () => {
    const cell = fc.string({ unit: fc.constantFrom('a', '"', ',', ';', '\n', 'é', ' '), maxLength: 8 });
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 6 }), (rows) => {
        const filled = rows.map(([a, b, c], i) => [`${i}${a}`, b, c]);
        expect(table(writeCsv([['x', 'y', 'z'], ...filled])).rows.map((r) => r.cells)).toEqual(filled);
      }),
    );
  });
});

it.each<[string, number[], string]>([
  ['plain', [67, 49], 'utf-8'],
  ['UTF-8 é', [0xc3, 0xa9], 'utf-8'],
  ['Windows-1252 é', [67, 0xe9, 49], 'windows-1252'],
  ['UTF-16 with a mark', [0xff, 0xfe, 67, 0], 'utf-16le'],
  ['UTF-16 without', [67, 0, 49, 0], 'utf-16le'],
  ['UTF-16, big end first', [0, 67, 0, 49], 'utf-16be'],
])('guessEncoding: %s', (_, bytes, expected) => expect(guessEncoding(Uint8Array.from(bytes))).toBe(expected));

it.each<[string, string[]]>([
  ['206–211', ['206', '207', '208', '209', '210', '211']],
  ['7, 53 and 140', ['7', '53', '140']],
  ['C01 to C04', ['C01', 'C02', 'C03', 'C04']],
  ['E1-E3; E9', ['E1', 'E2', 'E3', 'E9']],
  ['008-011', ['008', '009', '010', '011']],
  ['C-07', ['C-07']],
  ['412-3', ['412-3']],
  ['A1-B3', ['A1-B3']],
  ['1-100000', ['1-100000']],
  ['', []],
])('expandCodes: %j', (cell, expected) => expect(expandCodes(cell)).toEqual(expected));

describe('guessMapping', () => {
  it.each<[string[], Array<string | null>]>([
    [
      ['Fault code', 'Description', 'Possible causes', 'Page'],
      ['text', 'title', 'suspects', null],
    ],
    [
      ['DTC', 'Meaning', 'Reaction', 'Remarks'],
      ['text', 'title', 'does', 'note'],
    ],
    [
      ['code', 'error', 'title'],
      ['text', null, 'title'],
    ],
  ])('%j', (header, expected) => expect(guessMapping(header)).toEqual(expected));
});

const anyText = fc.string({
  unit: fc.constantFrom('a', 'B', '7', ' ', '|', '\\', '=', "'", '"', ',', ';', 'é', '-'),
  maxLength: 10,
});
const prose = fc.array(anyText, { maxLength: 3 }).map((lines) => lines.join('\n'));

describe('cells', () => {
  it('text comes back', () => fc.assert(fc.property(prose, (t) => void expect(readText(writeText(t))).toBe(t))));
  it('items come back, up to empty fields at the end', () => {
    const bare = (fields: string[]) => fields.slice(0, fields.findLastIndex((f) => f !== '') + 1);
    fc.assert(
      fc.property(
        fc.array(fc.array(prose, { maxLength: 4 }), { maxLength: 4 }),
        (rows) => void expect(readItems(writeItems(rows)).map(bare)).toEqual(rows.map(bare)),
      ),
    );
  });
});

const defaults: ImportDefaults = {
  family: 'f' as never,
  controller: 'main' as never,
  readout: null,
  source: null,
  standing: 'document',
};
const plan = (text: string, existing: Array<Code | Symptom> = [], mapping?: Array<string | null>): ImportRow[] => {
  const t = table(text);
  return (
    planCodeImport({ table: t, mapping: mapping ?? guessMapping(t.header), existing, defaults, ranges: true }) ?? []
  );
};
const reasons = (row: ImportRow | undefined) =>
  row && !row.taken ? row.problems.map((p) => `${p.column}: ${p.reason}`) : [];
const whats = (row: ImportRow | undefined) =>
  row?.taken ? row.bodies.map((b) => `${b.what} ${b.body.kind === 'code' ? b.body.text : b.body.title}`) : ['refused'];

describe('tables as others write them', () => {
  const suspectsOf = (text: string) => {
    const [row] = plan(text);
    const body = row?.taken ? row.bodies[0]?.body : undefined;
    return body?.suspects.map((s) => s.label) ?? null;
  };
  it.each([
    ['Sensor, relay, wiring', ['Sensor', 'relay', 'wiring']],
    ['Sensor; relay', ['Sensor', 'relay']],
    ['Sensor', ['Sensor']],
    ['Relay 0,5 A, fuse', ['Relay 0,5 A', 'fuse']],
    ['Valve, inlet |', ['Valve, inlet']],
    ['Look at the sensor, then at the relay. Then stop.', ['Look at the sensor, then at the relay. Then stop.']],
  ])('suspects “%s”', (cell, labels) => expect(suspectsOf(`code\ttitle\tcauses\nC1\tCold\t${cell}`)).toEqual(labels));

  it.each([
    ['Code\tFault\tPossible causes', ['text', 'title', 'suspects']],
    ['Fault\tMeaning', ['text', 'title']],
    ['No\tAlarm\tRemedy', ['text', 'title', 'suspects']],
    ['Error\tReaction', ['text', 'does']],
  ])('heads %s', (head, columns) => expect(guessMapping(head.split('\t'))).toEqual(columns));
});

describe('planCodeImport', () => {
  const listed = (plan('code,title\nC-07,Cold')[0] as Extract<ImportRow, { taken: true }>).bodies[0]?.body as Code;

  it('says row by row what is new, changed, the same or refused, and why', () => {
    const rows = plan(
      'code,title,who may act\nC07,Cold,\nC07b,Hot,\n206–208,Sensor,licensed\n,No ice,\nX1,Bad,nobody\nc-07,Again,',
      [listed],
    );
    expect(rows.map(whats)).toEqual([
      ['same C-07'],
      ['new C07b'],
      ['new 206', 'new 207', 'new 208'],
      ['new No ice'],
      ['refused'],
      ['refused'],
    ]);
    expect(rows[0]?.taken && rows[0].notes).toEqual(['C07 is listed as C-07']);
    expect(rows[2]?.taken && rows[2].notes).toEqual(['“206–208” is 3 codes']);
    expect(reasons(rows[4])).toEqual(['scope: “nobody” is none of operator, technician, licensed, maker']);
    expect(reasons(rows[5])).toEqual(['text: c-07 stands already in line 2']);
  });

  it.each<[string, string, RegExp]>([
    ['a control character', 'code,title\nC1,a\u0007b', /^title: .*control characters/],
    ['text that turns the direction of reading', 'code,title\nC1,a\u202eb', /^title: .*direction/],
    ['a title of 10,000 characters', `code,title\nC1,${'x'.repeat(10_000)}`, /^title: .*120/],
    ['a code of 40 characters', `code,title\n${'9'.repeat(40)},x`, /^text: .*16/],
    ['no number', 'code,in a row\nC1,often', /^inARow: “often” is no number/],
    ['more cells than the header', 'code,title\nC1,a,b', /^null: has 3 cells where the header has 2/],
    ['neither code nor title', 'code,title,note\n,,x', /^text: names neither/],
    ['a code twice in one cell', 'code,title\n"C1, C-1",x', /^text: C-1 stands already in line 2/],
  ])('%s is refused with its reason', (_, text, expected) => expect(reasons(plan(text)[0]).join()).toMatch(expected));

  it('a title from right to left is a title', () => expect(whats(plan('code,title\nC1,שלום')[0])).toEqual(['new C1']));
  it('a short row is taken, and says so', () => {
    const [row] = plan('code,title,note\nC1,Cold');
    expect(row?.taken && row.notes).toEqual(['1 cells are missing at its end']);
  });
  it('cells over what is listed change only what the file names', () => {
    const [row] = plan('code,note\nC-07,look twice', [listed]);
    expect(row?.taken && row.bodies[0]).toMatchObject({
      what: 'changed',
      before: listed,
      body: { ...listed, note: 'look twice' },
    });
  });
  it('stops when it is told to', () => {
    const t = table('code,title\nC1,a\nC2,b');
    expect(
      planCodeImport(
        { table: t, mapping: guessMapping(t.header), existing: [], defaults, ranges: true },
        (done) => done < 1,
      ),
    ).toBeNull();
  });

  it('the demo’s table comes back whole, into nothing and onto itself', () => {
    const bundle = glasswasher();
    const bodies = [...entriesOf(bundle, 'code'), ...entriesOf(bundle, 'symptom')];
    const own = { ...defaults, family: bundle.family };
    const t = table(writeCodeTable(bodies));
    const onto = (existing: Array<Code | Symptom>) =>
      planCodeImport({ table: t, mapping: guessMapping(t.header), existing, defaults: own, ranges: false }) ?? [];
    expect(
      onto(bodies)
        .flatMap(whats)
        .every((w) => w.startsWith('same')),
    ).toBe(true);
    expect(onto([]).flatMap((r) => (r.taken ? r.bodies.map((b) => b.body) : []))).toEqual(bodies);
  });

  const label = anyText.filter((t) => t !== '');
  const slug = fc.string({ unit: fc.constantFrom('a', 'b', '7'), minLength: 1, maxLength: 6 });
  const maybe = <T>(name: string, value: fc.Arbitrary<T>) =>
    fc.option(
      value.map((v) => ({ [name]: v })),
      { nil: {} },
    );
  const shared = fc.record({
    title: label,
    saw: prose,
    does: prose,
    suspects: fc.array(
      fc
        .tuple(
          fc.record({ label, reason: prose, weight: fc.double({ min: 0.01, max: 900, noNaN: true }) }),
          maybe('part', slug),
          maybe('standing', fc.constantFrom(...standings)),
        )
        .map((p) => Object.assign({}, ...p)),
      { maxLength: 3 },
    ),
    circumstances: fc.array(
      prose.filter((p) => p !== ''),
      { maxLength: 2 },
    ),
    goodReadings: fc.array(
      fc
        .tuple(
          fc.record({ what: label, reading: label }),
          maybe(
            'under',
            prose.filter((p) => p !== ''),
          ),
        )
        .map((p) => Object.assign({}, ...p)),
      { maxLength: 2 },
    ),
    signStages: fc.array(fc.record({ when: label, sign: prose }), { maxLength: 2 }),
    seeAlso: fc.array(fc.record({ code: slug, why: prose, followsFromIt: fc.boolean() }), { maxLength: 2 }),
    claims: fc.array(
      fc.record({
        about: fc.constantFrom('saw', 'other'),
        says: label,
        source: slug,
        standing: fc.constantFrom(...standings),
      }),
      { maxLength: 2 },
    ),
    detection: fc
      .tuple(
        fc.record({
          notWatchedCycles: fc.nat(9),
          inARow: fc.integer({ min: 1, max: 9 }),
          erasedAfterCleanCycles: fc.option(fc.integer({ min: 1, max: 90 })),
          cycle: label,
        }),
        maybe('forMs', fc.nat(100_000)),
        maybe(
          'threshold',
          prose.filter((p) => p !== ''),
        ),
        maybe('attempt', fc.record({ runMs: fc.integer({ min: 1, max: 900_000 }), restMs: fc.nat(900_000) })),
      )
      .map((p) => Object.assign({}, ...p)),
    hazards: fc.uniqueArray(slug, { maxLength: 3 }),
    scope: fc.constantFrom(...scopes),
    standing: fc.constantFrom(...standings),
    source: fc.option(slug),
    chart: fc.option(slug),
    frequency: fc.double({ min: 0.5, max: 1000, noNaN: true }),
  });
  const body = (text: string, row: object, extra: object): Code =>
    Code.parse({
      kind: 'code',
      id: `id-${text.toLowerCase()}`,
      family: 'f',
      text,
      controller: 'main',
      readout: null,
      ...row,
      ...extra,
    });
  const anyCodes = fc
    .array(
      fc.tuple(
        shared,
        maybe(
          'note',
          prose.filter((p) => p !== ''),
        ),
        maybe('group', label),
      ),
      { minLength: 1, maxLength: 4 },
    )
    .map((rows) => rows.map(([row, ...extra], i) => body(`C${i}`, row, Object.assign({}, ...extra))));

  it('whatever a code holds, export and import bring it back', () => {
    fc.assert(
      fc.property(anyCodes, (codes) => {
        const symptom = Symptom.parse({
          ...Object.fromEntries(
            Object.entries(codes[0] as Code).filter(
              ([k]) => !['text', 'controller', 'readout', 'decoy', 'group'].includes(k),
            ),
          ),
          kind: 'symptom',
          id: 'none',
        });
        const t = table(writeCodeTable([...codes, symptom]));
        const rows =
          planCodeImport({ table: t, mapping: guessMapping(t.header), existing: [], defaults, ranges: false }) ?? [];
        expect(rows.map((r) => (r.taken ? r.bodies.map((b) => b.body) : r.problems))).toEqual(
          [...codes, symptom].map((c) => [c]),
        );
      }),
    );
  });
});
