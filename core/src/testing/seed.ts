import fc from 'fast-check';

/** What properties are tried with is drawn from this, the same on every machine; `SEED=any` draws anew, `SEED=1234` from that. */
const seed = process.env.SEED ?? '20260211';
if (seed !== 'any') fc.configureGlobal({ seed: Number(seed) });
