import { describe, expect, it } from '@jest/globals';
import { editWords } from './editWords';
import { journalBatches } from './journalBatches';

const line = (id: string, pieceId: string, unit: number, at = '2027-02-16T20:10') => ({
  id,
  at,
  kind: 'coat',
  text: 'Seal, coat 1 of 2',
  pieceId,
  unit,
});

describe('a journal', () => {
  // 19:40 is 30 min before 20:10 and of the batch; 19:09 is 31 min before that and is not.
  it('tells a batch once, with its pieces and units in order', () => {
    const batches = journalBatches([
      line('a', 'greave', 2),
      line('b', 'helm', 1),
      line('c', 'greave', 1),
      line('g', 'helm', 2, '2027-02-16T19:40'),
      line('d', 'greave', 1, '2027-02-16T19:09'),
      { id: 'e', at: '2027-02-16T20:10', kind: 'change-plan', text: 'Pinned' },
      { id: 'f', at: '2027-02-16T20:10', kind: 'change-plan', text: 'Pinned' },
    ]);
    expect(batches.map(({ lines }) => lines.map(({ id }) => id))).toEqual([
      ['a', 'b', 'c', 'g'],
      ['d'],
      ['e'],
      ['f'],
    ]);
    expect(batches[0]?.pieces).toEqual([
      { pieceId: 'greave', units: [1, 2] },
      { pieceId: 'helm', units: [1, 2] },
    ]);
  });

  it('says what an entry said before', () => {
    const known = {
      build: { places: [], timeZone: 'UTC' },
      materials: new Map([['x', { name: 'Flat red' }]]),
    };
    expect(
      editWords({ was: { doneAt: '2027-02-16T20:10', film: null, material: 'x', note: null } }, known),
    ).toBe('done Tue 16 Feb, 20:10, as thick as planned, Flat red, no note');
  });
});
