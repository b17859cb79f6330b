import type { Affine, PdfCommands, PdfPage } from '@fixatum/core';
import workerUrl from 'pdfjs-dist/build/pdf.worker.min.mjs?url';

/** A PDF that can't be opened, with what to do about it. */
export class PdfFault extends Error {}

/** The pages of a PDF as drawing commands, and the numbers that those go by. */
export interface PdfRead {
  pages: PdfPage[];
  ops: PdfCommands;
}

const MOST_PAGES = 60;

/**
 * Opens a PDF and gives what is drawn on its pages. Nothing in it is run, and nothing fetched.
 * @param progress told which page is read, of how many
 * @param signal stops it
 */
export async function readPdf(
  file: ArrayBuffer,
  progress: (page: number, of: number) => void,
  signal: AbortSignal,
): Promise<PdfRead> {
  const pdf = await import('pdfjs-dist');
  pdf.GlobalWorkerOptions.workerSrc = workerUrl;
  const task = pdf.getDocument({
    data: new Uint8Array(file),
    isEvalSupported: false,
    disableFontFace: true,
    useSystemFonts: false,
    stopAtErrors: false,
    verbosity: 0,
  });
  const stop = () => void task.destroy();
  signal.addEventListener('abort', stop);
  try {
    const opened = await task.promise;
    if (opened.numPages > MOST_PAGES)
      throw new PdfFault(
        `This PDF has ${opened.numPages} pages; take out the ones with outlines, ${MOST_PAGES} at most.`,
      );
    const layers = Object.fromEntries(
      [
        ...((await opened.getOptionalContentConfig()) as unknown as Iterable<[string, { name?: string }]>),
      ].map(([id, group]) => [id, group.name ?? id]),
    );
    const pages: PdfPage[] = [];
    const { OPS: ops } = pdf;
    const wanted = new Set<number>([
      ops.constructPath,
      ops.transform,
      ops.paintFormXObjectBegin,
      ops.setStrokeRGBColor,
      ops.setFillRGBColor,
      ops.beginMarkedContentProps,
    ]);
    for (let number = 1; number <= opened.numPages; number += 1) {
      progress(number, opened.numPages);
      const page = await opened.getPage(number);
      const view = page.getViewport({ scale: 1 });
      const [drawn, words] = [await page.getOperatorList(), await page.getTextContent()];
      pages.push({
        width: view.width,
        height: view.height,
        map: view.transform as unknown as Affine,
        commands: [...drawn.fnArray],
        values: (drawn.argsArray as unknown[]).map((given, at) =>
          wanted.has(drawn.fnArray[at] ?? -1) ? given : undefined,
        ),
        texts: words.items.flatMap((item) =>
          'str' in item ? [{ str: item.str, transform: item.transform as number[], width: item.width }] : [],
        ),
        layers,
        userUnit: page.userUnit,
      });
      page.cleanup();
    }
    return { pages, ops };
  } catch (error) {
    if (error instanceof PdfFault) throw error;
    if (error instanceof Error && error.name === 'PasswordException')
      throw new PdfFault('This PDF is locked with a password: save it without one first.');
    throw new PdfFault('This PDF is damaged, or is not what its name says.');
  } finally {
    signal.removeEventListener('abort', stop);
    void task.destroy();
  }
}
