import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { classed } from '../code/alike.ts';
import {
  buildFindIndex,
  codeDistance,
  differences,
  type FindDoc,
  type Found,
  find,
  findFamilyOf,
  squeezed,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';

const doc = (text: string, title = 'A fault', suspects: string[] = [], frequency = 1): FindDoc => ({
  kind: text === '' ? 'symptom' : 'code',
  id: text === '' ? title : text.toLowerCase(),
  text,
  title,
  saw: '',
  suspects,
  frequency,
});
const index = buildFindIndex([
  {
    id: 'quorrin-b2',
    name: 'Quorrin B2',
    otherNames: ['Tidebrew', 'appliance'],
    docs: [
      doc('C07', 'Boiler stays cold', ['heating element', 'limit thermostat'], 3),
      doc('C01', 'Boiler boils over', [], 5),
      doc('C-12', 'No water', ['inlet valve']),
      doc('E6', 'Pump runs dry', ['pump wheel']),
      doc('U4', 'Key held', ['touch pad']),
      doc('', 'Coffee is only lukewarm', ['scale on the heating element']),
    ],
  },
  {
    id: 'ostrel-r6',
    name: 'Ostrel R6',
    otherNames: ['induction'],
    docs: [doc('C07', 'Fan does not turn', ['fan']), doc('C70', 'Coil too hot'), doc('B8', 'Pan not seen')],
  },
]);
const found = (query: string) => find(index, query);
const short = ({ family, text, title }: Found) => `${family.split('-')[0]} ${text || title}`;

describe('find', () => {
  it.each<[string, string, string]>([
    ['C07', 'quorrin C07', 'same'],
    ['c 07', 'quorrin C07', 'spelling'],
    ['C-7', 'quorrin C07', 'spelling'],
    ['ostrel co7', 'ostrel C07', 'misread'],
    ['CO7 ostrel', 'ostrel C07', 'misread'],
    ['ostrle C07', 'ostrel C07', 'same'],
    ['R6 C07', 'ostrel C07', 'same'],
    ['tidebrew c l2', 'quorrin C-12', 'misread'],
    ['quorrin C21', 'quorrin C-12', 'misread'],
    ['quorrin v4', 'quorrin U4', 'misread'],
    ['quorrin eb', 'quorrin E6', 'misread'],
    ['BB', 'ostrel B8', 'misread'],
    ['quorrin C0', 'quorrin C01', 'beginning'],
    ['heating element cold', 'quorrin C07', 'word'],
    ['heatin', 'quorrin C07', 'word'],
    ['termostat', 'quorrin C07', 'word'],
    ['lukewarm', 'quorrin Coffee is only lukewarm', 'word'],
    ['tidebrew', 'quorrin Quorrin B2', 'family'],
  ])('%s finds %s first, because of %s', (query, expected, why) => {
    const [first] = found(query);
    expect([first && short(first), first?.why[0]?.kind]).toEqual([expected, why]);
  });

  it('an exact code is first and what it may be misread for comes after it, with the place', () => {
    const [first, second] = found('quorrin C07');
    expect([first && short(first), second && short(second)]).toEqual(['quorrin C07', 'quorrin C01']);
    expect(second?.why[0]).toEqual({
      kind: 'misread',
      typed: 'C07',
      differences: [{ kind: 'look-alike', at: 2, typed: '7', listed: '1' }],
    });
  });

  it.each(['', '   ', '?!', 'zzzzzz', '\u202eabc', 'x'.repeat(10_000), '\u0000'])('finds nothing for %j', (query) =>
    expect(found(query)).toEqual([]),
  );

  it('every listed code, typed as it stands with its family, is first; and with one look-alike taken for another among the first', () => {
    for (const bundle of [glasswasher(), dryer()]) {
      const own = buildFindIndex([findFamilyOf(glasswasher()), findFamilyOf(dryer())]);
      for (const entry of bundle.entries) {
        if (entry.kind !== 'code') continue;
        expect(find(own, `${bundle.family} ${entry.text}`)[0]).toMatchObject({
          text: entry.text,
          family: bundle.family,
          distance: 0,
        });
        const misread = squeezed(entry.text).replace(/0/, 'O').replace(/1/, 'I').replace(/5/, 'S');
        expect(find(own, `${bundle.family} ${misread}`, 3).map((f) => f.text)).toContain(entry.text);
      }
    }
  });
});

const code = fc.string({ unit: fc.constantFrom(...'ABDOQSU01256789'), minLength: 1, maxLength: 6 });

describe('codeDistance', () => {
  it('is none only for the same text, the same both ways, and never more than every place', () => {
    fc.assert(
      fc.property(code, code, (a, b) => {
        expect(codeDistance(a, b) === 0).toBe(a === b);
        expect(codeDistance(a, b)).toBeCloseTo(codeDistance(b, a));
        expect(codeDistance(a, b)).toBeLessThanOrEqual(1.2 * Math.max(a.length, b.length) + 1e-9);
      }),
    );
  });
  it('texts of one class of look-alikes are nearer than one wrong sign a place', () => {
    expect(classed('B0I5Z')).toBe(classed('6OL52'));
    expect(codeDistance('80I5', 'BO15')).toBeLessThan(1);
  });
});

describe('differences', () => {
  it('put right, turn what was typed into what is listed', () => {
    fc.assert(
      fc.property(code, code, (typed, listed) => {
        let [out, from] = ['', 0];
        for (const d of differences(typed, listed)) {
          out += listed.slice(out.length, d.at) + d.listed;
          from += d.typed.length;
        }
        out += listed.slice(out.length);
        expect(out).toBe(listed);
        expect(from).toBeLessThanOrEqual(typed.length);
      }),
    );
  });
});
