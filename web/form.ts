import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';

/** What tells one form of stored documents from another: the schemas themselves, as they stand in core. */
export function formOf(core: URL): string {
  const hash = createHash('sha256');
  for (const room of ['base/', 'model/'])
    for (const file of readdirSync(new URL(room, core))
      .filter((name) => !name.includes('.test.'))
      .sort())
      hash.update(`${file}\n`).update(readFileSync(new URL(room + file, core)));
  return hash.digest('hex').slice(0, 16);
}
