// Which mutants of a run are tried: so many, chosen by a seed, the same ones each time. The others count for nothing.
import { createHash } from 'node:crypto';
import { relative } from 'node:path';
import { declareClassPlugin, PluginKind, tokens } from '@stryker-mutator/api/plugin';

class Sample {
  static inject = tokens('options');

  constructor(options) {
    this.sample = options.sample;
  }

  async init() {}

  async group(mutants) {
    return mutants.length === 0 ? [] : [mutants.map((mutant) => mutant.id)];
  }

  async check(mutants) {
    const { seed, most } = this.sample;
    const drawn = (mutant) =>
      createHash('sha256')
        .update(
          [
            seed,
            relative(process.cwd(), mutant.fileName),
            mutant.mutatorName,
            JSON.stringify(mutant.location),
            mutant.replacement,
          ].join(' '),
        )
        .digest('hex');
    const tried = new Set(
      mutants
        .map((mutant) => [drawn(mutant), mutant.id])
        .sort()
        .slice(0, most)
        .map(([, id]) => id),
    );
    return Object.fromEntries(
      mutants.map(({ id }) => [
        id,
        tried.has(id) ? { status: 'passed' } : { status: 'compileError', reason: 'not in the sample' },
      ]),
    );
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.Checker, 'sample', Sample)];
