import { hash } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import { ProblemError } from '../../http/problem.ts';

/** argon2id by default; 19 MiB, two rounds: the least that is recommended for interactive sign-in. */
export const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

const common = new Set<string>(dictionary['passwords-common']);
const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** Refuses a password that is among the most used ones, whatever is put around it, or that says who signs in with it. */
export function refuseCommon(password: string, names: readonly string[]): void {
  const bare = plain(password);
  const core = bare.replace(/^\d+|\d+$/g, '');
  const reasonOf = (): string | null => {
    if (common.has(password.toLowerCase()) || common.has(bare)) return 'is one of the most used passwords';
    if (/^\d+$/.test(bare) && bare.length < 16) return 'is nothing but figures';
    if (core.length >= 4 && common.has(core)) return 'is one of the most used passwords with figures';
    if (names.some((name) => plain(name).length >= 4 && bare.includes(plain(name))))
      return 'has the name in it with which one signs in';
    return null;
  };
  const reason = reasonOf();
  if (reason !== null) throw new ProblemError('field-wrong', { fields: [{ path: ['password'], reason }] });
}
