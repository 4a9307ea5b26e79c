import { type EntryKind, entryKinds, entrySchemas, fieldWords } from '@wire-trail/core';
import { describe, expect, it } from 'vitest';
import { newEntry } from './new-entry.ts';
import { changedTo, emptyOf, shapeOf } from './schema.ts';

const family = newEntry({ family: 'f', kind: 'family', id: 'f' }, 'F', { entries: [] });
const bodies = { entries: family ? [family] : [] };

describe('a new entry', () => {
  // what cannot be known of a new one is left to be filled in, and said beside its field
  const toFill: Partial<Record<EntryKind, string[]>> = {
    account: ['route'],
    chart: ['start', 'nodes'],
    hazard: ['cautions'],
    setting: ['allowed'],
    source: ['edition'],
    mode: ['controller'],
    readout: ['controller', 'modes', 'stages', 'compose'],
    access: ['steps'],
    meaning: ['scheme', 'says'],
    asset: ['id', 'bytes'],
  };
  it.each(entryKinds)('of kind %s lacks only what somebody must say', (kind) => {
    const scope = ['hazard', 'instrument', 'meaning', 'access', 'source', 'asset'].includes(kind) ? null : 'f';
    const made = newEntry({ family: scope, kind, id: kind === 'family' ? 'f' : 'new' }, 'New', bodies);
    const parsed = entrySchemas[kind].safeParse(made);
    const missing = parsed.success ? [] : [...new Set(parsed.error.issues.map((i) => String(i.path[0])))];
    expect(missing.filter((m) => !(toFill[kind] ?? []).includes(m))).toEqual([]);
    expect(made).toMatchObject({ kind });
  });
});

describe('schema', () => {
  it('a source that becomes another sort keeps what both have', () => {
    const shape = shapeOf(entrySchemas.source);
    if (shape.kind !== 'one-of') throw new Error(shape.kind);
    const person = shape.options.get('person');
    if (!person) throw new Error('no person');
    const before = { ...(emptyOf(entrySchemas.source) as object), title: 'Quay', edition: '3' };
    expect(changedTo(person, before, 'sort')).toMatchObject({ sort: 'person', title: 'Quay', role: '' });
    expect(changedTo(person, before, 'sort')).not.toHaveProperty('edition');
  });
  it.each([
    ['afterReplacing', 'after replacing'],
    ['id', 'id'],
    ['compose', 'how the code is put together'],
    ['standing', 'how sure'],
    ['behind-cover', 'behind cover'],
  ])('%s is “%s”', (name, words) => expect(fieldWords(name)).toBe(words));
});
