import type { TableError } from '@wire-trail/core';
import { Input } from '../../../parts/field/Input.tsx';

type Props = Readonly<{
  error: TableError | null;
  onRead: (text: string | ArrayBuffer) => void;
}>;

function errorWords(error: TableError): string {
  switch (error.code) {
    case 'empty':
      return 'There is no row under a header. The first row names the columns.';
    case 'quote-not-closed':
      return `A quote that begins in line ${error.line} is never closed.`;
    case 'too-large':
      return `${error.rows} rows are too many at once; take 50,000 at the most.`;
  }
}

/** Where a table comes from: pasted, or taken out of a file. */
export function ImportSource({ error, onRead }: Props) {
  return (
    <>
      <label className="field">
        Paste from a spreadsheet, or from a web page
        <Input
          multiline
          fullWidth
          className="mono"
          rows={9}
          placeholder={'Code\tMeaning\tPossible causes\nC01\tBoiler stays cold\theating element'}
          onPaste={(e) => {
            const html = e.clipboardData.getData('text/html');
            const text = e.clipboardData.getData('text/plain');
            if (!text && !html) return;
            e.preventDefault();
            onRead(/<table[\s>]/i.test(html) && !text.includes('\t') ? html : text);
          }}
          onChange={(e) => e.target.value.includes('\n') && onRead(e.target.value)}
        />
      </label>
      <label className="field">
        or take a file: commas, semicolons, tabs, or an HTML table
        <input
          className="box"
          type="file"
          accept=".csv,.tsv,.txt,.html,.htm,text/csv,text/html,text/plain"
          onChange={async (e) => {
            const file = e.target.files?.[0];
            if (file) onRead(await file.arrayBuffer());
          }}
        />
      </label>
      {error && (
        <p className="note bad" role="alert">
          {errorWords(error)}
        </p>
      )}
    </>
  );
}
