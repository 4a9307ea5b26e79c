import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bytesOfPair, bytesText, pairOfBytes, readBytesText } from '../index.ts';
import { pairOf, pairText } from './pair.ts';

describe('number pairs in four bytes', () => {
  it('come back from either layout as they went in', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 524_287 }),
        fc.integer({ min: 0, max: 31 }),
        fc.integer({ min: 0, max: 127 }),
        fc.constantFrom(0 as const, 1 as const),
        (parameter, mode, count, layout) => {
          const bytes = bytesOfPair({ parameter, mode, count }, layout);
          expect(bytes.every((b) => b >= 0 && b <= 255)).toBe(true);
          expect(pairOfBytes(bytes)).toEqual({ ok: true, value: { parameter, mode, count } });
          expect(readBytesText(bytesText(bytes))).toEqual({ ok: true, value: bytes });
        },
      ),
    );
  });

  it.each([
    // worked by hand: 412 = 0x19C, its top three bits 0
    [[0x9c, 0x01, 0x07, 0x05], 0, { parameter: 412, mode: 7, count: 5 }],
    // 412 << 3 counted from the top: 412 = 0 0011 0011 100 in 8 + 8 + 3 bits
    [[0x00, 0x33, 0x87, 0x85], 1, { parameter: 412, mode: 7, count: 5 }],
    [[0xff, 0xff, 0xff, 0x7f], 0, { parameter: 524_287, mode: 31, count: 127 }],
  ])('%j', (bytes, layout, pair) => {
    expect(pairOfBytes(bytes)).toEqual({ ok: true, value: pair });
    expect(bytesOfPair(pair, layout as 0 | 1)).toEqual(bytes);
  });

  it.each([
    ['9C 01 07 05', [0x9c, 1, 7, 5]],
    ['9c010705', [0x9c, 1, 7, 5]],
    ['0x9C,0x01,0x07,0x05', [0x9c, 1, 7, 5]],
    ['9c 1 7 5', [0x9c, 1, 7, 5]],
  ])('%s is read as bytes', (text, value) => expect(readBytesText(text)).toEqual({ ok: true, value }));

  it.each([
    ['9C 01 07', { code: 'not-four-bytes', bytes: 3 }],
    ['9C 01 07 05 06', { code: 'not-four-bytes', bytes: 5 }],
    ['', { code: 'not-four-bytes', bytes: 0 }],
    ['9C 0G 07 05', { code: 'not-hex', column: 5 }],
  ])('%j is refused', (text, error) => expect(readBytesText(text)).toEqual({ ok: false, error }));

  it('a number that does not fit its bits is a fault of ours', () => {
    expect(() => bytesOfPair({ parameter: 524_288, mode: 0, count: 0 })).toThrow('does not fit');
  });
});

describe('pairs as people write them', () => {
  it.each([
    ['412-7', '412-7'],
    ['412 7', '412-7'],
    ['412, 7', '412-7'],
    ['P412 M7', '412-7'],
    ['parameter 412 mode 7', '412-7'],
    ['mode 7 of 412', '412-7'],
    ['412/13', '412-13'],
    ['4127', null],
    ['4?2-7', null],
    ['no', null],
  ])('%s is %s', (text, pair) => {
    const found = pairOf(text);
    expect(found && pairText(found)).toBe(pair);
  });
});
