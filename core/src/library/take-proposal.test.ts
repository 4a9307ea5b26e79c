import { describe, expect, it } from 'vitest';
import { EventId } from '../base/ids.ts';
import { type Bundle, type Entry, entryOf, lint, offersOf, type Proposal, readOneEntry, type Walk } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { entriesOfProposal } from './take-proposal.ts';

const event = EventId.parse('0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11');
const unit = { model: 'G4-20B', serial: 'G4-77', serialUnread: false, software: '2.6' } as Walk['unit'];
const offered = (offer: Proposal, bundle: Bundle = glasswasher()): Entry[] =>
  entriesOfProposal(bundle, {
    event,
    offer,
    words: 'It worked at once.',
    by: 'Ada Öne',
    at: '2026-11-20T10:00:00Z',
    unit,
  });
const about = { code: 'k17' as never, symptom: null };
const reading = {
  typed: '31',
  quantity: 'resistance',
  value: 31,
  atCelsius: 22,
  least: 28,
  most: 34,
  verdict: 'pass',
} as const;
const offers: Proposal[] = [
  { kind: 'way', route: 'erase-memory' as never, steps: [{ kind: 'press', control: 'any', times: 2 }] },
  { kind: 'fix', ...about, part: 'drain-pump' as never },
  { kind: 'reading', ...about, chart: 'drain' as never, node: 'coil' as never, reading },
];

describe('what the field offers, taken into the library', () => {
  it.each(offers.map((o) => [o.kind, o] as const))(
    '%s: entries that read, with who said it, changing nothing else',
    (_, offer) => {
      const bundle = glasswasher();
      const entries = offered(offer, bundle);
      const [source, entry] = entries;
      for (const e of entries) expect(readOneEntry(e).ok).toBe(true);
      expect(source).toMatchObject({ kind: 'source', sort: 'person', id: 'field-ada-one', title: 'Ada Öne' });
      const with_ = (list: Entry[]) => ({
        ...bundle,
        entries: [...bundle.entries.filter((e) => !list.some((n) => n.kind === e.kind && n.id === e.id)), ...list],
      });
      expect(lint(with_(entries)).filter((f) => f.severity === 'error')).toEqual([]);
      // of somebody who is a source already, no second one
      expect(offered(offer, with_(entries)).map((e) => e.kind)).toEqual([entry?.kind]);
    },
  );
  it('a way is a telling beside the others, a fix and a reading are claims beside the others', () => {
    expect(offered(offers[0] as Proposal)[1]).toMatchObject({
      kind: 'account',
      route: 'erase-memory',
      standing: 'field-report',
      told: 'It worked at once. (model G4-20B, serial G4-77, software 2.6)',
    });
    const was = entryOf(glasswasher(), 'code', 'k17');
    for (const [offer, says] of [
      [offers[1], /^Behind K17: .+\. It worked at once\. \(model G4-20B/],
      [offers[2], /: 31 Ω at 22 °C, and all was well\. It worked at once\./],
    ] as const) {
      const code = offered(offer as Proposal)[1];
      if (code?.kind !== 'code') throw new Error('no code');
      expect({ ...code, claims: code.claims.slice(0, -1) }).toEqual(was);
      expect(code.claims.at(-1)).toMatchObject({ standing: 'field-report', source: 'field-ada-one' });
      expect(code.claims.at(-1)?.says).toMatch(says);
    }
  });
  it('nothing is made of what is about something that is no more', () => {
    expect(offered({ ...(offers[0] as Extract<Proposal, { kind: 'way' }>), route: 'gone' as never })).toEqual([]);
    expect(offered({ kind: 'fix', code: 'gone' as never, symptom: null, part: null })).toEqual([]);
  });
  it('a walk has what it found and what measured well, each once, and not what it has offered already', () => {
    const walk = {
      code: 'k17',
      symptom: null,
      found: { chart: 'drain', node: null, verdict: 'cause-found', cause: 'drain-pump' },
      closed: null,
      after: new Map([['drain/coil', reading]]),
      answers: [
        { chart: 'drain', node: 'coil', reading: { ...reading, typed: '30' } },
        { chart: 'drain', node: 'filter', reading: null },
        { chart: 'drain', node: 'volts', reading: { ...reading, verdict: 'low' } },
      ],
      proposed: [],
    } as unknown as Walk;
    expect(offersOf(walk, null)).toEqual(offers.slice(1));
    expect(offersOf({ ...walk, proposed: [{ offer: offers[1] as Proposal, words: '', at: '' }] }, null)).toEqual([
      offers[2],
    ]);
    expect(offersOf({ ...walk, found: null, after: new Map(), answers: [] } as Walk, null)).toEqual([]);
  });
});
