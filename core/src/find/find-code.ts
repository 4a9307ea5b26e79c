import type { Code } from '../code/model.ts';

/** How a typed code met a listed one. */
export type CodeMatch = Readonly<{ code: Code; distance: number; why: 'same' | 'spelling' | 'look-alike' | 'near' }>;

/** Characters that eyes, gloves and segment displays swap; each group reads as its first. */
const groups = ['0ODQ', '1IL7', '5S', '2Z', '6GB', '8B', 'UV'];

/** A code's text without what people leave out or put in: case, dashes, spaces, and zeros before a number. */
export function plainCode(text: string): string {
  return squeezed(text).replace(/(?<=[A-Z]|^)0+(?=\d)/g, '');
}

const squeezed = (text: string): string => text.toUpperCase().replace(/[\s\-_.]/g, '');

const swapCost = (a: string, b: string): number =>
  a === b ? 0 : groups.some((g) => g.includes(a) && g.includes(b)) ? 0.3 : 1;

/** Edit distance in which look-alike characters cost 0.25 and neighbours the wrong way round 0.8. */
export function codeDistance(a: string, b: string): number {
  const rows = Array.from({ length: a.length + 1 }, (_, i) =>
    Array.from({ length: b.length + 1 }, (_, j) => (i === 0 ? j : j === 0 ? i : 0)),
  );
  const cell = (i: number, j: number): number => rows[i]?.[j] ?? Number.POSITIVE_INFINITY;
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++) {
      const [x, y] = [a[i - 1] ?? '', b[j - 1] ?? ''];
      let best = Math.min(cell(i - 1, j) + 1, cell(i, j - 1) + 1, cell(i - 1, j - 1) + swapCost(x, y));
      if (i > 1 && j > 1 && x === b[j - 2] && y === a[i - 2]) best = Math.min(best, cell(i - 2, j - 2) + 0.8);
      const row = rows[i];
      if (row) row[j] = best;
    }
  return cell(a.length, b.length);
}

/** Listed codes a typed text may mean, nearest first, frequent before rare; at most `most`, none further than 1.6. */
export function findCodes(typed: string, codes: readonly Code[], most = 6): CodeMatch[] {
  const wanted = plainCode(typed);
  if (wanted === '') return [];
  return codes
    .map((code): CodeMatch => {
      if (code.text === typed.trim()) return { code, distance: 0, why: 'same' };
      // with and without leading zeros: a misread zero is no leading zero
      const distance = Math.min(
        codeDistance(wanted, plainCode(code.text)),
        codeDistance(squeezed(typed), squeezed(code.text)),
      );
      return { code, distance, why: distance === 0 ? 'spelling' : distance < 0.8 ? 'look-alike' : 'near' };
    })
    .filter((match) => match.distance <= Math.min(1.6, wanted.length - 0.5))
    .sort(
      (a, b) => a.distance - b.distance || b.code.frequency - a.code.frequency || (a.code.text < b.code.text ? -1 : 1),
    )
    .slice(0, most);
}
