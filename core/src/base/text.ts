import { z } from 'zod';

/**
 * A label on a panel or in a list: one line, no control characters, and none of the signs that turn the direction of
 * reading, which make a text look like another one; text from right to left needs none.
 */
export const Label = z
  .string()
  .min(1)
  .max(120)
  .regex(
    // biome-ignore lint/suspicious/noControlCharactersInRegex: refusing them is the point
    /^[^\u0000-\u001f\u007f\u202a-\u202e\u2066-\u2069]*$/,
    'one line without control characters or signs that turn the direction of reading',
  );

/** A sentence or a few. Line breaks are allowed; what labels may not hold, this may not either. */
export const Prose = z
  .string()
  .max(4000)
  .regex(
    // biome-ignore lint/suspicious/noControlCharactersInRegex: refusing them is the point
    /^[^\u0000-\u0009\u000b-\u001f\u007f\u202a-\u202e\u2066-\u2069]*$/,
    'plain text without control characters or signs that turn the direction of reading',
  );

/** How sure we are of a claim, strongest first. */
export const standings = ['bench-proven', 'field-report', 'document', 'hearsay', 'experimental'] as const;
export const Standing = z.enum(standings);
export type Standing = z.infer<typeof Standing>;

/** Who may act, widest first: each may do what those before may. */
export const scopes = ['operator', 'technician', 'licensed', 'maker'] as const;
export const Scope = z.enum(scopes);
export type Scope = z.infer<typeof Scope>;

/** A span a person or a unit takes, in milliseconds: least, usual, most. */
export const Span = z
  .strictObject({
    leastMs: z.number().nonnegative(),
    usualMs: z.number().nonnegative(),
    mostMs: z.number().nonnegative(),
  })
  .refine(
    (span) => span.leastMs <= span.usualMs && span.usualMs <= span.mostMs,
    'least, usual and most in rising order',
  );
export type Span = z.infer<typeof Span>;
/** A time that is neither shorter nor longer, in milliseconds. */
export const exactly = (ms: number): Span => ({ leastMs: ms, usualMs: ms, mostMs: ms });
