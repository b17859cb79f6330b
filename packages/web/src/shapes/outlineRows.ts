import type { FoundOutline, FoundPage } from '@fixatum/core';

/** One outline in the list of a template, with what is said of it. */
export interface OutlineRow {
  key: string;
  page: number;
  at: number;
  outline: FoundOutline;
  taken: boolean;
  name: string;
  count: number | undefined;
  pairs: boolean;
  /** The key of the row it is a part of; empty for a piece of its own. */
  partOf: string;
  seamMm: number | undefined;
}

/**
 * The rows of what was found: named as the template says, or by number; names that come twice are told apart. What was said of a row before
 * stays with it while its outline is the same one.
 */
export function outlineRows(found: readonly FoundPage[], before: readonly OutlineRow[]): OutlineRow[] {
  const old = new Map(before.map((row) => [row.key, row]));
  let nameless = 0;
  const names = new Map<string, number>();
  return found.flatMap((page, at) =>
    page.outlines.map((outline, n): OutlineRow => {
      const key = `${at}/${n}`;
      const known = old.get(key);
      const isSame = known && known.outline.name === outline.name && known.outline.kind === outline.kind;
      const first = outline.name ?? `Piece ${(nameless += 1)}`;
      const times = (names.get(first) ?? 0) + 1;
      names.set(first, times);
      const fresh = {
        taken: true,
        name: times > 1 ? `${first} ${times}` : first,
        count: outline.count,
        pairs: outline.pairs,
        partOf: '',
        seamMm: undefined,
      };
      return { ...(isSame ? known : fresh), key, page: at, at: n, outline };
    }),
  );
}

/** The rows that are pieces of their own. */
export const headsOf = (rows: readonly OutlineRow[]): OutlineRow[] =>
  rows.filter(({ taken, partOf }) => taken && partOf === '');

/** A row with those that are parts of it. */
export const partsOf = (rows: readonly OutlineRow[], head: OutlineRow): OutlineRow[] => [
  head,
  ...rows.filter(({ taken, partOf }) => taken && partOf === head.key),
];

/** What was left out of a template, or is to be looked at, in sentences. */
export function leftWords(pages: readonly FoundPage[], rows: readonly OutlineRow[]): string[] {
  const sum = (count: (page: FoundPage) => number) => pages.reduce((all, page) => all + count(page), 0);
  const [tiny, loose, frames, doubles] = [
    sum((page) => page.tiny),
    sum((page) => page.loose.length),
    sum((page) => page.frames),
    sum((page) => page.doubles),
  ];
  const crossing = rows.filter(({ outline }) => outline.crosses).length;
  const said: [number, one: string, many: string][] = [
    [
      loose,
      'A line lies in no outline and is left out.',
      `${loose} lines lie in no outline and are left out.`,
    ],
    [
      tiny,
      'An outline under 1 cm² is left out: a letter or a mark.',
      `${tiny} outlines under 1 cm² are left out: letters and marks.`,
    ],
    [doubles, 'A line is drawn twice, and counts once.', `${doubles} lines are drawn twice, and count once.`],
    [frames, 'A frame round the page is left out.', `${frames} frames round the page are left out.`],
    [
      crossing,
      'An outline crosses itself: look whether it is what you meant.',
      `${crossing} outlines come from one that crosses itself: look whether they are what you meant.`,
    ],
  ];
  return said.flatMap(([count, one, many]) => (count === 0 ? [] : [count === 1 ? one : many]));
}
