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
  it('tells a batch once, with its pieces and units in order', () => {
    const batches = journalBatches([
      line('a', 'greave', 2),
      line('b', 'helm', 1),
      line('c', 'greave', 1),
      line('d', 'greave', 1, '2027-02-16T20:11'),
      { id: 'e', at: '2027-02-16T20:10', kind: 'change-plan', text: 'Pinned' },
      { id: 'f', at: '2027-02-16T20:10', kind: 'change-plan', text: 'Pinned' },
    ]);
    expect(batches.map(({ lines }) => lines.map(({ id }) => id))).toEqual([
      ['a', 'b', 'c'],
      ['d'],
      ['e'],
      ['f'],
    ]);
    expect(batches[0]?.pieces).toEqual([
      { pieceId: 'greave', units: [1, 2] },
      { pieceId: 'helm', units: [1] },
    ]);
  });

  it('says what an entry said before', () => {
    const known = { build: { places: [] }, materials: new Map([['x', { name: 'Flat red' }]]) };
    expect(
      editWords({ was: { doneAt: '2027-02-16T20:10', film: null, material: 'x', note: null } }, known),
    ).toBe('done 2027-02-16 20:10, as thick as planned, Flat red, no note');
  });
});
