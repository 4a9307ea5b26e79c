import { createRequire } from 'node:module';
import { type Sheet, sheetDefinition } from '@wire-trail/core';
import pdfMake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

const { resolve } = createRequire(import.meta.url);

/** A sheet as the bytes of a PDF. */
export async function writePdf(sheet: Sheet): Promise<Buffer> {
  pdfMake.setFonts({
    Body: {
      normal: resolve('pdfmake/fonts/Roboto/Roboto-Regular.ttf'),
      bold: resolve('pdfmake/fonts/Roboto/Roboto-Medium.ttf'),
    },
    Code: {
      normal: resolve('@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-700-normal.woff'),
    },
  });
  // nothing is fetched, and nothing is read but the two faces
  pdfMake.setUrlAccessPolicy(() => false);
  pdfMake.setLocalAccessPolicy((path: string) => /Roboto|atkinson/.test(path));
  // core says it without the package's types; a test prints every kind of block
  return Buffer.from(await pdfMake.createPdf(sheetDefinition(sheet) as unknown as TDocumentDefinitions).getBuffer());
}
