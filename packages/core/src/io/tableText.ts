/** Where a cell begins for a spreadsheet, also one that takes `;` or a tab for its end. */
const CELL_BEGINS = String.raw`((?:^|[;\t])\s*)`;
/** What begins a formula, behind whatever marks it as text already. */
const FORMULA = String.raw`(?='*[=+\-@\t\r])`;

/** Text in which nothing becomes a formula: what would begin one has a `'` before it. */
export const tableText = (text: string): string =>
  text.replace(new RegExp(CELL_BEGINS + FORMULA, 'g'), "$1'");

/** The text that `tableText` was made of. */
export const fromTableText = (cell: string): string =>
  cell.replace(new RegExp(`${CELL_BEGINS}'${FORMULA}`, 'g'), '$1');
