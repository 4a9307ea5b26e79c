import {
  attemptsSoFar,
  type Bundle,
  type Code,
  entriesOf,
  familyEntry,
  formatQuantity,
  lockOutMs,
  proveRun,
} from '@wire-trail/core';
import { refuse } from './chart-commands.ts';
import type { Options, Output } from './commands.ts';
import { readBundleFile } from './input.ts';

/** The code that was named, by its id or as it is shown; else it is told which there are. */
function codeIn(bundle: Bundle, file: string, named: string | undefined): Code {
  const codes = entriesOf(bundle, 'code');
  const listed = codes.map((c) => c.id).join(', ');
  if (!named) return refuse('--code', `names the code: ${listed}`);
  const found = codes.find((c) => c.id === named || c.text.toLowerCase() === named.toLowerCase());
  return found ?? refuse(file, `has no code “${named}”; it has ${listed}`);
}

/** A variant that was named must be one of the family, and have the code. */
function checkVariant(bundle: Bundle, code: Code, variant: string | undefined): void {
  if (variant === undefined) return;
  const variants = familyEntry(bundle)?.variants.map((v) => v.id as string) ?? [];
  if (!variants.includes(variant)) refuse('--variant', `names a variant: ${variants.join(', ')}`);
  const only: readonly string[] = code.onlyVariants;
  if (only.length > 0 && !only.includes(variant))
    refuse('--variant', `${code.text} is a code of ${only.join(', ')} only`);
}

const long = (ms: number): string => formatQuantity(ms / 1000, 'duration');

/** How long a repair has to run before the code's absence proves anything, and why. */
export function runProve(file: string, options: Options): Output {
  const bundle = readBundleFile(file);
  const code = codeIn(bundle, file, options.code);
  checkVariant(bundle, code, options.variant);
  const { detection } = code;
  const run = proveRun(detection);
  const why = [
    ...(run.notWatched > 0
      ? [run.notWatched === 1 ? 'the first is not watched' : `the first ${run.notWatched} are not watched`]
      : []),
    detection.inARow > 1
      ? `it takes ${detection.inARow} in a row to store ${code.text}`
      : `one is enough to store ${code.text}`,
    ...(run.erasesWithin ? [`the memory erases itself after ${run.erasedAfter}: look each time`] : []),
  ];
  return {
    json: { code: code.id, ...run, cycle: detection.cycle, why },
    lines: [
      `${run.cycles} × ${detection.cycle}${run.leastMs === null ? '; nothing says how long one is' : `, ${long(run.leastMs)} at the least`}`,
      ...why,
    ],
    errors: false,
  };
}

/** How long a unit has been in trouble after so many attempts, and until it locks out. */
export function runLockOut(file: string, options: Options): Output {
  const code = codeIn(readBundleFile(file), file, options.code);
  const attempts = Number(options.attempts);
  if (!Number.isInteger(attempts) || attempts < 1) return refuse('--attempts', 'is how often it has tried: 1, 2, 3 …');
  const so = attemptsSoFar(code.detection, attempts);
  if (!so) return refuse(file, `does not say how long an attempt of ${code.text} and the rest after it are`);
  const wholeMs = lockOutMs(code.detection);
  return {
    json: { code: code.id, attempts, ...so, locksOutAfter: code.detection.locksOutAfter ?? null, wholeMs },
    lines: [
      `in trouble for ${long(so.soFarMs)} at the least`,
      so.left
        ? `locks out after ${so.left.attempts} more, in ${long(so.left.ms)}`
        : wholeMs === null
          ? 'does not lock out'
          : 'has locked out',
    ],
    errors: false,
  };
}
