import type { Family } from '../model/family.ts';
import type { Reach } from '../unit/reach.ts';

const onWords = {
  'sound-unit': 'on a sound unit',
  'faulted-unit': 'on a unit with the fault',
  'loose-board': 'on a loose board',
} as const;

/** A step by its number as people count: `4.steps.0` is 5, the first of it. */
const stepNumber = (at: string): string =>
  at
    .split('.')
    .filter((part) => /^\d+$/.test(part))
    .map((part) => Number(part) + 1)
    .join('.');

const joined = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join() : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

/** What a proof speaks for and what it does not, a sentence each. */
export function reachWords({ provenOn, on, notSeen, notFor }: Reach, family: Pick<Family, 'variants'>): string[] {
  const name = (id: string): string => family.variants.find((v) => v.id === id)?.name ?? id;
  return [
    `Proven ${on === null ? '' : `${onWords[on]} `}on ${provenOn}.`,
    ...(notSeen.length > 0
      ? [
          `Step${notSeen.length === 1 ? '' : 's'} ${joined(notSeen.map(stepNumber))} ${notSeen.length === 1 ? 'was' : 'were'} not seen.`,
        ]
      : []),
    ...(notFor === null
      ? ['For which variants it speaks was not said.']
      : notFor.length > 0
        ? [`Not proven for ${joined(notFor.map(name))}.`]
        : []),
  ];
}
