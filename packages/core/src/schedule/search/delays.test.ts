import type { Build, LogEntry } from '../../model/schema';
import { MINUTES_PER_DAY, toWallTime } from '../../model/wallTime';
import { sure } from '../../model/sure';
import { checkPlan } from '../../testing/checkPlan';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { largeBuild } from '../../testing/largeBuild';
import type { Plan } from '../answers/plan';
import { planBuild } from '../answers/planBuild';
import { workBegins, type PlannedOperation } from '../plan/plan';
import { warmFrom } from './warmStart';

/** Eight pieces, twelve days, two evenings a week and weekends. */
const eight: Build = {
  ...sampleBuild({
    start: '2027-02-15T08:00',
    people: [
      {
        id: 'me',
        name: 'Me',
        availability: [
          { days: ['tue', 'thu'], from: '19:00', to: '22:00' },
          { days: ['sat', 'sun'], from: '10:00', to: '18:00' },
        ],
      },
    ],
    events: [{ id: 'day', name: 'The day', packAt: '2027-02-27T18:00', wearAt: '2027-02-28T09:00' }],
    pieces: Array.from({ length: 8 }, (_, n) =>
      samplePiece(
        {
          id: `piece${n}`,
          name: `Piece ${n}`,
          quantity: n === 4 || n === 5 ? 2 : 1,
          faces: { outer: { areaCm2: 300 + 150 * n } },
        },
        [
          { id: 'heat', kind: 'heat-seal', method: 'hot-air' },
          { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 3 },
          { id: 'prime', kind: 'prime', material: 'acrylic-pu-primer-black', method: 'brush' },
          {
            id: 'base',
            kind: 'base',
            material: 'flex-acrylic',
            method: 'brush',
            colour: '#7a2f2a',
            coats: 2,
          },
          { id: 'clear', kind: 'topcoat', material: 'satin-varnish', method: 'brush' },
        ],
      ),
    ),
  }),
};
eight.places[0]!.slots = 12;

const entryOf = ({ timeZone }: Build, operation: PlannedOperation, doneAt: number): LogEntry => ({
  id: `log ${operation.id}`,
  piece: operation.pieceId,
  unit: operation.unit,
  step: operation.stepId,
  coat: operation.coat,
  ...(operation.face ? { face: operation.face } : {}),
  doneAt: toWallTime(doneAt, timeZone),
});

/** The first evening with some work: its first batch is done so many minutes late, and the plan gone on from. */
function late(
  build: Build,
  minutes: number,
  iterations: number,
): { before: Plan; after: Plan; build: Build } {
  const before = planBuild(build, { search: { starts: 'all', iterations }, latestStarts: false });
  const session = sure(before.sessions[0], 'a session');
  const batch = sure(session.batches[0], 'a batch').operationIds.map((id) =>
    sure(
      before.operations.find((one) => one.id === id),
      id,
    ),
  );
  const log = batch.map((one) => entryOf(build, one, sure(one.laidAt, one.id) + minutes));
  const now = Math.max(...batch.map((one) => sure(one.laidAt, one.id) + minutes));
  const warm = warmFrom({ sequence: before.sequence, operations: before.operations });
  const logged = { ...build, log };
  const after = planBuild(logged, {
    now,
    latestStarts: false,
    search: { warm, keep: true, starts: 'none' },
  });
  return { before, after, build: logged };
}

/** The passes of a plan that are done on another day than before. */
const onAnotherDay = (before: Plan, after: Plan): string[] => {
  const was = new Map(before.operations.map((one) => [one.id, one]));
  const dayOf = (one: PlannedOperation) => Math.floor(workBegins(one) / MINUTES_PER_DAY);
  return after.operations.flatMap((one) =>
    one.status === 'planned' && dayOf(one) !== dayOf(sure(was.get(one.id), one.id)) ? [one.id] : [],
  );
};

describe('ten minutes late', () => {
  it.each([
    ['eight pieces in two evenings a week', eight, 200],
    ['sixty pieces', largeBuild(60), 20],
  ])('%s: the evening slides, and no pass moves to another day', (_what, build, iterations) => {
    const { before, after, build: logged } = late(build, 10, iterations);
    expect(before.score).toMatchObject({ unplaced: 0, late: 0 });
    expect(onAnotherDay(before, after)).toEqual([]);
    expect(after.score).toMatchObject({ unplaced: 0, late: 0 });
    expect(checkPlan(logged, after)).toEqual([]);
  });

  it('is room that a first plan leaves: no evening is planned to its last tenth', () => {
    const { operations, workload } = planBuild(eight, {
      search: { starts: 'all', iterations: 200 },
      latestStarts: false,
    });
    const calendar = sure(workload.people[0], 'somebody').calendar;
    for (const one of operations) {
      const window = sure(calendar.windowAt(workBegins(one)), 'a session');
      expect(sure(one.end, one.id)).toBeLessThanOrEqual(window.to - (window.to - window.from) / 10);
    }
  });
});

describe('what would be late', () => {
  /** Four pieces of 30 min each, in an evening of two hours, which is all there is before the day. */
  const tight = sampleBuild({
    start: '2027-02-15T08:00',
    people: [{ id: 'me', name: 'Me', availability: [{ days: ['mon'], from: '19:00', to: '21:00' }] }],
    events: [{ id: 'day', name: 'The day', wearAt: '2027-02-19T09:00' }],
    pieces: [0, 1, 2, 3].map((n) =>
      samplePiece({ id: `p${n}`, name: `P ${n}` }, [{ id: 'trim', kind: 'prep', minutes: 30 }]),
    ),
  });

  it('leaves a tenth free where it is as late as it has to be anyway', () => {
    // The first is late in any plan, and no later than by itself; the others have no date. Of 120 min 108 are given away: three of them.
    const [day] = tight.events;
    const hopeless: Build = {
      ...tight,
      events: [{ ...day!, wearAt: '2027-02-15T12:00' }],
      pieces: tight.pieces.map((piece, n) => (n === 0 ? piece : { ...piece, event: undefined })),
    };
    const plan = planBuild(hopeless, { search: { starts: 'all', iterations: 20 }, latestStarts: false });
    expect(plan.score.late).toBeGreaterThan(0);
    expect(plan.sessions.map(({ batches }) => batches.flatMap((one) => one.operationIds).length)).toEqual([
      3, 1,
    ]);
  });

  it('has all of the evening', () => {
    const plan = planBuild(tight, { search: { starts: 'all', iterations: 20 }, latestStarts: false });
    expect(plan.score).toMatchObject({ unplaced: 0, late: 0 });
    expect(plan.sessions).toHaveLength(1);
  });
});
