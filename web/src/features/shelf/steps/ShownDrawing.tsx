import type { ShowsBy } from '@wire-trail/core';

const lit = 'var(--lamp-lit)';
const dark = 'var(--lamp-dark)';
const Lamp = ({ x, on }: { x: number; on: boolean }) => (
  <circle cx={x} cy={12} r={6} fill={on ? lit : 'none'} stroke={on ? lit : dark} strokeWidth={2} />
);
/** Strokes of light or sound, one after the other. */
const Strokes = ({ at, n }: { at: number; n: number }) => (
  <>
    {Array.from({ length: n }, (_, i) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: strokes are their places
      <rect key={i} x={at + i * 9} y={6} width={5} height={12} rx={2} fill={lit} />
    ))}
  </>
);
const Text = ({ children }: { children: string }) => (
  <>
    <rect x={2} y={1} width={88} height={22} rx={4} fill="var(--ink)" />
    <text x={46} y={17} textAnchor="middle" fontFamily="var(--mono)" fontSize={14} fill={lit}>
      {children}
    </text>
  </>
);

/** What an answer looks like, small; its name says the same. */
export function ShownDrawing({ by }: { by: ShowsBy }) {
  return (
    <svg viewBox="0 0 92 24" width={92} height={24} aria-hidden="true">
      {by === 'lamps' && [14, 36, 58, 80].map((x, i) => <Lamp key={x} x={x} on={i % 2 === 0} />)}
      {by === 'which' && (
        <>
          <Lamp x={10} on={false} />
          <Lamp x={26} on />
          <Strokes at={46} n={4} />
        </>
      )}
      {by === 'blinks' && <Strokes at={20} n={5} />}
      {by === 'runs' && (
        <>
          <Strokes at={4} n={3} />
          <Strokes at={52} n={4} />
        </>
      )}
      {by === 'beeps' && (
        <text x={46} y={18} textAnchor="middle" fontSize={16} fill={lit}>
          ♪ ♪ ♪
        </text>
      )}
      {by === 'display' && <Text>E12</Text>}
      {by === 'pair' && <Text>412-7</Text>}
      {by === 'parts' && (
        <>
          <Lamp x={12} on />
          <Strokes at={26} n={2} />
          <text x={52} y={18} fontSize={14} fill={lit}>
            +
          </text>
          <Strokes at={68} n={2} />
        </>
      )}
    </svg>
  );
}
