import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  canonicalJson,
  type Entry,
  factsOfFinding,
  findingCodes,
  lint,
  lintAll,
  mayBeAccepted,
  readBundle,
  todoWords,
  withAccepted,
  withoutAccepted,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const as = { reason: 'Looked at on the bench.', by: 'M. Orrin', on: '2026-11-20' };
type Change = (entry: Entry, about: Array<{ finding: string; facts: string }>) => Entry;
/** Every finding that may be accepted put into its entry. */
function everywhere(bundle: Bundle, change: Change): Bundle {
  const all = lintAll(bundle).flatMap(({ finding }) => (mayBeAccepted(finding) ? [finding] : []));
  const entries = bundle.entries.map((entry, i) => {
    const own = all.filter((f) => f.at[1] === i);
    const about = own.map((f) => ({ finding: f.code, facts: factsOfFinding(f) }));
    return own.length === 0 ? entry : change(entry, about);
  });
  return { ...bundle, entries };
}

describe('what may stand', () => {
  const bundle = glasswasher();
  const accepted = everywhere(bundle, (entry, about) => withAccepted(entry, about, as));

  it('is no longer open, is told with its reason and name, and survives being written and read', () => {
    expect(lint(bundle).length).toBeGreaterThan(10);
    expect(lint(accepted)).toEqual([]);
    const read = readBundle(JSON.parse(JSON.stringify(accepted)));
    expect(read.ok && lint(read.value)).toEqual([]);
    const told = lintAll(accepted).flatMap((l) => (l.accepted ? [l.accepted] : []));
    expect(told.length).toBe(lint(bundle).length);
    expect(told[0]).toMatchObject(as);
  });

  it('is open again once it is taken back, and the entry is as it was', () => {
    const back = everywhere(accepted, withoutAccepted);
    expect(canonicalJson(back)).toBe(canonicalJson(bundle));
  });

  it('accepted twice stands once, with the later reason', () => {
    const twice = everywhere(accepted, (entry, about) => withAccepted(entry, about, { ...as, reason: 'Again.' }));
    const count = (b: Bundle) => b.entries.reduce((n, e) => n + (e.accepted?.length ?? 0), 0);
    expect(count(twice)).toBe(count(accepted));
    expect(lintAll(twice).every((l) => l.accepted?.reason === 'Again.')).toBe(true);
  });

  it('is open again when its facts change', () => {
    const tight = (b: Bundle) => lint(b).filter((f) => f.code === 'window-tight').length;
    expect([tight(bundle), tight(accepted)]).toEqual([1, 0]);
    const other = JSON.parse(JSON.stringify(accepted).replaceAll('"mostMs":5800', '"mostMs":5500')) as Bundle;
    expect(canonicalJson(other)).not.toBe(canonicalJson(accepted));
    expect(tight(other)).toBe(1);
  });

  it('stands in whatever order the entries come', () => {
    const other = { ...accepted, entries: [...accepted.entries].reverse() };
    expect(lint(other)).toEqual([]);
  });

  it('is never an error, nor what sounds like defeating an interlock', () => {
    const [route] = bundle.entries.filter((e) => e.kind === 'route');
    const why = 'Tape the lid switch down first.';
    const spoilt = {
      ...bundle,
      entries: bundle.entries.map((e) =>
        e === route && e.kind === 'route' ? { ...e, steps: [{ ...e.steps[0], why }, ...e.steps.slice(1)] } : e,
      ),
    } as Bundle;
    const forced = {
      ...spoilt,
      entries: spoilt.entries.map((entry, i) => {
        const own = lintAll(spoilt).flatMap(({ finding: f }) => (f.at[1] === i ? [f] : []));
        return withAccepted(
          entry,
          own.map((f) => ({ finding: f.code, facts: factsOfFinding(f) })),
          as,
        );
      }),
    };
    expect(lint(forced).map((f) => f.code)).toEqual(['interlock-words']);
  });

  it.each(findingCodes)('%s says what to do', (code) => {
    expect(todoWords(code)).toMatch(/^[A-Z][^“”]+\.$/);
  });
});
