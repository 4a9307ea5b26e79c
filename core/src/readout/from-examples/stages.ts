import type { SignId, StageId } from '../../base/ids.ts';
import type { Readout, Stage } from '../../model/readout.ts';
import type { LampWay } from './learn.ts';
import type { PartShape } from './shape.ts';

const alphabet = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const mostOf = (part: PartShape, sum: number): number =>
  Math.min(sum, part === 'letter' ? 26 : part === 'figures' ? 999 : 10 ** part - 1);

/** What was learnt, as the stages of a readout and how its text is put together; lamps in their order on the panel. */
export function stagesOf(
  { shape, marker, weights }: LampWay,
  lamps: readonly SignId[],
): Pick<Readout, 'stages' | 'compose'> {
  const sum = [...weights.values()].reduce((n, w) => n + w, 0);
  const stages = shape.parts.map((part, i): Stage => {
    const id = `part-${i + 1}` as StageId;
    const isLit = marker?.litIn.includes(i) ?? false;
    return {
      id,
      label: shape.parts.length === 1 ? 'the code' : `part ${i + 1}`,
      comes: marker
        ? {
            kind: 'sign',
            shown: { kind: 'lamp', sign: marker.lamp, state: isLit ? 'lit' : 'dark' },
            everyMs: 3000,
          }
        : shape.parts.length === 1
          ? { kind: 'at-once' }
          : { kind: 'alternates', everyMs: 3000 },
      reads: {
        kind: 'lamps',
        lamps: lamps.flatMap((sign) => {
          const weight = weights.get(sign);
          return weight === undefined ? [] : [{ sign, weight }];
        }),
        onIs: 'lit',
        offIs: 'dark',
        to:
          part === 'letter'
            ? { kind: 'characters', characters: alphabet.slice(0, mostOf(part, sum)), first: 1 }
            : { kind: 'number', least: 0, most: mostOf(part, sum), digits: part === 'figures' ? 1 : part },
      },
    };
  });
  return {
    stages,
    compose: [
      ...(shape.prefix === '' ? [] : [{ kind: 'literal' as const, text: shape.prefix }]),
      ...stages.map((stage) => ({ kind: 'stage' as const, stage: stage.id })),
    ],
  };
}
