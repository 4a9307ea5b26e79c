import { entriesOf, familyEntry, traitsOf } from '@wire-trail/core';
import { describe, expect, it } from 'vitest';
import { glasswasher } from '../../testing/trail.tsx';
import { pointedBy } from './pointed-by.ts';

const panels = entriesOf(glasswasher, 'panel');
const face = panels[0]?.faces[0];
if (!face) throw new Error('no face');

describe('what a question is about', () => {
  it.each([
    ['lamps on the front', ['lamp-a', 'lamp-b', 'lamp-c', 'lamp-d', 'lamp-e']],
    ['rocker switch', ['rocker']],
    ['knobs', []],
    ['display on the front', []],
    ['board colour', []],
  ])('%s points at %j', (trait, expected) => expect([...pointedBy(trait, face)]).toEqual(expected));

  it('the picture shows as many lamps as the answer says', () => {
    const lamps = traitsOf(familyEntry(glasswasher), panels).get('lamps on the front');
    expect(String(pointedBy('lamps on the front', face).size)).toBe(lamps);
  });
});
