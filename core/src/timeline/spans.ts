import { exactly, type Span } from '../base/text.ts';

export const zero = exactly(0);
export const plus = (a: Span, b: Span): Span => ({
  leastMs: a.leastMs + b.leastMs,
  usualMs: a.usualMs + b.usualMs,
  mostMs: a.mostMs + b.mostMs,
});
export const share = (span: Span, n: number): Span => ({
  leastMs: span.leastMs / n,
  usualMs: span.usualMs / n,
  mostMs: span.mostMs / n,
});
export const later = (a: Span, b: Span): Span => ({
  leastMs: Math.max(a.leastMs, b.leastMs),
  usualMs: Math.max(a.usualMs, b.usualMs),
  mostMs: Math.max(a.mostMs, b.mostMs),
});
