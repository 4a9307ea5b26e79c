import type { Stretch } from '@wire-trail/core';
import { useEffect, useRef } from 'react';
import { Pressable } from '../../parts/field/Pressable.tsx';

const kinds: ReadonlyArray<readonly [Stretch['is'], string]> = [
  ['step', 'made into a step'],
  ['warned', 'warning, or no step'],
  ['not-understood', 'not understood'],
  ['contradicts', 'said differently'],
  ['talk', 'talk'],
];
const told: Readonly<Record<Stretch['is'], string>> = {
  step: 'made into a step',
  warned: 'a warning, or what others do: no step',
  asked: 'a question: no step',
  'not-understood': 'names something of the unit and became nothing',
  contradicts: 'says something else than the steps',
  talk: 'talk',
};

type Props = Readonly<{ stretches: readonly Stretch[]; picked: string | null; onPick: (at: string) => void }>;

/** The telling itself, every stretch by what became of it; a step’s stretch and the step are one. */
export function Stretches({ stretches, picked, onPick }: Props) {
  const own = useRef<HTMLElement>(null);
  useEffect(() => {
    if (picked !== null) own.current?.scrollIntoView({ block: 'nearest' });
  }, [picked]);
  return (
    <>
      <div className="row" aria-hidden="true">
        {kinds.map(([is, words]) => (
          <span key={is} className={`tag stretch ${is}`}>
            {words}
          </span>
        ))}
      </div>
      <div className="sheet telling-text">
        {stretches.map((s) => {
          if (s.is === 'talk') return <span key={s.from}>{s.text}</span>;
          if (s.is !== 'step')
            return (
              <mark key={s.from} className={`stretch ${s.is}`} title={told[s.is]}>
                {s.text}
              </mark>
            );
          const at = `${s.route}.${s.at}`;
          return (
            <Pressable
              key={s.from}
              component="span"
              ref={(el: HTMLElement | null) => {
                if (picked === at) own.current = el;
              }}
              className={`stretch step ${picked === at ? 'picked' : ''}`}
              aria-pressed={picked === at}
              title={told.step}
              onClick={() => onPick(at)}
            >
              {s.text}
            </Pressable>
          );
        })}
      </div>
    </>
  );
}
