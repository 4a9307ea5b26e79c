/** Gives rows as a file that spreadsheets read; what writes it comes when it is wanted. */
export async function saveCsv(name: string, rows: ReadonlyArray<readonly string[]>): Promise<void> {
  const { writeCsv } = await import('./write.ts');
  const address = URL.createObjectURL(new Blob([writeCsv(rows)], { type: 'text/csv' }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
