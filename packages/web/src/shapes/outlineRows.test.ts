import type { FoundOutline, FoundPage } from '@fixatum/core';
import { headsOf, leftWords, outlineRows, partsOf } from './outlineRows';

const outline = (changes: Partial<FoundOutline> = {}): FoundOutline => ({
  outer: [
    [0, 0],
    [100, 0],
    [100, 100],
  ],
  holes: [],
  grooves: [],
  zones: [],
  kind: '#000000',
  name: undefined,
  count: 1,
  pairs: false,
  crosses: false,
  ...changes,
});
const page = (outlines: FoundOutline[], changes: Partial<FoundPage> = {}): FoundPage => ({
  name: 'Page',
  widthMm: 210,
  heightMm: 297,
  outlines,
  loose: [],
  tiny: 0,
  frames: 0,
  letters: 0,
  thin: 0,
  shared: 0,
  across: 0,
  doubles: 0,
  beyond: [],
  ...changes,
});

describe('rows of a template', () => {
  it('are named as it says, told apart, or numbered', () => {
    const rows = outlineRows(
      [page([outline({ name: 'Fin' }), outline()]), page([outline({ name: 'Fin' }), outline()])],
      [],
    );
    expect(rows.map(({ key, name }) => [key, name])).toEqual([
      ['0/0', 'Fin'],
      ['0/1', 'Piece 1'],
      ['1/0', 'Fin 2'],
      ['1/1', 'Piece 2'],
    ]);
  });
  it('keep what was said of them at another scale, and not when another outline stands there', () => {
    const before = outlineRows([page([outline({ name: 'Fin' }), outline()])], []).map((row) => ({
      ...row,
      taken: false,
      name: 'Mine',
    }));
    const larger: FoundOutline['outer'] = [
      [0, 0],
      [200, 0],
      [200, 200],
    ];
    const [same, other] = outlineRows(
      [page([outline({ name: 'Fin', outer: larger }), outline({ kind: 'paint' })])],
      before,
    );
    expect(same).toMatchObject({ taken: false, name: 'Mine', outline: { outer: larger } });
    expect(other).toMatchObject({ taken: true, name: 'Piece 1' });
  });
  it('that are parts of another go with it', () => {
    const [a, b, c] = outlineRows([page([outline(), outline(), outline()])], []) as [
      ReturnType<typeof outlineRows>[number],
      ReturnType<typeof outlineRows>[number],
      ReturnType<typeof outlineRows>[number],
    ];
    const rows = [a, { ...b, partOf: a.key }, { ...c, partOf: a.key, taken: false }];
    expect(headsOf(rows)).toEqual([a]);
    expect(partsOf(rows, a)).toEqual([a, rows[1]]);
  });
  it('tell what was left out', () => {
    const line = [
      [0, 0],
      [9, 9],
    ] as const;
    expect(leftWords([page([], { tiny: 1, frames: 1, loose: [line] }), page([], { tiny: 2 })], [])).toEqual([
      'A line lies in no outline and is left out.',
      '3 outlines under 1 cm² are left out: letters and marks.',
      'A frame round the page is left out.',
    ]);
    expect(leftWords([page([])], outlineRows([page([outline({ crosses: true })])], []))).toEqual([
      'An outline crosses itself: look whether it is what you meant.',
    ]);
  });
});
