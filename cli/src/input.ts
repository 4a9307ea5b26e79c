import { readFileSync, statSync } from 'node:fs';
import { type Bundle, type Path, pathText, problemsOf, readBundle } from '@wire-trail/core';
import type { z } from 'zod';

export type InputProblem = Readonly<{ file: string; path: Path; reason: string }>;

/** Input nothing can be done with: exit status 2, with file, path and reason. */
export class UnusableInput extends Error {
  readonly problems: readonly InputProblem[];
  constructor(problems: readonly InputProblem[]) {
    super(problems.map((p) => `${p.file}: ${pathText(p.path)}: ${p.reason}`).join('\n'));
    this.problems = problems;
  }
}

const mostBytes = 32 * 1024 * 1024;

/** Reads a file's bytes; refuses what is missing or too large. */
export function readBytes(file: string): Buffer {
  const refuse = (reason: string): never => {
    throw new UnusableInput([{ file, path: [], reason }]);
  };
  const stat = statSync(file, { throwIfNoEntry: false });
  if (!stat?.isFile()) return refuse('there is no such file');
  if (stat.size > mostBytes) return refuse(`is ${Math.round(stat.size / 1024 / 1024)} MB; at most 32 MB are read`);
  return readFileSync(file);
}

/** Reads JSON from a file; refuses what is missing, too large, or no JSON. */
export function readJson(file: string): unknown {
  const refuse = (reason: string): never => {
    throw new UnusableInput([{ file, path: [], reason }]);
  };
  const bytes = readBytes(file);
  if (bytes.includes(0)) return refuse('is not text');
  try {
    return JSON.parse(bytes.toString('utf8'));
  } catch (error) {
    return refuse(`is no JSON: ${(error as Error).message}`);
  }
}

export function readBundleFile(file: string): Bundle {
  const read = readBundle(readJson(file));
  if (!read.ok) throw new UnusableInput(read.error.map((problem) => ({ file, ...problem })));
  return read.value;
}

/** Reads a file of a documented shape. */
export function readShape<S extends z.ZodType>(file: string, schema: S): z.output<S> {
  const parsed = schema.safeParse(readJson(file));
  if (!parsed.success) throw new UnusableInput(problemsOf(parsed.error).map((problem) => ({ file, ...problem })));
  return parsed.data;
}
