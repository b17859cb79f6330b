import { ringAreaCm2, type FoundPage, type FoundSheet, type Sheet } from '@fixatum/core';
import type { OutlineRow } from './outlineRows';

/** How what a file can't say is to be read; each turned over by one press. */
export interface Readings {
  lettersAreHoles: boolean;
  thinAsDrawn: boolean;
  acrossParts: boolean;
}

/** One thing about a template that only whoever drew it knows: what it is taken for, and what else it can be. */
export interface TemplateQuestion {
  id: string;
  text: string;
  /** What the press says that takes it the other way; none where there is nothing to do but look. */
  press?: string;
  does?: { turn: keyof Readings } | { leave: string } | { lay: true };
}

/** A piece is many times as large as the others from here on: a sheet, or a frame. */
const MANY_TIMES = 30;
/** With fewer pieces than this nobody can say what is usual. */
const LEAST_ROWS = 4;

const times = (count: number, one: string, many: string): string => (count === 1 ? one : `${count} ${many}`);

/** What is asked about a template, each with one press to put it right. */
export function templateQuestions(
  { pages, tiling }: FoundSheet,
  rows: readonly OutlineRow[],
  readings: Readings,
  isLaid: boolean,
): TemplateQuestion[] {
  const sum = (count: (page: FoundPage) => number) => pages.reduce((all, page) => all + count(page), 0);
  const asked: TemplateQuestion[] = [];
  const [letters, thin, across, shared, beyond] = [
    sum((page) => page.letters),
    sum((page) => page.thin),
    sum((page) => page.across),
    sum((page) => page.shared),
    sum((page) => page.beyond.length),
  ];
  if (readings.lettersAreHoles)
    asked.push({
      id: 'letters',
      text: 'Small outlines in a row are cut out as holes.',
      press: 'They are letters',
      does: { turn: 'lettersAreHoles' },
    });
  else if (letters > 0)
    asked.push({
      id: 'letters',
      text: `${letters} small outlines in a row look like letters, and are left out.`,
      press: 'They are holes',
      does: { turn: 'lettersAreHoles' },
    });
  if (readings.thinAsDrawn)
    asked.push({
      id: 'thin',
      text: 'Thin outlines are taken as they are drawn.',
      press: 'They are lines',
      does: { turn: 'thinAsDrawn' },
    });
  else if (thin > 0)
    asked.push({
      id: 'thin',
      text: `${times(thin, 'A line is', 'lines are')} drawn as a thin outline: the middle of it counts.`,
      press: 'Take it as drawn',
      does: { turn: 'thinAsDrawn' },
    });
  if (readings.acrossParts && across > 0)
    asked.push({
      id: 'across',
      text: 'Outlines are cut in two along lines that go right across them.',
      press: 'They are grooves',
      does: { turn: 'acrossParts' },
    });
  else if (across > 0)
    asked.push({
      id: 'across',
      text: `${times(across, 'A line goes', 'lines go')} right across an outline, from edge to edge: a groove, or two parts?`,
      press: 'Cut along it',
      does: { turn: 'acrossParts' },
    });
  if (shared > 0)
    asked.push({
      id: 'shared',
      text: `${times(shared, 'An outline shares', 'outlines share')} a cut with a neighbour: it counts for both.`,
    });
  if (tiling && !tiling.meets)
    asked.push({
      id: 'tiling',
      text:
        tiling.crossing === 0
          ? 'No line runs from one page to the next like this: they are no one drawing, or overlap by more.'
          : `Of ${times(tiling.crossing, 'one line', 'lines')} that run over the edge of a page ${tiling.meeting} continue on the next. Put right how many are in a row and by how much they overlap.`,
      press: 'They are pages of their own',
      does: { lay: true },
    });
  if (beyond > 0)
    asked.push({
      id: 'beyond',
      text: `${times(beyond, 'An outline runs', 'outlines run')} over the edge of the page, and ${beyond === 1 ? 'counts' : 'count'} with what lies beyond.`,
      ...(pages.length > 1 && !isLaid
        ? { press: 'It is one drawing over several pages', does: { lay: true as const } }
        : {}),
    });
  const large = muchLarger(rows);
  if (large)
    asked.push({
      id: 'large',
      text: `${large.row.name} is ${Math.round(large.times)} times as large as the others: a sheet or a frame?`,
      press: 'Leave it out',
      does: { leave: large.row.key },
    });
  return asked;
}

/** An outline that is many times as large as is usual here, of those that are taken. */
function muchLarger(rows: readonly OutlineRow[]): { row: OutlineRow; times: number } | undefined {
  const taken = rows
    .filter((row) => row.taken)
    .map((row) => ({ row, cm2: ringAreaCm2(row.outline.outer) }))
    .sort((a, b) => a.cm2 - b.cm2);
  const [largest, middle] = [taken[taken.length - 1], taken[Math.floor((taken.length - 1) / 2)]];
  if (taken.length < LEAST_ROWS || !largest || !middle) return undefined;
  const over = largest.cm2 / middle.cm2;
  return over >= MANY_TIMES ? { row: largest.row, times: over } : undefined;
}

/** Sizes of paper that templates are drawn on, mm, and how many units an inch drawing programs have written. */
const PAPERS = [
  [841, 1189],
  [594, 841],
  [420, 594],
  [297, 420],
  [210, 297],
  [215.9, 279.4],
  [215.9, 355.6],
  [279.4, 431.8],
] as const;
const PER_INCH = [96, 72, 90] as const;
const NEAR_MM = 0.6;

/** The unit by which the page of a drawing without one is a usual sheet of paper; undefined where none does, or several do. */
export function likelyUnit({
  width,
  height,
}: Pick<Sheet['pages'][number], 'width' | 'height'>): 'mm' | 'px96' | 'px90' | 'px72' | undefined {
  const [short, long] = [Math.min(width, height), Math.max(width, height)];
  const isPaper = (mm: number) =>
    PAPERS.some(([w, h]) => Math.abs(short * mm - w) <= NEAR_MM && Math.abs(long * mm - h) <= NEAR_MM);
  const fits = [
    ...(isPaper(1) ? (['mm'] as const) : []),
    ...PER_INCH.flatMap((per) => (isPaper(25.4 / per) ? ([`px${per}`] as const) : [])),
  ];
  return fits.length === 1 ? fits[0] : undefined;
}
