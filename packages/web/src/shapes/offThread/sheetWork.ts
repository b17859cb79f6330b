import {
  foundOutlines,
  laidTogether,
  readDxfSheet,
  readPdfSheet,
  readSvgSheet,
  type Found,
  type FoundOptions,
  type PageLayout,
  type PdfCommands,
  type PdfPage,
  type Sheet,
} from '@fixatum/core';

/** The template in hand; it stays here, as it may be large. */
let sheet: Sheet | undefined;

/** What the screen has to know of a template. */
export interface SheetSummary {
  pages: { name: string; width: number; height: number; lines: number }[];
  kinds: Sheet['kinds'];
  mmPerUnit: number | undefined;
  notes: string[];
}

const summed = (read: Sheet): SheetSummary => {
  sheet = read;
  return {
    pages: read.pages.map(({ name, width, height, strokes }) => ({
      name,
      width,
      height,
      lines: strokes.length,
    })),
    kinds: read.kinds,
    mmPerUnit: read.mmPerUnit,
    notes: read.notes,
  };
};

/** Opens an SVG or DXF drawing. */
export const openDrawing = (text: string, isDxf: boolean): SheetSummary =>
  summed(isDxf ? readDxfSheet(text) : readSvgSheet(text));

/** Opens the pages of a PDF, as they were read beside. */
export const openPages = (pages: PdfPage[], ops: PdfCommands): SheetSummary =>
  summed(readPdfSheet(pages, ops));

/** What is found on one page, and how large the page is, mm. */
export interface FoundPage extends Found {
  name: string;
  widthMm: number;
  heightMm: number;
}

const PAGES_GAP_MM = 1;

/** The outlines of the template in hand, page by page; or of all pages laid side by side. */
export function findOutlines(options: FoundOptions, layout: PageLayout | undefined): FoundPage[] {
  if (!sheet) return [];
  const pages = layout ? [laidTogether(sheet.pages, layout)] : sheet.pages;
  const scale = (options.mmPerUnit * (options.scalePct ?? 100)) / 100;
  return pages.map((page) => ({
    // Printed pages never lie quite as they should.
    ...foundOutlines(page, layout ? { ...options, gapMm: PAGES_GAP_MM } : options),
    name: page.name,
    widthMm: page.width * scale,
    heightMm: page.height * scale,
  }));
}
