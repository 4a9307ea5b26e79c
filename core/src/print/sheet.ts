import { assertNever } from '../base/result.ts';
import type { Pictured } from '../walk/state.ts';

/** One piece of a sheet of paper. */
export type Block =
  /** A code in large type, with the way to its trail beside it where there is one. */
  | Readonly<{ kind: 'code'; text: string; name: string; address?: string }>
  | Readonly<{ kind: 'heading'; text: string }>
  | Readonly<{ kind: 'text'; text: string; tone?: 'soft' | 'warning' }>
  | Readonly<{ kind: 'list'; items: readonly string[] }>
  /** Pictures and clips, each with its words; base64. */
  | Readonly<{ kind: 'pictures'; pictures: ReadonlyArray<Readonly<Pick<Pictured, 'words' | 'type' | 'data'>>> }>
  | Readonly<{ kind: 'table'; head: readonly string[]; rows: ReadonlyArray<readonly string[]> }>
  /** A drawing as SVG, with what it is. */
  | Readonly<{ kind: 'drawing'; svg: string; words: string }>
  /** Steps by number, each with where its answers lead. */
  | Readonly<{
      kind: 'steps';
      steps: ReadonlyArray<
        Readonly<{ number: string; title: string; lines: readonly string[]; ways: readonly string[] }>
      >;
    }>;

/** What is printed, shown or shared: one description for all three. */
export type Sheet = Readonly<{
  paper: 'page' | 'card';
  title: string;
  blocks: readonly Block[];
  /** Stands at the foot of every page. */
  foot: string;
}>;

/** A sheet as plain text, to be shared where no paper goes. */
export function sheetText(sheet: Sheet): string {
  const lines = sheet.blocks.flatMap((b): string[] => {
    switch (b.kind) {
      case 'code':
        return [`${b.text}  ${b.name}`, ...(b.address ? [b.address] : []), ''];
      case 'heading':
        return ['', b.text.toUpperCase()];
      case 'text':
        return [b.text];
      case 'list':
        return b.items.map((item) => `- ${item}`);
      case 'drawing':
        return [`(${b.words})`];
      case 'pictures':
        return b.pictures.map((p) => `- ${p.words}`);
      case 'table':
        return b.rows.map((row) => row.filter(Boolean).join(' · '));
      case 'steps':
        return b.steps.flatMap((s) =>
          [`${s.number}. ${s.title}`, ...s.lines, ...s.ways].map((l, i) => (i ? `   ${l}` : l)),
        );
      default:
        return assertNever(b);
    }
  });
  return [sheet.title, '', ...lines, '', sheet.foot]
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim();
}

const millimetre = 72 / 25.4;
const papers = {
  page: { size: 'A4', margins: [16, 16, 16, 18], point: 9.5 },
  card: { size: { width: 105 * millimetre, height: 148 * millimetre }, margins: [9, 8, 9, 11], point: 7.6 },
} as const;

/** Signs the printed face lacks, as it can show them. */
const plainSigns = (text: string): string => text.replaceAll('→', '›').replaceAll('☐', '[ ]').replaceAll('✓', '·');

/**
 * A sheet as a document definition for pdfmake, in two faces, `Body` and `Code`, which whoever makes the file brings. What
 * does not fit runs on: on a card, onto its back.
 */
export function sheetDefinition(sheet: Sheet): Readonly<Record<string, unknown>> {
  const paper = papers[sheet.paper];
  const soft = '#5b6763';
  const line = '#d5ccba';
  const copper = '#a34c1c';
  const rules = {
    hLineWidth: (i: number) => (i === 0 ? 0 : 0.5),
    vLineWidth: () => 0,
    hLineColor: () => line,
    paddingTop: () => 2,
    paddingBottom: () => 2,
  };
  const text = (t: string, more: object = {}) => ({ text: plainSigns(t), ...more });
  const content = sheet.blocks.map((b): unknown => {
    switch (b.kind) {
      case 'code': {
        const stack = [
          text(b.text, { font: 'Code', fontSize: paper.point * (b.text.length > 6 ? 3.6 : 6), lineHeight: 1 }),
          text(b.name, { bold: true, fontSize: paper.point * 1.35 }),
        ];
        if (!b.address) return { stack, margin: [0, 0, 0, 6] };
        const qr = { qr: b.address, fit: sheet.paper === 'card' ? 78 : 96, width: 'auto', eccLevel: 'M' };
        return { columns: [{ stack, width: '*' }, qr], columnGap: 10, margin: [0, 0, 0, 6] };
      }
      case 'heading':
        return text(b.text, { bold: true, color: copper, margin: [0, 6, 0, 2] });
      case 'text':
        return text(b.text, {
          margin: [0, 0, 0, 3],
          ...(b.tone === 'soft' ? { color: soft } : {}),
          ...(b.tone === 'warning' ? { bold: true, color: '#b3261e' } : {}),
        });
      case 'drawing':
        return { svg: b.svg, width: sheet.paper === 'card' ? 240 : 420, margin: [0, 2, 0, 6] };
      case 'pictures':
        return {
          // what moves has no place on paper: its words stand there
          stack: b.pictures.map((p) =>
            p.type === 'image/jpeg'
              ? { stack: [{ image: `data:${p.type};base64,${p.data}`, width: 180 }, text(p.words, { color: soft })] }
              : text(`${p.words} (a clip; it is in the log)`, { color: soft }),
          ),
          margin: [0, 0, 0, 3],
        };
      case 'list':
        return { ul: b.items.map((i) => text(i)), margin: [0, 0, 0, 3] };
      case 'table':
        return {
          table: {
            headerRows: b.head.length > 0 ? 1 : 0,
            widths: b.rows[0]?.map((_, i, all) => (i === all.length - 1 ? '*' : 'auto')) ?? [],
            body: [
              ...(b.head.length > 0 ? [b.head.map((h) => text(h, { color: soft }))] : []),
              ...b.rows.map((row) => row.map((cell) => text(cell))),
            ],
          },
          layout: rules,
          margin: [0, 0, 0, 3],
        };
      case 'steps':
        return {
          table: {
            widths: ['auto', '*', sheet.paper === 'page' ? 150 : 96],
            dontBreakRows: true,
            body: b.steps.map((s) => [
              text(s.number, { font: 'Code', color: copper }),
              { stack: [text(s.title, { bold: true }), ...s.lines.map((l) => text(l, { color: soft }))] },
              { stack: s.ways.map((w) => text(w)) },
            ]),
          },
          layout: rules,
          margin: [0, 0, 0, 3],
        };
      default:
        return assertNever(b);
    }
  });
  const [left, top, right, bottom] = paper.margins.map((m) => m * millimetre);
  return {
    info: { title: sheet.title },
    pageSize: paper.size,
    pageMargins: [left, top, right, bottom],
    defaultStyle: { font: 'Body', fontSize: paper.point, lineHeight: 1.18, color: '#1d2b2a' },
    content,
    footer: [text(sheet.foot, { fontSize: paper.point * 0.8, color: soft, margin: [left, 4, right, 0] })],
    // the line above the foot is drawn by the background, so that it stands on every page
    background: [
      {
        canvas: [
          {
            type: 'line',
            x1: left,
            y1: top ? top - 6 : 0,
            x2: (left ?? 0) + 40,
            y2: top ? top - 6 : 0,
            lineWidth: 2,
            lineColor: line,
          },
        ],
      },
    ],
  };
}
