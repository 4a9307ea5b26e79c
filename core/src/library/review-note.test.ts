import fc from 'fast-check';
import { expect, it } from 'vitest';
import { readReviewNote, writeReviewNote } from '../index.ts';

it('is one text that says of what it speaks', () => {
  const text = writeReviewNote({
    all: 'Nearly there.',
    of: new Map([
      ['code:k19', 'Which lamp is dead then?\nSay so.'],
      ['route:in', '  '],
    ]),
  });
  expect(text).toBe('Nearly there.\n[code:k19] Which lamp is dead then?\nSay so.');
  const note = readReviewNote(text);
  expect([note.all, note.of.get('code:k19') ?? '', note.of.get('route:in') ?? '']).toEqual([
    'Nearly there.',
    'Which lamp is dead then?\nSay so.',
    '',
  ]);
});

it('is read as it was written, whatever is said', () => {
  const said = fc
    .string({ minLength: 1 })
    .map((s) => s.replaceAll(/^\[|\r/gm, '').trim())
    .filter((s) => s !== '' && !s.includes('\n['));
  fc.assert(
    fc.property(
      said,
      fc.uniqueArray(fc.stringMatching(/^[a-z]{2,6}:[a-z0-9-]{1,12}$/), { maxLength: 4 }),
      said,
      (all, keys, one) => {
        const of = new Map(keys.map((k) => [k, one]));
        const read = readReviewNote(writeReviewNote({ all, of }));
        expect([read.all, [...read.of]]).toEqual([all, [...of]]);
      },
    ),
  );
});
