import type { DryStack } from '../../drying/laidCoat';
import type { Build, Piece } from '../../model/schema';
import { epochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import { pieceReadiness } from './readiness';
import type { UnitState } from './unitState';

// Packed by Thursday 25 February 18:00, worn on Friday at 9:00, all in UTC.
const event = { id: 'day', name: 'The day', packAt: '2027-02-25T18:00', wearAt: '2027-02-26T09:00' };
const at = (wall: string) => epochMinute(wall, 'UTC');
const build = { timeZone: 'UTC', events: [event], pieces: [] } as unknown as Build;
const piece = (changes: Partial<Piece> = {}) =>
  ({ id: 'plate', quantity: 1, event: 'day', steps: [], ...changes }) as unknown as Piece;
const pass = (status: PlannedOperation['status'], laidAt?: string) =>
  ({ status, laidAt: laidAt && at(laidAt) }) as unknown as PlannedOperation;
/** A unit whose one spot is packable and wearable at given moments. */
const unit = (packAt: number, wearAt: number) =>
  ({
    cells: new Map([['outer:whole', []]]),
    latest: (cells: Iterable<string>, pick: (stack: DryStack) => number) =>
      [...cells].length === 0 ? -Infinity : pick({ packAt, wearAt } as DryStack),
  }) as unknown as UnitState;
const units = (...list: UnitState[]) => new Map(list.map((one, n) => [`plate/${n + 1}`, one]));
const judged = (
  operations: PlannedOperation[],
  states: ReadonlyMap<string, UnitState>,
  now = '2027-02-20T12:00',
  of = piece(),
) => pieceReadiness(build, of, operations, states, at(now));

describe('how a piece stands against its dates', () => {
  const wednesday = at('2027-02-24T10:00');

  it('is packable and wearable when the last of its units is, and never before its last work', () => {
    const plan = judged(
      [pass('done', '2027-02-20T10:00'), pass('planned', '2027-02-24T12:00')],
      units(unit(wednesday, wednesday), unit(wednesday + 180.4, wednesday + 240)),
      '2027-02-20T12:00',
      piece({ quantity: 2 }),
    );
    expect(plan.finishedAt).toBe(at('2027-02-24T12:00'));
    // 10:00 and three hours, the rest of a minute counted as one.
    expect(plan.packableAt).toBe(at('2027-02-24T13:01'));
    expect(plan.wearableAt).toBe(at('2027-02-24T14:00'));
    expect([plan.doneCount, plan.totalCount]).toEqual([1, 2]);
  });

  it('has to spare what the nearer of its two dates leaves', () => {
    // Packable Wednesday 10:00, due Thursday 18:00: 32 h. Wearable Thursday 20:00, due Friday 9:00: 13 h.
    const plan = judged(
      [pass('planned', '2027-02-23T10:00')],
      units(unit(wednesday, at('2027-02-25T20:00'))),
    );
    expect(plan.slackMinutes).toBe(13 * 60);
    expect(plan.readiness).toBe('tight');
  });

  it('is tight below one day to spare, and late below nothing', () => {
    const packedWith = (minutes: number) => {
      const ready = at('2027-02-25T18:00') - minutes;
      return judged([pass('planned', '2027-02-22T10:00')], units(unit(ready, ready))).readiness;
    };
    expect([1440, 1439, 0, -1].map(packedWith)).toEqual(['on-time', 'tight', 'tight', 'late']);
  });

  it('is ready once nothing is open and all of it is packable and wearable', () => {
    const done = [pass('done', '2027-02-20T10:00')];
    const dry = units(unit(at('2027-02-20T13:00'), at('2027-02-20T15:00')));
    expect(judged(done, dry, '2027-02-20T14:59').readiness).toBe('on-time');
    expect(judged(done, dry, '2027-02-20T15:00').readiness).toBe('ready');
    expect(judged([...done, pass('planned', '2027-02-20T11:00')], dry, '2027-02-20T16:00').readiness).toBe(
      'on-time',
    );
    expect(judged(done, dry, '2027-02-20T14:59', piece({ event: undefined })).readiness).toBe('undated');
  });

  it('has no standing before it has steps', () => {
    expect(judged([], units(unit(wednesday, wednesday)))).toMatchObject({
      readiness: 'no-steps',
      packableAt: undefined,
      slackMinutes: undefined,
    });
  });

  it('is stuck with work that has no place, or with a coat that never dries', () => {
    const dry = units(unit(wednesday, wednesday));
    const unplaced = judged([pass('done', '2027-02-20T10:00'), pass('unplaced')], dry);
    expect([unplaced.readiness, unplaced.packableAt, unplaced.slackMinutes]).toEqual([
      'stuck',
      undefined,
      undefined,
    ]);
    expect(judged([pass('planned', '2027-02-21T10:00')], units(unit(Infinity, Infinity))).readiness).toBe(
      'stuck',
    );
  });
});
