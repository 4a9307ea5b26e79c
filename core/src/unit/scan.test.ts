import { describe, expect, it } from 'vitest';
import { familyEntry, modelLike, readScan } from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';

const families = [glasswasher(), dryer()].map(familyEntry);
const washer = 'brindlewick-g4';

describe('readScan', () => {
  it.each<[string, string, string | null, string | null, string | null, string | null]>([
    ['a bare serial number', 'G4-118204', 'G4-118204', null, null, null],
    ['model and serial in a row', 'G4-20B;118204', '118204', 'G4-20B', null, washer],
    ['the other way round', '118204|G4-20B', '118204', 'G4-20B', null, washer],
    ['with the software', 'G4-20B\t118204\tv2.6', '118204', 'G4-20B', '2.6', washer],
    ['on lines of their own', 'MODEL: G4-20B\nS/N: 0118-204\nSW: 2.6', '0118-204', 'G4-20B', '2.6', washer],
    ['labelled in one line', 'SN=118204,MOD=G4-20B', '118204', 'G4-20B', null, washer],
    ['labelled with words', 'Serial No.: 118 204; Type: G4-20B', '118 204', 'G4-20B', null, washer],
    ['numbered fields', '(240)G4-20B(21)118204', '118204', 'G4-20B', null, washer],
    ['numbered fields, with others', '(01)04012345678901(21)118204(240)G4-20B', '118204', 'G4-20B', null, washer],
    ['an address with parts', 'https://plate.invalid/u?sn=118204&model=G4-20B', '118204', 'G4-20B', null, washer],
    ['an address that ends in it', 'https://plate.invalid/unit/118204', '118204', null, null, null],
    ['an address with escapes', 'https://plate.invalid/?serial=A%20118+204', 'A 118 204', null, null, null],
    ['an object', '{"serial":"118204","model":"G4-20B","firmware":"2.4.1"}', '118204', 'G4-20B', '2.4.1', washer],
    ['an object with a number', '{"sn":118204}', '118204', null, null, null],
    ['a broken object is text', '{"sn":118', '{"sn":118', null, null, null],
    ['a model no family knows', 'MODEL: ZZ-1;SN: 5', '5', 'ZZ-1', null, null],
    ['software that is none', 'SN: 5;SW: beta', '5', null, null, null],
    ['a label that is not known', 'DATE: 2019-04;SN: 5', '5', null, null, null],
    ['nothing', '   ', null, null, null, null],
    ['only the model', 'G4-20B', null, 'G4-20B', null, washer],
    ['spaces between', 'G4-20B 118204', '118204', 'G4-20B', null, washer],
    ['written without a colon', 'MOD G4-20B SN 118204', '118204', 'G4-20B', null, washer],
    ['glued with a slash', 'G4-20B/118204', '118204', 'G4-20B', null, washer],
    ['small letters', 'sn:ab118204;mod:g4-20b', 'ab118204', 'g4-20b', null, washer],
    ['a frame of stars', '*118204*', '118204', null, null, null],
    ['labels with a number sign', 'S/N#118204 M/N#G4-20B', '118204', 'G4-20B', null, washer],
  ])('%s', (_, text, serial, model, software, family) =>
    expect(readScan(text, families)).toEqual({ serial, model, software, family }),
  );

  it('whatever is scanned, it gives what fits a plate or says nothing', () => {
    for (const text of ['\u0000\u001d', '=', ':::', 'x'.repeat(5000), '(21)', 'http://', 'SN:', ';;;|'])
      expect(readScan(text, families).serial?.length ?? 0).toBeLessThanOrEqual(60);
  });

  it('a plate made up from a pattern is read as what it was made from', () => {
    for (const family of families)
      for (const pattern of family.variants.flatMap((v) => v.models)) {
        const model = modelLike(pattern);
        expect(readScan(`MODEL: ${model};S/N: 118204`, families)).toMatchObject({
          model,
          serial: '118204',
          family: family.id,
        });
      }
    expect(modelLike('G4[D-A]')).toBeNull();
  });
});
