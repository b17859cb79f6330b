import { foundOutlines, type Found, type FoundOptions } from './found';
import { unframed } from './pageFrames';
import { laidTogether, type PageLayout } from './pages';
import { boundsOf } from './rings';
import type { Sheet } from './sheet';
import { guessedTiling, isMeeting, meetingOf, type Tiling } from './tiles';

/** What is found on one page, and how large the page is, mm. */
export interface FoundPage extends Found {
  name: string;
  widthMm: number;
  heightMm: number;
  /** Outlines that run over the edge of the page, by their place in the list. */
  beyond: number[];
}

/** What is found in a template. */
export interface FoundSheet {
  pages: FoundPage[];
  /** How many lines run over an edge between two pages, how many of them go on on the next, and whether that is enough for one drawing. */
  tiling: { crossing: number; meeting: number; meets: boolean } | undefined;
}

/** Ends on two printed pages are this near to each other when they meet, mm: pages never lie quite as they should. */
const PAGES_GAP_MM = 1;
/** An outline runs over its page where it reaches this far beyond, mm. */
const BEYOND_MM = 2;

/** The outlines of a template, page by page; or of all its pages laid side by side. Frames and words that repeat are left out first. */
export function foundOnSheet(
  { pages }: Pick<Sheet, 'pages'>,
  options: FoundOptions,
  layout?: PageLayout,
): FoundSheet {
  const { pages: bare, frames } = unframed(pages);
  const shown = layout ? [laidTogether(bare, layout)] : bare;
  const scale = (options.mmPerUnit * (options.scalePct ?? 100)) / 100;
  const found = shown.map((page, at): FoundPage => {
    const own = foundOutlines(page, layout ? { ...options, gapMm: PAGES_GAP_MM } : options);
    const [widthMm, heightMm] = [page.width * scale, page.height * scale];
    return {
      ...own,
      frames: own.frames + (at === 0 ? frames : 0),
      name: page.name,
      widthMm,
      heightMm,
      beyond: own.outlines.flatMap(({ outer }, n) => {
        const { left, top, right, bottom } = boundsOf([outer]);
        const isOver =
          left < -BEYOND_MM ||
          top < -BEYOND_MM ||
          right > widthMm + BEYOND_MM ||
          bottom > heightMm + BEYOND_MM;
        return widthMm > 0 && heightMm > 0 && isOver ? [n] : [];
      }),
    };
  });
  if (!layout) return { pages: found, tiling: undefined };
  const { crossing, meeting } = meetingOf(bare, layout);
  return { pages: found, tiling: { crossing, meeting, meets: isMeeting({ crossing, meeting }) } };
}

/** How the pages of a template lie beside each other, where its lines run on from one to the next; undefined where they don't. */
export const tilingOfSheet = ({ pages }: Pick<Sheet, 'pages'>): Tiling | undefined =>
  guessedTiling(unframed(pages).pages);
