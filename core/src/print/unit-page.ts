import type { VariantId } from '../base/ids.ts';
import { coachCards } from '../gesture/coach.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Code } from '../model/code.ts';
import type { Panel } from '../model/panel.ts';
import type { Readout } from '../model/readout.ts';
import type { Route } from '../model/route.ts';
import { entriesOf, entryOf, familyEntry } from '../model/select.ts';
import { encode } from '../readout/encode.ts';
import { asBuilt } from '../unit/as-built.ts';
import { holdsFor } from '../unit/plate.ts';
import { shownWords } from '../words/sign.ts';
import { cardLine } from '../words/step.ts';
import { faceSvg } from './panel-svg.ts';
import type { Block, Sheet } from './sheet.ts';

export type UnitPageAsked = Readonly<{
  bundle: Bundle;
  /** Which variant it is for; null for all of them. */
  variant: VariantId | null;
  paper: Sheet['paper'];
  /** For whoever services it, or for whoever uses it: then only what that person may do. */
  audience?: 'service' | 'operator';
  /** Where the unit stands in the library, for whoever scans it. */
  address: string;
}>;

const section = (heading: string, blocks: readonly Block[]): Block[] =>
  blocks.length > 0 ? [{ kind: 'heading', text: heading }, ...blocks] : [];
const list = (items: readonly string[]): Block[] => (items.length > 0 ? [{ kind: 'list', items }] : []);

/** A way as one reads it off paper: what is done, with how long and how often, a line a step; its cautions before it. */
function wayBlocks(route: Route, panel: Panel): Block[] {
  const steps = coachCards(route.steps).flatMap((card, i): string[] => [
    ...card.notes.cautions.map((caution) => `! ${caution}`),
    `${i + 1}. ${cardLine(card, panel)}`,
  ]);
  return [
    { kind: 'text', text: route.name, tone: 'soft' },
    ...list([...route.before.map((b) => `First: ${b}`), ...steps]),
  ];
}

/** What each lamp counts on the first readout that adds lamps up, and which lamp says which half shows. */
function lampKey(readouts: readonly Readout[]): { weights: Map<string, string>; marker: string[] } {
  const weights = new Map<string, string>();
  const marker: string[] = [];
  for (const readout of readouts)
    for (const stage of readout.stages) {
      if (stage.comes.kind === 'sign') marker.push(stage.comes.shown.sign);
      if (stage.reads.kind !== 'lamps') continue;
      for (const { sign, weight } of stage.reads.lamps)
        if (weight !== undefined && !weights.has(sign)) weights.set(sign, String(weight));
    }
  return { weights, marker: [...new Set(marker)] };
}

/** What a code looks like, stage by stage, to be held beside the unit; nothing where the readout cannot show it. */
function patternOf(code: Code, readout: Readout | undefined, panel: Panel): string {
  if (!readout) return '';
  const shows = encode(readout, code.text);
  if (!shows.ok) return '';
  return shows.value
    .map(({ stage, shown, pattern }) => {
      const label = readout.stages.length > 1 ? `${readout.stages.find((s) => s.id === stage)?.label ?? ''}: ` : '';
      const lit = shown.filter((s) => !(s.kind === 'lamp' && s.state === 'dark'));
      return `${label}${pattern ?? shownWords(lit, panel)}`;
    })
    .join(' · ');
}

/**
 * One page for the unit, to laminate inside its cover: the panel with its keys numbered, what each lamp counts, the way in, the
 * codes with their first suspect and how they look, erasing, the way out, calibration and cautions. All of it is read off the
 * family, for one variant or for all.
 */
export function unitPage({ bundle, variant, paper, address, audience = 'service' }: UnitPageAsked): Sheet {
  if (audience === 'operator') return operatorPage({ bundle, variant, paper, address });
  const built = asBuilt(bundle, variant === null ? null : [variant]);
  const family = familyEntry(built);
  const panels = entriesOf(built, 'panel').filter((p) => p.family === built.family);
  const [panel, ...others] = panels;
  const face = panel?.faces[0];
  const whole = panel && { ...panel, faces: panels.flatMap((p) => p.faces) };
  const alive = variant === null ? family.variants.map((v) => v.id) : [variant];
  const readouts = entriesOf(built, 'readout').filter((r) => holdsFor(r.onlyVariants, alive) !== 'no');
  const codes = entriesOf(built, 'code').filter((c) => holdsFor(c.onlyVariants, alive) !== 'no');
  const routes = entriesOf(built, 'route');
  const ways = (...purposes: Array<Route['purpose']>) => routes.filter((r) => purposes.includes(r.purpose));
  const controls = face?.controls ?? [];
  const numbers = new Map(controls.map((c, i) => [c.id as string, i + 1] as const));
  const { weights, marker } = lampKey(readouts);
  const hazards = entriesOf(built, 'hazard').filter((h) => [...routes, ...codes].some((e) => e.hazards.includes(h.id)));
  const isCard = paper === 'card';
  const names = (id: string): string => face?.signs.find((s) => s.id === id)?.label ?? id;
  return {
    paper,
    title: `${family.name}${variant === null ? '' : `, ${family.variants.find((v) => v.id === variant)?.name ?? variant}`}`,
    blocks: [
      {
        kind: 'code',
        text: family.name,
        name: family.variants.find((v) => v.id === variant)?.name ?? family.summary,
        address,
      },
      ...hazards.map((h): Block => ({ kind: 'text', text: `${h.title}: ${h.cautions[0]}`, tone: 'warning' })),
      ...(face ? [{ kind: 'drawing', svg: faceSvg(face, { numbers, weights }), words: face.label } as const] : []),
      ...(others.length > 0
        ? [{ kind: 'text', text: `Also: ${others.map((p) => p.name).join(', ')}`, tone: 'soft' } as const]
        : []),
      ...section('Keys', [
        {
          kind: 'table',
          head: [],
          rows: controls.map((c) => [
            String(numbers.get(c.id)),
            c.label,
            [...Object.values(c.labelByBadge ?? {}), ...(c.alsoCalled ?? [])].join(', '),
          ]),
        },
      ]),
      ...section(
        'Lamps',
        list([
          ...(weights.size > 0 ? [[...weights].map(([id, w]) => `${names(id)} = ${w}`).join(', ')] : []),
          ...marker.map((id) => `${names(id)} says which half shows`),
        ]),
      ),
      ...(whole
        ? [
            ...section(
              'Way in',
              ways('enter').flatMap((r) => wayBlocks(r, whole)),
            ),
            ...section('Codes', [codesBlock(codes, { built, panel: whole, isCard })]),
            ...section(
              'Erase',
              ways('clear').flatMap((r) => wayBlocks(r, whole)),
            ),
            ...section(
              'Way out',
              ways('leave').flatMap((r) => wayBlocks(r, whole)),
            ),
            ...section(
              'Calibrate',
              ways('calibrate').flatMap((r) => wayBlocks(r, whole)),
            ),
          ]
        : []),
    ],
    foot: 'Local codes and licensed practice come first. Wire Trail does not say that a unit is safe.',
  };
}

/**
 * What whoever uses the unit may do: which codes they may do something about themselves, what it is, and what to call for.
 * Nothing of service modes, covers or measuring.
 */
function operatorPage({ bundle, variant, paper, address }: Omit<UnitPageAsked, 'audience'>): Sheet {
  const built = asBuilt(bundle, variant === null ? null : [variant]);
  const family = familyEntry(built);
  const alive = variant === null ? family.variants.map((v) => v.id) : [variant];
  const all = [...entriesOf(built, 'code'), ...entriesOf(built, 'symptom')].filter(
    (c) => holdsFor(c.onlyVariants, alive) !== 'no',
  );
  const name = (c: (typeof all)[number]): string => (c.kind === 'code' ? c.text : c.title);
  const own = all.filter((c) => c.scope === 'operator');
  const others = all.filter((c) => c.scope !== 'operator' && c.kind === 'code');
  const contacts = (family.contacts ?? []).filter((c) => c.for !== 'operator');
  return {
    paper,
    title: `${family.name}, for whoever uses it`,
    blocks: [
      { kind: 'code', text: family.name, name: 'For whoever uses it', address },
      { kind: 'text', text: 'Never open a cover. Local codes come first.', tone: 'warning' },
      ...section(
        'What you can do yourself',
        own.length === 0
          ? [{ kind: 'text', text: 'Nothing: whatever shows, call.' }]
          : [
              {
                kind: 'table',
                head: ['what shows', 'what it is', 'look at'],
                rows: own.map((c) => [name(c), c.title, c.suspects[0]?.label ?? c.does]),
              },
            ],
      ),
      ...section('What to call for', list(others.map((c) => `${name(c)}: ${c.title}`))),
      ...section('Whom to call', list(contacts.map((c) => [c.name, c.reach, c.hours].filter(Boolean).join(', ')))),
    ],
    foot: 'Say what shows, the model and the serial number. Wire Trail does not say that a unit is safe.',
  };
}

/** Codes by their group, each with its first suspect; on a page also how it looks. */
function codesBlock(
  codes: readonly Code[],
  { built, panel, isCard }: Readonly<{ built: Bundle; panel: Panel; isCard: boolean }>,
): Block {
  const sorted = [...codes].sort(
    (a, b) =>
      (a.group ?? '').localeCompare(b.group ?? '') || a.text.localeCompare(b.text, undefined, { numeric: true }),
  );
  return {
    kind: 'table',
    head: isCard ? ['code', 'what', 'first suspect'] : ['code', 'what', 'first suspect', 'how it looks'],
    rows: sorted.map((c) => [
      c.text,
      c.title,
      c.suspects[0]?.label ?? '—',
      ...(isCard ? [] : [patternOf(c, entryOf(built, 'readout', c.readout ?? undefined), panel)]),
    ]),
  };
}
