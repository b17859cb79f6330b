import { catalogueById } from '../materials/catalogue';
import type { Tin } from '../model/schema';
import { readShelfCsv, shelfCsv } from './shelfCsv';

const AT = '2027-02-15T09:00';
let n = 0;
const read = (text: string) => {
  n = 0;
  return readShelfCsv(text, catalogueById, AT, () => `t${(n += 1)}`);
};
const tins: Tin[] = [
  {
    id: 't1',
    material: 'craft-acrylic',
    colour: '#445566',
    containerMl: 120,
    remainingMl: 80.5,
    levelAt: AT,
    openedOn: '2027-01-02',
    bestBefore: '2029-01-01',
    lot: '=SUM(1)',
    price: 6.5,
  },
  {
    id: 't2',
    material: 'rubber-dip-spray',
    containerMl: 400,
    remainingMl: 400,
    levelAt: AT,
    arrivesOn: '2027-02-20',
    lot: '-12A',
  },
];
const table = shelfCsv(
  tins.map((tin, at) => ({ at, tin, ml: tin.remainingMl, bookMl: new Map() })),
  catalogueById,
);

describe('the shelf as a table', () => {
  it('comes back as it went, with nothing that a spreadsheet would work out', () => {
    expect(table.split('\r\n')[0]).toBe(
      'material,colour,holds_ml,left_ml,opened_on,best_before,here_on,lot,price',
    );
    expect(table).toContain("'=SUM(1)");
    const back = read(table);
    expect(back).toEqual({ ok: true, value: tins });
  });

  it('is read with semicolons and commas in numbers, by name or id, in whatever case', () => {
    const back = read('Material;Holds ml;Left ml;Price\nCRAFT ACRYLIC;60;12,5;3,20\nmatte-varnish;120;0;');
    expect(back).toMatchObject({
      ok: true,
      value: [
        { material: 'craft-acrylic', containerMl: 60, remainingMl: 12.5, price: 3.2 },
        { material: 'matte-varnish', remainingMl: 0 },
      ],
    });
  });

  it.each([
    ['material,left_ml\nx,1', 'The table has no column holds_ml.'],
    ['material,holds_ml,left_ml\n', 'The table has no rows.'],
    ['material,holds_ml,left_ml\nUnicorn dust,60,1', 'Row 1: no material is called "Unicorn dust".'],
    [
      'material,holds_ml,left_ml\nCraft acrylic,60,61',
      'Row 1: there is more left than the 60 ml that it holds.',
    ],
    ['material,holds_ml,left_ml\nCraft acrylic,lots,1', 'Row 1: "lots" is no size in ml.'],
    ['material,holds_ml,left_ml,price\nCraft acrylic,60,1,-4', 'Row 1: "-4" is no price.'],
    [
      'material,holds_ml,left_ml,opened_on\nCraft acrylic,60,1,5.3.2027',
      'Row 1: "5.3.2027" is no date; write it as 2027-03-05.',
    ],
    [
      'material,holds_ml,left_ml,opened_on\nCraft acrylic,60,1,2027-03-05',
      'Row 1: it was opened on a day that has not come yet.',
    ],
    [
      'material,holds_ml,left_ml,opened_on,here_on\nCraft acrylic,60,1,2027-01-05,2027-01-06',
      'Row 1: it was opened before the day it came.',
    ],
    [
      'material,holds_ml,left_ml,colour\nCraft acrylic,60,1,blue',
      'Row 1: "blue" is no colour; write it as #8a6f3b.',
    ],
  ])('is refused whole where a row can not be used: %j', (text, said) => {
    const back = read(text);
    expect(back.ok ? [] : back.faults.map(({ message }) => message)).toContain(said);
  });

  it('tells every row that can not be used, and takes none of the others', () => {
    const back = read('material,holds_ml,left_ml\nCraft acrylic,60,1\nNone,60,1\nNothing,60,1');
    expect(back.ok ? 0 : back.faults.map(({ message }) => message.slice(0, 6))).toEqual(['Row 2:', 'Row 3:']);
  });
});
