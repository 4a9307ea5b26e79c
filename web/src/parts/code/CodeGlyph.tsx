import { type Standing, standingWords } from '@wire-trail/core';
import './code.css';

/** A code, always in the same face: the one that tells 0 from O and 8 from B. */
export function CodeGlyph({ text, size = 'normal' }: { text: string; size?: 'normal' | 'large' | 'huge' }) {
  return <span className={`code-glyph ${size}`}>{text}</span>;
}

/** How sure we are, told by filled strokes and in words, never by colour alone. */
export function StandingMark({ standing }: { standing: Standing }) {
  const strength = { 'bench-proven': 4, 'field-report': 3, document: 3, hearsay: 1, experimental: 1 }[standing];
  return (
    <span className="tag">
      <svg viewBox="0 0 16 10" width="18" height="11" aria-hidden="true">
        {[0, 1, 2, 3].map((i) => (
          <rect
            key={i}
            x={i * 4}
            y={6 - i * 2}
            width="3"
            height={4 + i * 2}
            fill={i < strength ? 'var(--spruce)' : 'none'}
            stroke={i < strength ? 'none' : 'var(--soft)'}
            strokeWidth={0.8}
          />
        ))}
      </svg>
      {standingWords[standing]}
    </span>
  );
}
