import codeFace from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-700-normal.woff?url';
import { type Sheet, sheetDefinition } from '@wire-trail/core';
import pdfMake from 'pdfmake/build/pdfmake';
import bodyBold from 'pdfmake/fonts/Roboto/Roboto-Medium.ttf?url';
import bodyFace from 'pdfmake/fonts/Roboto/Roboto-Regular.ttf?url';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

async function base64Of(url: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
}

let ready: Promise<void> | null = null;

/** Gives the faces to the printer, once; they come with the application, not from anywhere else. */
function withFaces(): Promise<void> {
  ready ??= Promise.all([base64Of(bodyFace), base64Of(bodyBold), base64Of(codeFace)]).then(([body, bold, code]) => {
    pdfMake.addVirtualFileSystem({ body, bold, code });
    pdfMake.setFonts({ Body: { normal: 'body', bold: 'bold' }, Code: { normal: 'code' } });
  });
  return ready;
}

/** A sheet as a PDF. */
export async function makePdf(sheet: Sheet): Promise<Blob> {
  await withFaces();
  // core says it without the package's types; a test prints every kind of block
  return pdfMake.createPdf(sheetDefinition(sheet) as unknown as TDocumentDefinitions).getBlob();
}

/** A sheet as a PDF file, handed to the browser to keep. */
export async function savePdf(sheet: Sheet): Promise<void> {
  const url = URL.createObjectURL(await makePdf(sheet));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${sheet.title.replace(/[^\p{L}\p{N} .-]/gu, '')}.pdf`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
