import { gunzipSync } from 'node:zlib';
import { type Declared, type RefusalCode, refusalsOf, statusOf } from '@wire-trail/core';
import type { Context } from 'koa';
import { ProblemError } from './problem.ts';

/** A route that answered what its contract does not say: a fault of ours, never of who asked. */
export class ContractBroken extends Error {}

const asSent = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

function sentBody(ctx: Context): unknown {
  const { body } = ctx;
  if (!Buffer.isBuffer(body)) return asSent(body);
  const text = ctx.response.get('Content-Encoding') === 'gzip' ? gunzipSync(body) : body;
  return JSON.parse(text.toString('utf8'));
}

/** Throws where the answer on its way is not what the contract says of this route. */
export function checkAnswer(name: string, route: Declared, ctx: Context): void {
  if (ctx.status === 304) return;
  const status = statusOf(route);
  if (ctx.status !== status) throw new ContractBroken(`${name} answered ${ctx.status}, not ${status}`);
  if (!route.answer) return;
  const read = route.answer.safeParse(sentBody(ctx));
  if (read.success) return;
  const places = read.error.issues.slice(0, 5).map((i) => `${i.path.join('.') || 'answer'}: ${i.message}`);
  throw new ContractBroken(`${name} answered what its contract does not say: ${places.join('; ')}`);
}

/** Throws where a refusal is none that the contract says of this route. */
export function checkRefusal(name: string, route: Declared, error: unknown): void {
  if (!(error instanceof ProblemError)) return;
  const may: readonly RefusalCode[] = refusalsOf(route);
  if (!may.includes(error.code))
    throw new ContractBroken(`${name} refused with ${error.code}, which its contract does not say`);
}
