import { describe, expect, it } from 'vitest';
import { type Bundle, entriesOf, entryOf, firstMoves } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const standing: Partial<Parameters<typeof firstMoves>[0]> = {};
/** What can be done first for a code, each said with the routes it goes. */
const movesOf = (of: string, bundle: Bundle = glasswasher(), over = standing) => {
  const code = entryOf(bundle, 'code', of);
  if (!code) throw new Error(of);
  const chart = entryOf(bundle, 'chart', code.chart) ?? null;
  const clear = entryOf(bundle, 'route', code.clear) ?? null;
  return firstMoves({ bundle, code, chart, routes: entriesOf(bundle, 'route'), clear, inMode: null, ...over });
};
const brief = (moves: ReturnType<typeof firstMoves>) =>
  moves.map((m) => [m.by, ...m.routes.map((r) => r.id)].join(' '));
type Entries = Bundle['entries'];
const changed = (change: (e: Entries[number]) => object): Bundle => {
  const bundle = glasswasher();
  return { ...bundle, entries: bundle.entries.map((e) => ({ ...e, ...change(e) }) as typeof e) };
};
/** The glasswasher whose inlet strainer, fill valve … are calibrated by the fill level. */
const levelled = (part: string): Bundle =>
  changed((e) =>
    e.kind === 'family'
      ? { parts: e.parts.map((p) => (p.id === part ? { ...p, recalibrateBy: 'level-zero' } : p)) }
      : {},
  );
const memory = entriesOf(glasswasher(), 'mode').find((m) => m.id === 'memory')?.id ?? null;

describe('firstMoves', () => {
  it('a kept code is reset by way of its mode, and the mode is left: it has to run as it is used', () => {
    expect(brief(movesOf('k19'))).toEqual(['reset enter-memory erase-memory leave-memory']);
    expect(brief(movesOf('k19', undefined, { inMode: memory }))).toEqual(['reset erase-memory leave-memory']);
  });
  it('nothing is erased where no route erases it, or nothing is kept', () => {
    expect(movesOf('k19', undefined, { clear: null })).toEqual([]);
    const fleeting = changed((e) =>
      e.kind === 'code' && e.id === 'k19' ? { detection: { ...e.detection, stored: false } } : {},
    );
    expect(movesOf('k19', fleeting)).toEqual([]);
  });
  it('is calibrated what the code suspects, what its chart finds, or what it asks to calibrate; nothing else', () => {
    const calibrated = 'recalibrate enter-memory level-zero erase-memory leave-memory';
    expect(brief(movesOf('k19', levelled('scale')))).toContain(calibrated);
    expect(brief(movesOf('k19', levelled('rinse-contactor')))).toContain(calibrated);
    expect(brief(movesOf('k19', levelled('drain-hose')))).toHaveLength(1);
    const asks = changed((e) =>
      e.kind === 'chart' && e.id === 'rinse-heat'
        ? { nodes: e.nodes.map((n) => (n.kind === 'act' ? { ...n, recalibrate: 'level-zero' } : n)) }
        : {},
    );
    expect(brief(movesOf('k19', asks))).toContain(calibrated);
    expect(movesOf('k19', levelled('scale')).find((m) => m.by === 'recalibrate')?.of).toEqual([
      'Set the fill level to zero',
    ]);
  });
  it('once each, however many parts it calibrates; and not by a route that does not hold for the unit', () => {
    const all = changed((e) =>
      e.kind === 'family' ? { parts: e.parts.map((p) => ({ ...p, recalibrateBy: 'level-zero' })) } : {},
    );
    expect(
      movesOf('k19', all)
        .at(-1)
        ?.routes.filter((r) => r.purpose === 'calibrate'),
    ).toHaveLength(1);
    const routes = entriesOf(all, 'route').filter((r) => r.purpose !== 'calibrate');
    expect(brief(movesOf('k19', all, { routes }))).toHaveLength(1);
  });
  it('without anything kept it is recalibrated and left', () => {
    expect(brief(movesOf('k19', levelled('scale'), { clear: null }))).toEqual([
      'recalibrate enter-memory level-zero leave-memory',
    ]);
  });
  it('goes on from where a calibration ends, or from the beginning where nothing leads on', () => {
    const elsewhere = (from: string) =>
      changed((e) => {
        if (e.kind === 'family') return { parts: e.parts.map((p) => ({ ...p, recalibrateBy: 'level-zero' })) };
        if (e.kind !== 'route') return {};
        if (e.id === 'level-zero') return { to: 'checks' };
        return e.id === 'enter-memory' ? { from: [from] } : {};
      });
    const back = (from: string) => brief(movesOf('k19', elsewhere(from))).find((b) => b.startsWith('recal'));
    expect(back('standby')).toBe('recalibrate enter-memory level-zero enter-memory erase-memory leave-memory');
    expect(back('checks')).toContain('level-zero enter-memory erase-memory leave-memory');
  });
  it('says what goes back on before it runs', () => {
    const opened = changed((e) => (e.kind === 'route' && e.id === 'erase-memory' ? { ways: ['lower-cover'] } : {}));
    const [way] = entriesOf(opened, 'access').filter((a) => a.id === 'lower-cover');
    const back = movesOf('k19', opened)[0]?.back ?? [];
    expect(back).toEqual([...(way?.steps ?? [])].reverse().flatMap((s) => s.back ?? []));
    expect(back.length).toBeGreaterThan(0);
    expect(movesOf('k19')[0]?.back).toEqual([]);
  });
});
