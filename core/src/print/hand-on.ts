import { groupBy } from '../base/group.ts';
import { causesAhead, partsAbout } from '../chart/graph.ts';
import { formatTaken } from '../chart/measure.ts';
import { causeOf } from '../chart/remedies.ts';
import type { ChartWalk } from '../chart/walk.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Code, Symptom } from '../model/code.ts';
import { entryOf, familyEntry } from '../model/select.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import { permitFor } from '../unit/may-act.ts';
import { resolvePlate } from '../unit/plate.ts';
import { changedByHand } from '../walk/changed.ts';
import { askedDetails, contactsFor, type SchoolContacts } from '../walk/contacts.ts';
import { orderLine, orderText, partsToOrder } from '../walk/order.ts';
import { plateOf } from '../walk/plate-of.ts';
import { rootsOf } from '../walk/roots.ts';
import { sideBySide } from '../walk/side-by-side.ts';
import { stepKey, type Walk } from '../walk/state.ts';
import { besideWords, sideBySideWords } from '../words/beside.ts';
import { complaintLines } from '../words/complaint.ts';
import { permitWords } from '../words/scope.ts';
import type { Block, Sheet } from './sheet.ts';

/** A reading in words: what was typed, what it was made of, when good. */
export function readingText(r: TakenReading): string {
  const good = [r.least, r.most].map((v) => (v === null ? null : formatTaken(r, v)));
  const [least, most] = good;
  const band = least && most ? `${least} to ${most}` : least ? `${least} and up` : most ? `up to ${most}` : '';
  const at = r.atCelsius === null ? '' : ` at ${formatTaken({ quantity: 'temperature' }, r.atCelsius)}`;
  const said = r.as ? `${r.typed}: ` : '';
  return `${said}${formatTaken(r, r.value)}${at}${band ? ` (good: ${band})` : ''}`;
}

/** Suspects that were tested and cannot be found any more from where the walk stands; and those that still can. */
export function ruledOut(chartWalk: ChartWalk): { out: string[]; left: string[] } {
  const verdict = chartWalk.end?.kind === 'verdict' ? chartWalk.end.verdict : null;
  const end = verdict?.verdict === 'cause-found' ? causeOf(chartWalk.path, verdict.cause) : verdict?.cause;
  const ahead = chartWalk.ended ? new Set(end ? [end] : []) : causesAhead(chartWalk.chart, chartWalk.at.id);
  const tested = new Set(chartWalk.path.flatMap((s) => (s.skipped ? [] : s.node.about)));
  const named = new Set(partsAbout(chartWalk.chart));
  const out = [...tested].filter((p) => !ahead.has(p));
  return { out, left: [...named].filter((p) => !out.includes(p)) };
}

/** Whom it is for, and whom to ring with what: what is known of what they ask, and what is still to be found out. */
function whom(bundle: Bundle, walk: Walk, handOnTo: string | null, school: SchoolContacts): Block[] {
  const needs = walk.offered?.needs ?? (handOnTo === null ? null : permitFor([{ scope: 'technician' }]));
  if (needs === null) return [];
  const codes = walk.taken.map((t) => entryOf(bundle, 'code', t.code)?.text ?? t.code);
  const readings = walk.answers.filter((a) => a.reading).length;
  const rows = contactsFor(bundle, needs, school).map((c) => [
    c.name,
    [c.reach, c.hours ?? 'hours not known', c.country].filter(Boolean).join(', '),
    askedDetails(c, walk, codes, readings)
      .map((d) => `${d.what}: ${d.known ?? 'still to be found out'}`)
      .join('; '),
  ]);
  return [
    ...(walk.offered
      ? [{ kind: 'text', text: `${walk.offered.what} is for ${permitWords(needs)}. Local codes come first.` } as const]
      : []),
    ...(rows.length > 0 ? [{ kind: 'table', head: ['whom', 'how and when', 'they ask for'], rows } as const] : []),
  ];
}

/**
 * One page for whoever goes on with the case: the unit, the codes as seen, every reading with its time and meter, what
 * was ruled out and what is left, what was changed, what was seen on the way.
 */
export function handOnSheet(input: {
  bundle: Bundle;
  walk: Walk;
  chartWalk: ChartWalk | null;
  subject: Code | Symptom | null;
  /** Whom the school rings for any unit, and where it is. */
  school?: SchoolContacts | undefined;
}): Sheet {
  const { bundle, walk, chartWalk, subject, school = {} } = input;
  const family = familyEntry(bundle);
  const part = (id: string): string => family.parts.find((p) => p.id === id)?.name ?? id;
  const variant = family.variants.find((v) => v.id === walk.unit?.variant)?.name;
  const time = (iso: string): string => iso.slice(11, 16);
  const { alive } = resolvePlate(family, plateOf(walk));
  const verdict = chartWalk?.end?.kind === 'verdict' ? chartWalk.end.verdict : null;
  const { out, left } = chartWalk ? ruledOut(chartWalk) : { out: [], left: [] };
  const measured = walk.answers.filter((a) => a.reading);
  const nodeTitle = (chart: string, node: string): string =>
    chartWalk?.path.find((s) => s.chart === chart && s.node.id === node)?.node.title ??
    entryOf(bundle, 'chart', chart)?.nodes.find((n) => n.id === node)?.title ??
    node;
  const section = (heading: string, blocks: readonly Block[]): Block[] =>
    blocks.length > 0 ? [{ kind: 'heading', text: heading }, ...blocks] : [];
  const list = (items: readonly string[]): Block[] => (items.length > 0 ? [{ kind: 'list', items }] : []);
  return {
    paper: 'page',
    title: `Handed on: ${family.name}${walk.unit ? ` ${walk.unit.serial}` : ''}`,
    blocks: [
      ...(subject?.kind === 'code' ? [{ kind: 'code', text: subject.text, name: subject.title } as const] : []),
      ...(subject?.kind === 'symptom' ? [{ kind: 'text', text: subject.title } as const] : []),
      ...(walk.unlisted
        ? [{ kind: 'code', text: walk.unlisted.text, name: `in no table; ${walk.unlisted.words}` } as const]
        : []),
      ...(verdict
        ? [
            {
              kind: 'text',
              text: `${verdict.title}.${verdict.handOnTo ? ` To ${verdict.handOnTo}.` : ''} ${verdict.text ?? ''}`.trim(),
            } as const,
          ]
        : []),
      ...section('Who goes on with it', whom(bundle, walk, verdict?.handOnTo ?? null, school)),
      ...section('What the customer says', list(walk.complaint ? complaintLines(walk.complaint, part) : [])),
      ...section('Unit', [
        {
          kind: 'table',
          head: [],
          rows: [
            ['family', family.name],
            ...(walk.unit
              ? [
                  ['serial number', walk.unit.serial],
                  ['model', walk.unit.model || 'not read'],
                  ['software', walk.unit.software ?? 'not read'],
                  ...(variant ? [['variant', variant]] : []),
                  ...Object.entries(walk.unit.options),
                ]
              : []),
            [
              'when',
              `${walk.startedAt.slice(0, 16).replace('T', ' ')} to ${walk.lastAt.slice(0, 16).replace('T', ' ')}`,
            ],
          ],
        },
      ]),
      ...section(
        'Codes as seen',
        list([
          ...walk.taken.map((t) => {
            const code = entryOf(bundle, 'code', t.code);
            return `slot ${t.slot}${t.controller ? `, ${t.controller}` : ''}: ${code ? `${code.text} ${code.title}` : t.code}`;
          }),
          ...rootsOf(bundle, walk).flatMap(({ code, is, why }) =>
            is === 'open' || is === 'deferred'
              ? [`${code.text} is ${is === 'open' ? 'still to be tested' : 'left for later'}${why ? `: ${why}` : ''}`]
              : [],
          ),
          ...[...walk.swept].filter(([, r]) => r !== 'codes').map(([c, r]) => `${c}: ${r.replaceAll('-', ' ')}`),
        ]),
      ),
      ...section(
        'To order',
        list(partsToOrder(bundle, walk, chartWalk).map((p) => orderText(orderLine(bundle, walk, p, { alive })))),
      ),
      ...section(
        'Readings',
        measured.length > 0
          ? [
              {
                kind: 'table',
                head: ['at', 'what', 'reading', 'verdict'],
                rows: measured.map((a) => {
                  const r = a.reading as TakenReading;
                  const meter = r.instrument ? (entryOf(bundle, 'instrument', r.instrument)?.name ?? r.instrument) : '';
                  return [
                    time(a.at),
                    nodeTitle(a.chart, a.node),
                    `${readingText(r)}${meter ? `, ${meter}` : ''}`,
                    r.verdict.replace('-', ' '),
                  ];
                }),
              },
            ]
          : [],
      ),
      ...section(
        'Side by side',
        [...groupBy(walk.beside, stepKey).values()].flatMap(([first]): Block[] => {
          const side = first && sideBySide(walk, first, (id) => entryOf(bundle, 'instrument', id));
          if (!first || !side) return [];
          const rows = side.rows.map((r) => [
            r.isOwn ? 'this one' : r.one,
            formatTaken(r.reading, r.reading.value),
            besideWords(r.is),
          ]);
          return [
            { kind: 'text', text: `${nodeTitle(first.chart, first.node)}: ${sideBySideWords(side)}` },
            { kind: 'table', head: ['which', 'reading', 'what it is'], rows },
          ];
        }),
      ),
      ...section(
        'Done and answered',
        list(
          walk.answers
            .filter((a) => !a.reading)
            .map((a) => {
              const title = nodeTitle(a.chart, a.node);
              const said = a.skipped ? `passed over, ${a.skipped}` : a.answer;
              return `${title}${title.endsWith('?') ? '' : ':'} ${said}`;
            }),
        ),
      ),
      ...section('Ruled out', list(out.map(part))),
      ...section('Not ruled out', list(left.map(part))),
      ...section(
        'Seen on the way',
        list([
          ...walk.suspected.map((s) => [s.part && part(s.part), s.text].filter(Boolean).join(': ')),
          ...walk.notes,
        ]),
      ),
      ...(walk.pictures.length > 0
        ? [
            { kind: 'heading', text: 'Pictures' } as const,
            {
              kind: 'pictures',
              pictures: walk.pictures.map(({ chart, node, words, type, data }) => ({
                words:
                  [chart && node ? nodeTitle(chart, node) : '', words].filter(Boolean).join(': ') || 'Without words',
                type,
                data,
              })),
            } as const,
          ]
        : []),
      ...section(
        'Changed and not put back',
        list([
          ...[...walk.settings]
            .filter(([, s]) => s.set !== null && !s.putBack)
            .map(([id, s]) => `${entryOf(bundle, 'setting', id)?.name ?? id}: ${s.set}, was ${s.old ?? 'not noted'}`),
          ...[...walk.lockedOut].filter(([, n]) => n > 0).map(([p, n]) => `${p}: ${n} locked out`),
          ...[...walk.owed.values()].map((o) => [o.what, o.by && `by ${o.by}`, o.who].filter(Boolean).join(', ')),
          ...changedByHand(bundle, walk, chartWalk?.path ?? []).flatMap((c) => (c.is === 'open' ? [c.what] : [])),
        ]),
      ),
    ],
    foot: 'As it was noted on the walk. Wire Trail does not say that a unit is safe.',
  };
}
