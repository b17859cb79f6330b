import type { PlannedOperation } from '../plan/plan';
import { setsOf } from '../plan/sets';
import { compareScores, timesApart as apartIn, type Score } from './score';

const timesApart = (operations: readonly PlannedOperation[]) => apartIn(operations, setsOf([]));

const pass = (coat: number, begins: number, others: Partial<PlannedOperation> = {}): PlannedOperation =>
  ({
    status: 'planned',
    stepId: 'seal',
    coat,
    face: 'outer',
    workMinutes: 4,
    laidAt: begins + 4,
    ...others,
  }) as PlannedOperation;

describe('units of a set', () => {
  // Four minutes of work each: laid at 4, begun again at 9 is five minutes later.
  it.each([
    ['one after the other', [0, 4, 8], 0],
    ['five minutes apart', [0, 9], 0],
    ['six minutes apart', [0, 10], 1],
    ['two now and two tomorrow', [0, 4, 1440, 1444], 1],
    ['each on its evening', [0, 1440, 2880], 2],
  ])('%s: %j, %i times apart', (_what, begins, apart) => {
    expect(timesApart(begins.map((at) => pass(1, at)))).toBe(apart);
  });

  it('are asked of the same pass only, and of what is still planned', () => {
    expect(
      timesApart([
        pass(1, 0),
        pass(2, 500),
        pass(1, 900, { stepId: 'prime' }),
        pass(1, 700, { face: 'inner' }),
      ]),
    ).toBe(0);
    expect(timesApart([pass(1, 0, { status: 'done' }), pass(1, 1440)])).toBe(0);
  });

  it('together count before sessions, and after dates', () => {
    const score = (others: Partial<Score>): Score => ({
      unplaced: 0,
      late: 0,
      taped: 0,
      frail: 0,
      lacking: 0,
      putOff: 0,
      apart: 0,
      sessions: 5,
      idle: 0,
      tightness: 0,
      finish: 0,
      ...others,
    });
    expect(compareScores(score({ apart: 0, sessions: 9 }), score({ apart: 1 }))).toBeLessThan(0);
    expect(compareScores(score({ apart: 3 }), score({ lacking: 15 }))).toBeLessThan(0);
  });
});
