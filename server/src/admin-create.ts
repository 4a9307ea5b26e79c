import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { NewUser } from '@wire-trail/core';
import { readConfig } from './config.ts';
import { connect, migrate } from './db/connect.ts';
import { addUser } from './features/users/service.ts';
import { ProblemError } from './http/problem.ts';

const { values } = parseArgs({ options: { 'sign-in': { type: 'string' }, name: { type: 'string' } } });
const ask = async (): Promise<string> => {
  if (process.env.WIRE_TRAIL_ADMIN_PASSWORD) return process.env.WIRE_TRAIL_ADMIN_PASSWORD;
  const lines = createInterface({ input: process.stdin, output: process.stdout });
  const password = await lines.question('Password (ten characters at least, none of the most used ones): ');
  lines.close();
  return password;
};
const read = NewUser.safeParse({
  signIn: values['sign-in'],
  name: values.name ?? values['sign-in'],
  role: 'admin',
  password: await ask(),
});
if (!read.success) {
  console.error(
    `Usage: npm run admin:create -- --sign-in NAME [--name "Full name"]\n${read.error.issues.map((i) => `  ${i.path.join('.')}: ${i.message}`).join('\n')}`,
  );
  process.exit(1);
}
const db = connect(readConfig(process.env).database);
try {
  await migrate(db);
  const admin = await addUser(read.data, { db, now: () => new Date() });
  console.log(`${admin.signIn} may sign in as admin.`);
} catch (error) {
  if (!(error instanceof ProblemError)) throw error;
  console.error([error.message, ...error.fields.map((f) => `  ${f.path.join('.')} ${f.reason}`)].join('\n'));
  process.exitCode = 1;
} finally {
  await db.destroy();
}
