import type { Path } from '../base/path.ts';
import type { Family, Variant } from '../model/family.ts';
import type { Finding } from '../model/finding.ts';
import { lintContacts, lintPrices } from './lint-around.ts';
import { compilePattern, leftOut, type ModelMatcher, sharedModel } from './pattern.ts';
import { compareSerials, compareVersions } from './plate.ts';

type Case = Readonly<{ variant: Variant; index: number; models: readonly ModelMatcher[] }>;

function lintPatterns(variant: Variant, at: Path): Finding[] {
  return variant.models.flatMap((pattern, i): Finding[] => {
    const compiled = compilePattern(pattern);
    const here = [...at, 'models', i];
    if (!compiled.ok) return [{ code: 'pattern-unreadable', severity: 'error', at: here, pattern, ...compiled.error }];
    return leftOut(compiled.value) === null
      ? [{ code: 'pattern-matches-everything', severity: 'warning', at: here, pattern }]
      : [];
  });
}

function lintBounds(variant: Variant, at: Path): Finding[] {
  const { software } = variant;
  return [
    ...variant.serials.flatMap(({ from, to }, i): Finding[] =>
      compareSerials(from, to) > 0
        ? [{ code: 'bounds-upside-down', severity: 'error', at: [...at, 'serials', i], what: 'serial', from, to }]
        : [],
    ),
    ...(software?.from && software.below && compareVersions(software.from, software.below) >= 0
      ? [
          {
            code: 'bounds-upside-down',
            severity: 'error',
            at: [...at, 'software'],
            what: 'software',
            from: software.from,
            to: software.below,
          } as const,
        ]
      : []),
  ];
}

/** A model number both variants take; empty where neither asks for one; null where there is none. */
function commonModel(a: Case, b: Case): string | null {
  if (a.models.length === 0 && b.models.length === 0) return '';
  const everything = compilePattern('*');
  const any = everything.ok ? [everything.value] : [];
  for (const x of a.models.length > 0 ? a.models : any)
    for (const y of b.models.length > 0 ? b.models : any) {
      const shared = sharedModel(x, y);
      if (shared !== null) return shared;
    }
  return null;
}

/** A serial number in both; empty where neither asks for one; null where there is none. */
function commonSerial(a: Variant, b: Variant): string | null {
  const first = a.serials.length > 0 ? a.serials : b.serials;
  const second = b.serials.length > 0 ? b.serials : first;
  if (first.length === 0) return '';
  for (const x of first)
    for (const y of second) {
      const from = compareSerials(x.from, y.from) > 0 ? x.from : y.from;
      const to = compareSerials(x.to, y.to) < 0 ? x.to : y.to;
      if (compareSerials(from, to) <= 0) return from;
    }
  return null;
}

const laterOf = (a: string | undefined, b: string | undefined) =>
  a === undefined ? b : b === undefined || compareVersions(a, b) > 0 ? a : b;
const earlierOf = (a: string | undefined, b: string | undefined) =>
  a === undefined ? b : b === undefined || compareVersions(a, b) < 0 ? a : b;

/** A software version in both; empty where any will do; null where there is none. */
function commonSoftware(a: Variant, b: Variant): string | null {
  const from = laterOf(a.software?.from, b.software?.from);
  const below = earlierOf(a.software?.below, b.software?.below);
  if (from !== undefined && below !== undefined && compareVersions(from, below) >= 0) return null;
  return from ?? (below === undefined ? '' : compareVersions('0', below) < 0 ? '0' : null);
}

const optionsAgree = (a: Variant, b: Variant): boolean =>
  Object.entries(a.options).every(([k, v]) => b.options[k] === undefined || b.options[k] === v);

function lintOverlaps(cases: readonly Case[], at: Path): Finding[] {
  return cases.flatMap((b, k) =>
    cases.slice(0, k).flatMap((a): Finding[] => {
      if (!optionsAgree(a.variant, b.variant)) return [];
      const [serial, software] = [commonSerial(a.variant, b.variant), commonSoftware(a.variant, b.variant)];
      if (serial === null || software === null) return [];
      const model = commonModel(a, b);
      if (model === null) return [];
      return [
        {
          code: 'variants-overlap',
          severity: 'warning',
          at: [...at, 'variants', b.index],
          variants: [a.variant.name, b.variant.name],
          model,
          serial,
          software,
        },
      ];
    }),
  );
}

/** Software versions that none of the variants sharing a model covers. */
function lintSoftwareGaps(cases: readonly Case[], at: Path): Finding[] {
  const told = new Set<string>();
  return cases.flatMap((one): Finding[] => {
    if (!one.variant.software) return [];
    const group = cases.flatMap((other) => {
      const model = commonModel(one, other);
      const fit = model !== null && optionsAgree(one.variant, other.variant);
      return fit && commonSerial(one.variant, other.variant) !== null
        ? [{ ...(other.variant.software ?? {}), model }]
        : [];
    });
    if (group.some((g) => g.from === undefined && g.below === undefined)) return [];
    const sorted = group.sort((a, b) =>
      a.from === undefined ? -1 : b.from === undefined ? 1 : compareVersions(a.from, b.from),
    );
    const model = sorted.find((g) => g.model)?.model ?? '';
    const gaps: Array<{ from: string | null; below: string | null }> = [];
    let reached: string | null | undefined = null;
    for (const { from, below } of sorted) {
      if (reached !== undefined && from !== undefined && (reached === null || compareVersions(reached, from) < 0))
        gaps.push({ from: reached, below: from });
      if (reached === undefined) continue;
      reached =
        below === undefined ? undefined : reached === null || compareVersions(below, reached) > 0 ? below : reached;
    }
    if (reached !== undefined) gaps.push({ from: reached, below: null });
    return gaps.flatMap((gap): Finding[] => {
      const name = `${gap.from} ${gap.below}`;
      if (told.has(name)) return [];
      told.add(name);
      return [{ code: 'variants-gap', severity: 'warning', at: [...at, 'variants', one.index], model, ...gap }];
    });
  });
}

/** Findings of a family: its variants' patterns, bounds, overlaps and gaps; whom it names to ring, and what its parts cost. */
export function lintFamily(family: Family, at: Path): Finding[] {
  const cases = family.variants.map((variant, index): Case => {
    const models = variant.models.flatMap((pattern) => {
      const compiled = compilePattern(pattern);
      return compiled.ok ? [compiled.value] : [];
    });
    return { variant, index, models };
  });
  const sound = cases.filter((c) => c.models.length === c.variant.models.length);
  return [
    ...family.variants.flatMap((variant, i) => [
      ...lintPatterns(variant, [...at, 'variants', i]),
      ...lintBounds(variant, [...at, 'variants', i]),
    ]),
    ...lintOverlaps(sound, at),
    ...lintSoftwareGaps(sound, at),
    ...lintContacts(family, at),
    ...lintPrices(family, at),
  ];
}
