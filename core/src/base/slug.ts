/** The id an entry of a code gets from the code's text; empty where the text has no letter or digit. */
export function codeIdOf(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
}
