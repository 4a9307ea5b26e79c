import { describe, expect, it } from 'vitest';
import { blocksPublishing, type Entry, entriesOf, lint, readBundle } from '../index.ts';
import { demoBundles } from '../testing/bundles.ts';
import { presetOf, presets, statesOf, withState, withStates } from './mode-presets.ts';

type Bundle = ReturnType<typeof demoBundles>[number][1];
const bundles = demoBundles();
/** The unit as somebody has it who only read tellings in: ways that lead nowhere yet, and no modes. */
const untold = (bundle: Bundle): Entry[] =>
  bundle.entries.flatMap((e): Entry[] =>
    e.kind === 'mode' || e.kind === 'symptom'
      ? []
      : e.kind === 'route'
        ? [{ ...e, from: 'any', to: null, effects: [] }]
        : e.kind === 'readout'
          ? [{ ...e, modes: [], specials: e.specials.map(({ mode: _, ...s }) => s) }]
          : [e],
  );
const after = (entries: Entry[], drafts: readonly Entry[]): Entry[] => [
  ...entries.filter((e) => !drafts.some((d) => d.kind === e.kind && d.id === e.id)),
  ...drafts,
];
const glasswasher = (): Bundle => {
  const [, own] = bundles.find(([f]) => f.startsWith('brindlewick')) ?? [];
  if (!own) throw new Error('no glasswasher');
  return own;
};

describe('states by presets', () => {
  it.each(bundles)('%s: what comes of them can be kept, and asked again nothing more comes of them', (_, bundle) => {
    const entries = untold(bundle);
    const first = after(entries, withStates({ entries }, statesOf({ entries })));
    expect(withStates({ entries: first }, statesOf({ entries: first }))).toEqual([]);
    expect(entriesOf({ entries: first }, 'mode').length).toBeGreaterThan(2);
  });
  it.each(bundles)('%s: what somebody wrote by hand stays as it is', (_, bundle) => {
    const { entries } = bundle;
    const changed = withStates({ entries }, statesOf({ entries }));
    for (const draft of changed) {
      const before = entries.find((e) => e.kind === draft.kind && e.id === draft.id);
      // at most what was missing is added: a state, or where a way leads that led nowhere
      if (before?.kind === 'route') expect(before.to).toBeNull();
      if (before?.kind === 'mode' && draft.kind === 'mode')
        expect(draft.transitions).toEqual(
          expect.arrayContaining(before.transitions.filter((t) => t.on.kind !== 'idle')),
        );
    }
  });
  it.each(bundles)('%s: one state more leaves the others as they are', (_, bundle) => {
    const { entries } = bundle;
    const modes = entriesOf({ entries }, 'mode');
    for (const preset of presets) {
      const drafts = withState({ entries }, preset);
      const made = drafts.filter((d) => d.kind === 'mode');
      expect(made.length).toBe(modes.some((m) => presetOf(m) === preset) ? 0 : 1);
      expect(made.every((d) => modes.every((m) => m.id !== d.id))).toBe(true);
    }
  });
  it('ways lead in, on, out, and erase; a unit left so is refused nothing', () => {
    const entries = untold(glasswasher());
    const all = after(entries, withStates({ entries }, { ...statesOf({ entries }), holds: 6, idleMs: 240_000 }));
    const routes = new Map(entriesOf({ entries: all }, 'route').map((r) => [r.id as string, r]));
    expect(routes.get('enter-memory')).toMatchObject({ from: 'any', to: 'stored-codes' });
    expect(routes.get('next-slot')).toMatchObject({
      from: ['stored-codes'],
      to: 'stored-codes',
      effects: [{ kind: 'step', variable: 'slot', by: 1 }],
    });
    expect(routes.get('erase-memory')?.effects).toEqual([{ kind: 'erase-memory' }]);
    expect(routes.get('leave-memory')?.to).toBe('normal');
    const stored = entriesOf({ entries: all }, 'mode').find((m) => m.id === 'stored-codes');
    expect(stored?.shows).toEqual([{ kind: 'readout', readout: 'lamps', of: { kind: 'memory', slot: 'slot' } }]);
    expect(stored?.transitions).toContainEqual(
      expect.objectContaining({ on: { kind: 'idle', afterMs: 240_000 }, to: 'normal' }),
    );
    const read = readBundle({ ...glasswasher(), pinned: undefined, entries: all });
    if (!read.ok) throw new Error(JSON.stringify(read.error).slice(0, 400));
    const errors = lint(read.value).filter(blocksPublishing);
    const before = lint(glasswasher()).filter(blocksPublishing);
    expect(errors.length).toBeLessThanOrEqual(before.length);
  });
  it('a time-out and how many codes are kept are answered anew, and nothing else is touched', () => {
    const entries = untold(glasswasher());
    const all = after(entries, withStates({ entries }, statesOf({ entries })));
    const changed = withStates({ entries: all }, { ...statesOf({ entries: all }), holds: 4, idleMs: null });
    const stored = changed.find((e) => e.kind === 'mode' && e.id === 'stored-codes');
    expect(stored).toMatchObject({ variables: [{ to: 4 }] });
    expect(stored?.kind === 'mode' && stored.transitions.some((t) => t.on.kind === 'idle')).toBe(false);
    expect(changed.every((e) => e.kind === 'mode')).toBe(true);
  });
  it('all of them at once can be kept as well; of no unit nothing comes', () => {
    const entries = untold(glasswasher());
    const drafts = withStates({ entries }, { ...statesOf({ entries }), on: [...presets] });
    expect(drafts.filter((e) => e.kind === 'mode').length).toBe(presets.length);
    expect(withStates({ entries: [] }, { on: [...presets], idleMs: null, holds: 3, checkMs: 1000 })).toEqual([]);
  });
});
