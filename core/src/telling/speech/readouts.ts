import type { Reader } from './reader.ts';

/** `F-12`: letters and a figure, as codes are written; what it would be with any figure. */
const shapeOf = (text: string): RegExp | null => {
  const [, letters, join, digits] = /^([a-z]{1,3})([- ]?)(\d{1,3})(?: ?x ?\d+)?$/i.exec(text.trim()) ?? [];
  return letters && digits ? new RegExp(`(?<![a-z0-9])${letters}${join}\\d{${digits.length}}(?![a-z0-9])`, 'gi') : null;
};

const explained = /^["”'’,. ]*(?:is|are|means|meaning|stands for|would be|=|:|->|→|–)\s*(?!not\b)\p{L}/iu;

/** `it says F12` … `F40 is the hopper sensor`: text that is written as codes are of which others are explained. */
export const isCodeAlike = (r: Reader, text: string): boolean => {
  const shape = shapeOf(text);
  return (
    shape !== null &&
    [...r.whole.matchAll(shape)].some((m) => explained.test(r.whole.slice(m.index + m[0].length, m.index + 60)))
  );
};
