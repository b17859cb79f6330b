import type { Build } from '../../model/schema';
import { epochMinute } from '../../model/wallTime';
import type { Binding } from '../plan/plan';
import type { Plan } from './plan';
import { whatChanged } from './whatChanged';

const at = (wall: string) => epochMinute(wall, 'UTC');
const now = at('2027-02-15T08:00');
const build = { pieces: [{ id: 'helm', name: 'Helm' }] } as unknown as Build;
type Told = Pick<Plan, 'operations' | 'pieces' | 'timeZone'>;
const plan = (start: string, boundBy?: Binding | 'choice', ready = '2027-02-20T12:00') =>
  ({
    timeZone: 'UTC',
    pieces: [
      { pieceId: 'helm', readiness: 'on-time', packableAt: at(ready), wearableAt: at('2027-02-20T10:00') },
    ],
    operations: [
      { id: 'o', pieceId: 'helm', stepId: 's', kind: 'seal', status: 'planned', start: at(start), boundBy },
    ],
  }) as unknown as Told;
const was = plan('2027-02-15T19:00');
const nothing = { atOnce: [], canWait: [] };

test('work that moved is said with why, where there is a short word for it', () => {
  const said = (boundBy: Binding | 'choice' | undefined, start = '2027-02-16T19:00') =>
    whatChanged(build, was, plan(start, boundBy), now).atOnce;
  expect(said('drying')).toEqual([
    'Helm, seal: Tue 16 Feb, 19:00 in place of Mon 15 Feb, 19:00, as what lies below dries later',
  ]);
  for (const quiet of ['hands', 'choice', undefined] as const)
    expect(said(quiet)).toEqual(['Helm, seal: Tue 16 Feb, 19:00 in place of Mon 15 Feb, 19:00']);
  // What comes sooner needs no excuse.
  expect(said('drying', '2027-02-15T18:00')).toEqual([
    'Helm, seal: Mon 15 Feb, 18:00 in place of Mon 15 Feb, 19:00',
  ]);
});

test('a move of less than twenty minutes, or of what is far off, is nobody’s business', () => {
  expect(whatChanged(build, was, plan('2027-02-15T19:19'), now)).toEqual(nothing);
  expect(whatChanged(build, was, plan('2027-02-15T19:20'), now).atOnce).toHaveLength(1);
  const far = plan('2027-02-18T19:00');
  expect(whatChanged(build, far, plan('2027-02-19T19:00'), now)).toEqual(nothing);
});

test('a piece that is ready at another time is said with by how much', () => {
  expect(whatChanged(build, was, plan('2027-02-15T19:00', undefined, '2027-02-20T15:00'), now)).toEqual({
    atOnce: [],
    canWait: ['Helm is ready 3 h later: Sat 20 Feb, 15:00'],
  });
});

test('a coat that failed is told first: from when it can be put right, and when it is', () => {
  const failed = plan('2027-02-16T19:00', 'drying', '2027-02-20T15:00');
  Object.assign(failed.operations[0]!, { failures: 1, opensAt: at('2027-02-15T21:30') });
  // It was under way when it failed, not planned.
  const underway = plan('2027-02-15T07:45');
  Object.assign(underway.operations[0]!, { failures: 0, status: 'underway' });
  expect(whatChanged(build, underway, failed, now)).toEqual({
    atOnce: [
      'Helm, seal, failed: it can be put right from Mon 15 Feb, 21:30, and is planned for Tue 16 Feb, 19:00',
    ],
    canWait: ['Helm is ready 3 h later: Sat 20 Feb, 15:00'],
  });
  // The failure of before is no news.
  expect(whatChanged(build, failed, failed, now)).toEqual(nothing);
  Object.assign(failed.operations[0]!, { opensAt: undefined, start: undefined });
  expect(whatChanged(build, underway, failed, now).atOnce).toEqual([
    'Helm, seal, failed: it has no place in the plan yet',
  ]);
});
