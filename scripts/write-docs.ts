// npm run docs:write: writes the generated documents.
import { writeFileSync } from 'node:fs';
import { notices } from './notices.ts';
import { schemaFiles } from './schemas.ts';

for (const [name, text] of Object.entries(schemaFiles())) {
  writeFileSync(new URL(`../docs/${name}`, import.meta.url), text);
  console.log(`docs/${name}`);
}

writeFileSync(new URL('../web/public/notices.txt', import.meta.url), notices());
console.log('web/public/notices.txt');
