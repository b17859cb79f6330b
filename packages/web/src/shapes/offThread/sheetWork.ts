import {
  foundOnSheet,
  readDxfSheet,
  readPdfSheet,
  readSvgSheet,
  tilingOfSheet,
  type FoundOptions,
  type FoundSheet,
  type PageLayout,
  type PdfCommands,
  type PdfPage,
  type Sheet,
  type Tiling,
} from '@fixatum/core';

/** The template in hand; it stays here, as it may be large. */
let sheet: Sheet | undefined;

/** What the screen has to know of a template. */
export interface SheetSummary {
  pages: { name: string; width: number; height: number; lines: number }[];
  kinds: Sheet['kinds'];
  mmPerUnit: number | undefined;
  notes: string[];
  /** How its pages lie beside each other, where it is one drawing that was cut up to be printed. */
  tiling: Tiling | undefined;
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
    tiling: tilingOfSheet(read),
  };
};

/** Opens an SVG or DXF drawing. */
export const openDrawing = (text: string, isDxf: boolean): SheetSummary =>
  summed(isDxf ? readDxfSheet(text) : readSvgSheet(text));

/** Opens the pages of a PDF, as they were read beside. */
export const openPages = (pages: PdfPage[], ops: PdfCommands): SheetSummary =>
  summed(readPdfSheet(pages, ops));

/** The outlines of the template in hand, page by page; or of all pages laid side by side. */
export const findOutlines = (options: FoundOptions, layout: PageLayout | undefined): FoundSheet =>
  sheet ? foundOnSheet(sheet, options, layout) : { pages: [], tiling: undefined };
