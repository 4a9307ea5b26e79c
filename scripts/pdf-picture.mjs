// The first page of a PDF as a PNG, drawn by the browser that the tests run in.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const { resolve } = createRequire(import.meta.url);

/** Draws page 1 of a PDF's bytes on a blank page of `browser` and gives its PNG. */
export async function pdfPicture(browser, pdf, { scale = 2 } = {}) {
  const page = await browser.newPage();
  const module = (name) => `data:text/javascript;base64,${readFileSync(resolve(name)).toString('base64')}`;
  const url = await page.evaluate(
    async ({ main, worker, data, scale }) => {
      const pdfjs = await import(main);
      pdfjs.GlobalWorkerOptions.workerSrc = worker;
      const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
      const first = await (await pdfjs.getDocument({ data: bytes }).promise).getPage(1);
      const viewport = first.getViewport({ scale });
      const canvas = document.createElement('canvas');
      canvas.width = viewport.width;
      canvas.height = viewport.height;
      await first.render({ canvas, canvasContext: canvas.getContext('2d'), viewport }).promise;
      return canvas.toDataURL('image/png');
    },
    {
      main: module('pdfjs-dist/build/pdf.min.mjs'),
      worker: module('pdfjs-dist/build/pdf.worker.min.mjs'),
      data: Buffer.from(pdf).toString('base64'),
      scale,
    },
  );
  await page.close();
  return Buffer.from(url.split(',')[1], 'base64');
}
