import type { WaitBefore } from '../play/waits-before.ts';
import { printDuration } from '../script/print.ts';

/** What has to be waited for before beginning, as an instruction. */
export const waitBeforeWords = ({ mode, ms, why }: WaitBefore): string =>
  why === 'ends-itself'
    ? `Wait until “${mode}” is over: it takes ${printDuration(ms)}.`
    : `Wait ${printDuration(ms)} once it is in “${mode}”: before that it takes nothing.`;
