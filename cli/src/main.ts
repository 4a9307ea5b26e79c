import { run } from './run.ts';

process.exitCode = await run(process.argv.slice(2), { env: process.env, out: console.log, err: console.error });
