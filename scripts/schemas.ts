import { Bundle, entryKinds, entrySchemas, fieldText, idHomes, idKinds, Seen, stringFields } from '@wire-trail/core';
import { z } from 'zod';

/** The JSON Schemas that stand in docs/, by file name, as text. Made from zod; a test holds the files to them. */
export function schemaFiles(): Record<string, string> {
  const text = (schema: z.ZodType, title: string): string =>
    `${JSON.stringify({ title, ...z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', target: 'draft-2020-12' }) }, null, 1)}\n`;
  return {
    'bundle.schema.json': text(Bundle, 'Wire Trail bundle'),
    'seen.schema.json': text(Seen, 'What was seen of one slot'),
    'references.md': references(),
  };
}

const within: Readonly<Record<string, string>> = { entries: 'the bundle', unit: 'the unit', records: 'the server' };

/** What each field names, read off the schemas: the same that is checked, renamed and offered in forms. */
function references(): string {
  const rows = entryKinds.flatMap((kind) =>
    stringFields(entrySchemas[kind]).flatMap(({ path, meaning }) => {
      if (meaning?.role === 'names-entry') return [`| ${kind} | \`${fieldText(path)}\` | any entry, as \`kind:id\` |`];
      if (meaning?.role !== 'names') return [];
      const what = meaning.kinds.map((k) => `\`${k}\``).join(' or ');
      const by = meaning.by === null ? '' : ` of the \`${meaning.by}\` beside it`;
      return [`| ${kind} | \`${fieldText(path)}\` | ${what}${by}${meaning.mayBeOther ? ', or text' : ''} |`];
    }),
  );
  return [
    '# What each field names',
    '',
    'Written by `npm run docs:write` from the schemas in `core/src/model`. `[]` is an item of a list, `{}` a value and `{key}` a key of a',
    'record. Steps within steps name the same as steps. A name of nothing is refused at its place.',
    '',
    '## Where ids are unique',
    '',
    '| kind | within |',
    '| --- | --- |',
    ...idKinds.map((k) => `| \`${k}\` | ${idHomes[k].map((h) => within[h] ?? `its ${h}`).join(', else ')} |`),
    '',
    '## Fields',
    '',
    '| entry | field | names |',
    '| --- | --- | --- |',
    // fields that every kind of step or node has stand once
    ...new Set(rows),
    '',
  ].join('\n');
}
