import { Bundle, Seen } from '@wire-trail/core';
import { z } from 'zod';

/** The JSON Schemas that stand in docs/, by file name, as text. Made from zod; a test holds the files to them. */
export function schemaFiles(): Record<string, string> {
  const text = (schema: z.ZodType, title: string): string =>
    `${JSON.stringify({ title, ...z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', target: 'draft-2020-12' }) }, null, 1)}\n`;
  return {
    'bundle.schema.json': text(Bundle, 'Wire Trail bundle'),
    'seen.schema.json': text(Seen, 'What was seen of one slot'),
  };
}
