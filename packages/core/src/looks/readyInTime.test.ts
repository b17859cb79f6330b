import { catalogueById } from '../materials/catalogue';
import type { Build, Piece } from '../model/schema';
import { entryOf } from '../model/sure';
import { planBuild } from '../schedule/answers/planBuild';
import { checkPlan } from '../testing/checkPlan';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import type { SealerSchool } from './look';
import { schools } from './schools';
import { lookById, shippedLooks } from './shippedLooks';
import { writeSteps } from './writeSteps';

const air = { kind: 'constant' as const, temperatureC: 20, humidityPct: 50 };

/** Somebody with a job: three hours of an evening, and the weekend. */
function evenings(start: string, packAt: string): Build {
  return sampleBuild({
    start,
    events: [{ id: 'day', name: 'The day', packAt, wearAt: packAt }],
    people: [
      {
        id: 'me',
        name: 'Me',
        availability: [
          { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '19:00', to: '22:00' },
          { days: ['sat', 'sun'], from: '10:00', to: '18:00' },
        ],
      },
    ],
    places: [
      { id: 'room', name: 'Room', ventilation: 'window', slots: 6, climate: air },
      { id: 'porch', name: 'Porch', ventilation: 'outdoor', slots: 6, climate: air },
    ],
  });
}
function dressed(build: Build, piece: Piece, lookId: string, sealer?: SealerSchool): Build {
  const look = entryOf(lookById, lookId);
  const { steps } = writeSteps(build, piece, { looks: [{ look }], ...(sealer ? { sealer } : {}) });
  return { ...build, pieces: [{ ...piece, steps }] };
}
const chest = samplePiece({ faces: { outer: { areaCm2: 2400 }, inner: { areaCm2: 2300 } } }, []);

/** Whether all of a build dries by water or quick solvents: no oils, enamels, epoxies or waxes. */
const driesQuickly = ({ pieces }: Build) =>
  pieces
    .flatMap(({ steps }) => steps.flatMap(({ material }) => material ?? []))
    .map((id) => entryOf(catalogueById, id))
    .every(({ binder }) => !['alkyd', 'oil', 'epoxy', 'wax'].includes(binder));

const indoors = schools.filter(({ step }) => step?.method !== 'aerosol').map(({ id }) => id);

describe('five days before the date', () => {
  const cases = shippedLooks
    .flatMap((look) => indoors.map((sealer) => [look.id, sealer] as const))
    .filter(([look, sealer]) =>
      driesQuickly(dressed(evenings('2027-02-15T08:00', '2027-02-20T18:00'), chest, look, sealer)),
    );

  it('there are such looks', () =>
    expect(new Set(cases.map(([look]) => look)).size).toBeGreaterThanOrEqual(12));

  /** Neoprene and decoupage medium are through after three days, and two looks lay so many coats that they fill an evening more. */
  const packDay = (look: string, sealer: SealerSchool) =>
    sealer === 'neoprene' || sealer === 'decoupage' || ['pearl', 'battle-worn-steel'].includes(look)
      ? 21
      : 20;

  it.each(cases)('%s on the %s school is in time on a 6 mm chest', (look, sealer) => {
    const packAt = `2027-02-${packDay(look, sealer)}T18:00`;
    const build = dressed(evenings('2027-02-15T08:00', packAt), chest, look, sealer);
    const plan = planBuild(build, { latestStarts: false });
    expect(plan.pieces[0]!.slackMinutes).toBeGreaterThanOrEqual(0);
    expect(checkPlan(build, plan)).toEqual([]);
  });
});

test('a bone horn of 2 mm begun on Sunday at ten is in time for Thursday at six', () => {
  const horn = samplePiece(
    { substrate: { kind: 'eva-foam', thicknessMm: 2 }, faces: { outer: { areaCm2: 300 } } },
    [],
  );
  const build = dressed(evenings('2027-02-14T10:00', '2027-02-18T18:00'), horn, 'bone-and-horn');
  const plan = planBuild(build, { latestStarts: false });
  expect(plan.pieces[0]!.slackMinutes).toBeGreaterThanOrEqual(0);
});
