import { fail, ok, type Result } from '../base/result.ts';

/** A suspect parameter and a failure mode, with how often it came and how the bytes were laid out where that is known. */
export type NumberPair = Readonly<{ parameter: number; mode: number; count: number | null }>;

export const mostParameter = 2 ** 19 - 1;
export const mostMode = 31;

export type BytesError =
  | Readonly<{ code: 'not-four-bytes'; bytes: number }>
  | Readonly<{ code: 'not-hex'; column: number }>;

const paired = /^[^\d?]{0,30}?(\d{1,6})\s*[-./,;\s]\s*[^\d?]{0,30}?(\d{1,2})$/;
/** The failure mode said first: `mode 7 of 412`. */
const modeFirst = /^[^\d?]{0,12}mode[^\d?]{0,4}(\d{1,2})[^\d?]{1,30}(\d{1,6})$/i;

/**
 * The number pair a text may be: suspect parameter and failure mode, as in `412-3`, `412.3`, `412/3` or `412 3`, with or
 * without what they are called, also told the other way round.
 */
export function pairOf(text: string): { parameter: number; mode: number } | null {
  const plain = text.trim();
  const [, before, of] = modeFirst.exec(plain) ?? [];
  if (before !== undefined && of !== undefined) return { parameter: Number(of), mode: Number(before) };
  const [, parameter, mode] = paired.exec(plain) ?? [];
  return parameter === undefined || mode === undefined ? null : { parameter: Number(parameter), mode: Number(mode) };
}

/** A pair as a code's text. */
export const pairText = ({ parameter, mode }: Pick<NumberPair, 'parameter' | 'mode'>): string => `${parameter}-${mode}`;

/**
 * The number pair in four raw bytes. Byte 3 holds the top three bits of the parameter and the five of the mode, byte 4
 * the layout bit and seven bits of count. Layout 0: byte 1 is the lowest eight bits of the parameter, byte 2 the next.
 * Layout 1: the parameter runs on from its top bit: byte 1 bits 18 to 11, byte 2 bits 10 to 3, and the three of byte 3
 * its lowest.
 */
export function pairOfBytes(bytes: readonly number[]): Result<NumberPair, BytesError> {
  const [b1, b2, b3, b4] = bytes;
  if (bytes.length !== 4 || b1 === undefined || b2 === undefined || b3 === undefined || b4 === undefined)
    return fail({ code: 'not-four-bytes', bytes: bytes.length });
  const three = b3 >> 5;
  const parameter = b4 >> 7 ? (b1 << 11) | (b2 << 3) | three : b1 | (b2 << 8) | (three << 16);
  return ok({ parameter, mode: b3 & 31, count: b4 & 127 });
}

/** The four bytes of a pair, in either layout; throws where a number does not fit its bits. */
export function bytesOfPair(
  { parameter, mode, count }: NumberPair,
  layout: 0 | 1 = 0,
): [number, number, number, number] {
  const times = count ?? 1;
  if (!(parameter >= 0 && parameter <= mostParameter && mode >= 0 && mode <= mostMode && times >= 0 && times <= 127))
    throw new Error(`the pair ${parameter}-${mode} (${times}) does not fit its bits`);
  const last = (layout << 7) | times;
  return layout === 1
    ? [parameter >> 11, (parameter >> 3) & 255, ((parameter & 7) << 5) | mode, last]
    : [parameter & 255, (parameter >> 8) & 255, ((parameter >> 16) << 5) | mode, last];
}

/** Bytes as people write them: `9C 01 07 85`, `9c010785`, `0x9C,0x01 …`. */
export function readBytesText(text: string): Result<number[], BytesError> {
  const plain = text
    .replace(/0x/gi, ' ')
    .replace(/[\s,;:]+/g, ' ')
    .trim();
  const odd = /[^0-9a-f ]/i.exec(plain);
  if (odd) return fail({ code: 'not-hex', column: text.indexOf(odd[0]) + 1 });
  const groups = plain.split(' ').flatMap((g) => (g.length > 2 ? (g.match(/.{1,2}/g) ?? []) : g === '' ? [] : [g]));
  if (groups.length !== 4 || groups.some((g, i) => g.length !== 2 && plain.split(' ')[i]?.length !== 1))
    return fail({ code: 'not-four-bytes', bytes: groups.length });
  return ok(groups.map((g) => Number.parseInt(g, 16)));
}

export const bytesText = (bytes: readonly number[]): string =>
  bytes.map((b) => b.toString(16).toUpperCase().padStart(2, '0')).join(' ');
