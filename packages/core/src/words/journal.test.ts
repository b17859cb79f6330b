import { materialsOf } from '../materials/ownMaterials';
import { sampleBuild } from '../testing/sampleBuild';
import { journalOf } from './journal';
import { journalCsv } from '../io/journalCsv';

const build = sampleBuild({
  log: [
    {
      id: 'a',
      piece: 'plate',
      unit: 1,
      step: 'seal',
      coat: 1,
      face: 'outer',
      doneAt: '2027-02-15T09:00',
      temperatureC: 19.5,
      humidityPct: 55,
      note: '=danger, "ran" a little',
    },
    {
      id: 'b',
      piece: 'plate',
      unit: 1,
      step: 'base',
      coat: 1,
      face: 'outer',
      doneAt: '2027-02-15T11:00',
      film: 'heavy',
      material: 'artist-acrylic',
      outcome: 'failed',
      photo: 'p.jpg',
    },
  ],
  touchTests: [{ id: 't', piece: 'plate', unit: 1, at: '2027-02-15T09:20', state: 'tacky' }],
  swatches: [
    {
      id: 's',
      coats: [{ material: 'pva-flex-primer' }, { material: 'craft-acrylic' }],
      substrate: 'eva-foam',
      result: 'good',
      judgedOn: '2027-02-14',
    },
  ],
});
const lines = journalOf(build, materialsOf());

describe('journalOf', () => {
  it('has everything that happened, newest first', () => {
    expect(lines.map((line) => [line.at, line.kind, line.text])).toEqual([
      [
        '2027-02-15T11:00',
        'failed',
        'Base colour, Heavy-body artist acrylic, heavy coat, another tin than planned: failed, to be sanded back and done again',
      ],
      ['2027-02-15T09:20', 'touch', 'Touched: still tacky'],
      ['2027-02-15T09:00', 'coat', 'Seal, Flexible PVA foam primer, coat 1 of 2, normal coat'],
      ['2027-02-14T12:00', 'swatch', 'Swatch held: Craft acrylic on Flexible PVA foam primer'],
    ]);
  });
});

it('says on which device something was logged', () => {
  const [entry] = build.log!;
  const [line] = journalOf(
    { ...build, log: [{ ...entry!, by: 'Booth phone' }], touchTests: [], swatches: [] },
    materialsOf(),
  );
  expect(line!.text).toMatch(/, logged on Booth phone$/);
});

describe('journalCsv', () => {
  it('is oldest first, quoted, and safe to open in a spreadsheet', () => {
    const rows = journalCsv(build, lines).split('\r\n');
    expect(rows[0]).toBe('time,kind,piece,unit,what,temperature_c,humidity_pct,note,photo');
    expect(rows).toHaveLength(5);
    expect(rows[1]).toContain('2027-02-14 12:00,swatch,,');
    expect(rows[2]).toBe(
      `2027-02-15 09:00,coat,Plate,1,"Seal, Flexible PVA foam primer, coat 1 of 2, normal coat",19.5,55,"'=danger, ""ran"" a little",`,
    );
  });

  it.each([
    ['a;=1+1', "a;'=1+1"],
    ['a\t@x', "a\t'@x"],
    ['a; -2', "a; '-2"],
    ['a; b', 'a; b'],
  ])('is safe where %j is cut at its signs', (note, kept) => {
    const [line] = lines;
    expect(journalCsv(build, [{ ...line!, note }])).toContain(kept);
  });
});
