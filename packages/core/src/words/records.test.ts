import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import type { Build, LogEntry } from '../model/schema';
import { finishCard, thingsToFind } from './records';

const entry = (changes: Partial<LogEntry>): LogEntry => ({
  id: 'l1',
  piece: 'plate',
  unit: 1,
  step: 'base',
  coat: 1,
  face: 'outer',
  doneAt: '2027-03-05T19:40',
  ...changes,
});
const build: Build = sampleBuild({
  name: 'Heron',
  pieces: [
    samplePiece(
      { name: 'Left shoulder', quantity: 2, zones: [{ id: 'field', name: 'Feathers', share: 1 }] },
      [
        {
          id: 'base',
          kind: 'base',
          material: 'flex-acrylic',
          method: 'airbrush',
          colour: '#3f7f72',
          film: 'light',
          place: 'room',
        },
      ],
    ),
  ],
  stock: [
    {
      id: 't',
      material: 'flex-acrylic',
      colour: '#3f7f72',
      containerMl: 120,
      remainingMl: 100,
      lot: 'B 116',
    },
  ],
  log: [
    entry({
      used: [{ tin: 't', ml: 4 }],
      temperatureC: 19,
      humidityPct: 55,
      note: 'Ran a little.',
      photo: 'a.jpg',
    }),
    entry({
      id: 'l2',
      unit: 2,
      doneAt: '2027-03-05T19:52',
      used: [{ tin: 't', ml: 4.5 }],
      by: 'Phone of Oda',
    }),
  ],
});

describe('what is found again', () => {
  it('is found by piece, zone, material, colour, tin, day, place and note', () => {
    const done = thingsToFind(build).find(({ kind, id }) => kind === 'done' && id === 'l1')!;
    expect(done).toMatchObject({ pieceId: 'plate', at: '2027-03-05T19:40' });
    expect(done.title).toMatch(/^Left shoulder: Base colour, Flexible costume acrylic/);
    for (const word of [
      'shoulder',
      'Feathers',
      'acrylic',
      '#3f7f72',
      'B 116',
      'March',
      '2027-03-05',
      'Friday',
      'Room',
      'Ran a little',
    ])
      expect([word, done.text.includes(word)]).toEqual([word, true]);
  });

  it('is the build, its pieces, steps, tins and all that happened, each once', () => {
    const kinds = thingsToFind(build).map(({ kind }) => kind);
    expect(kinds).toEqual(['build', 'piece', 'step', 'done', 'done', 'tin']);
    const keys = thingsToFind(build).map(({ kind, id }) => `${kind} ${id}`);
    expect(new Set(keys).size).toBe(keys.length);
  });
});

describe('the finish card of a piece', () => {
  it('says of each coat what it is of which tin, how thick, where, in which air and by whom, units together', () => {
    const [line, ...more] = finishCard(build, build.pieces[0]!);
    expect(more).toEqual([]);
    expect(line).toMatchObject({
      word: 'Base colour',
      colour: '#3f7f72',
      method: 'airbrush',
      units: [1, 2],
      from: '2027-03-05T19:40',
      until: '2027-03-05T19:52',
      tins: ['Flexible costume acrylic, #3f7f72, lot B 116'],
      ml: 8.5,
      place: 'Room',
      air: { temperatureC: 19, humidityPct: 55 },
      by: ['Phone of Oda'],
      notes: ['Ran a little.'],
      photos: ['a.jpg'],
      failed: false,
    });
    // A light film is 0.6 of a normal one, of which the solids stay.
    const { wftUm, solids } = line!.material!;
    expect(line!.dryUm).toBeCloseTo(wftUm * 0.6 * solids, 9);
  });

  it('tells what failed apart from what was done again', () => {
    const failed = entry({ id: 'l0', outcome: 'failed', doneAt: '2027-03-04T19:00' });
    const lines = finishCard({ ...build, log: [...build.log!, failed] }, build.pieces[0]!);
    expect(lines.map((line) => [line.failed, line.units])).toEqual([
      [true, [1]],
      [false, [1, 2]],
    ]);
  });
});
