import { judgeBuild } from '../advice/judgeBuild';
import { catalogueById } from '../materials/catalogue';
import { epochMinute } from '../model/wallTime';
import type { Build, LogEntry, Step } from '../model/schema';
import { passMl } from '../quantity/amounts';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { orderedSteps, spotsOf } from './spots';
import { stackFigures } from './stackFigures';

const entry = (step: string, changes: Partial<LogEntry> = {}): LogEntry => ({
  id: `${step}${changes.unit ?? 1}${changes.coat ?? 1}`,
  piece: 'plate',
  unit: 1,
  step,
  coat: 1,
  face: 'outer',
  doneAt: '2027-02-15T09:00',
  ...changes,
});
const steps: Step[] = [
  { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2, faces: ['outer'] },
  { id: 'enamel', kind: 'base', material: 'hobby-enamel', method: 'brush', faces: ['outer'] },
];
const built = (log: LogEntry[], quantity = 1): Build =>
  sampleBuild({ pieces: [samplePiece({ quantity }, steps)], log });
const known = (build: Build) => ({ materials: catalogueById, build });
const laid = (build: Build) =>
  spotsOf(build.pieces[0]!, known(build)).map(({ units, layers }) => [
    units,
    layers.map(({ material, coats, film, logged }) => [material.id, coats, film, logged]),
  ]);

describe('what lies on a piece', () => {
  it('is what is planned where nothing was logged', () => {
    expect(laid(built([]))).toEqual([
      [
        [1],
        [
          ['pva-flex-primer', 2, 'normal', false],
          ['hobby-enamel', 1, 'normal', false],
        ],
      ],
    ]);
  });

  it('is what was logged where it was logged, coat by coat', () => {
    const build = built([entry('seal', { material: 'rubber-dip-spray', film: 'light' })]);
    expect(laid(build)).toEqual([
      [
        [1],
        [
          ['rubber-dip-spray', 1, 'light', true],
          ['pva-flex-primer', 1, 'normal', false],
          ['hobby-enamel', 1, 'normal', false],
        ],
      ],
    ]);
  });

  it('is told for each unit that differs', () => {
    const build = built([entry('seal', { unit: 2, material: 'rubber-dip-spray' })], 3);
    expect(laid(build).map(([units]) => units)).toEqual([[1, 3], [2]]);
  });

  it('has what was passed over no more', () => {
    // The enamel was laid though only one coat of sealer was: the second is not laid any more.
    const build = built([entry('seal'), entry('enamel', { doneAt: '2027-02-15T12:00' })]);
    expect(laid(build)).toEqual([
      [
        [1],
        [
          ['pva-flex-primer', 1, 'normal', true],
          ['hobby-enamel', 1, 'normal', true],
        ],
      ],
    ]);
    const plan = planBuild(build, { now: epochMinute('2027-02-15T12:00', 'UTC'), latestStarts: false });
    expect(plan.operations.map(({ status }) => status)).toEqual(['done', 'skipped', 'done']);
  });

  it('is what failed no more, as that is sanded back', () => {
    expect(laid(built([entry('seal', { material: 'rubber-dip-spray', outcome: 'failed' })]))).toEqual(
      laid(built([])),
    );
  });

  it('comes to the steps that were done and those still planned', () => {
    const build = built([entry('seal', { material: 'rubber-dip-spray' })]);
    const found = orderedSteps(build.pieces[0]!, known(build)).map(({ at, material, step }) => [
      at,
      material!.id,
      // A spray can is no brush.
      step.method,
    ]);
    expect(found).toEqual([
      [0, 'rubber-dip-spray', 'aerosol'],
      [0, 'pva-flex-primer', 'brush'],
      [1, 'hobby-enamel', 'brush'],
    ]);
  });
});

describe('a logged substitution', () => {
  const both = [1, 2].map((coat) =>
    entry('seal', { coat, material: 'rubber-dip-spray', doneAt: `2027-02-15T1${coat}:00` }),
  );
  const now = epochMinute('2027-02-16T20:00', 'UTC');
  const rulesOf = (build: Build) =>
    judgeBuild(build, planBuild(build, { now, latestStarts: false })).map(({ rule }) => rule);

  it('is seen by the rules: enamel on logged rubber dip is a stop, on planned PVA it is not', () => {
    expect(rulesOf(built(both))).toContain('R04');
    expect(rulesOf(built([]))).not.toContain('R04');
    // And the other way round: planned dip that was laid as PVA is none.
    const dipped = built([]);
    const planned: Build = {
      ...dipped,
      pieces: [
        samplePiece({}, [
          { ...steps[0]!, material: 'rubber-dip-spray', method: 'aerosol', coats: 1 },
          steps[1]!,
        ]),
      ],
    };
    expect(rulesOf(planned)).toContain('R04');
    const asPva = { ...planned, log: [entry('seal', { material: 'pva-flex-primer' })] };
    expect(rulesOf(asPva)).not.toContain('R04');
  });

  it('is seen by safety rules: a logged spray can in a room without extraction', () => {
    expect(rulesOf(built(both))).toContain('R35');
  });

  it('is seen by figures, drying and amounts alike', () => {
    const build = built(both);
    const plan = planBuild(build, { now, latestStarts: false });
    // Two coats of 150 µm at 22 % solids and one of enamel, 60 µm at 40 %: 2 · 33 + 24.
    expect(stackFigures(build.pieces[0]!, known(build))[0]!.filmUm).toBeCloseTo(90, 6);
    const coats = plan.units.get('plate/1')!.cells.get('outer:whole')!;
    expect(coats.map(({ material, wetUm }) => [material.id, wetUm])).toEqual([
      ['rubber-dip-spray', 150],
      ['rubber-dip-spray', 150],
      ['hobby-enamel', 60],
    ]);
    // 600 cm² at 150 µm from a can, half of which is lost: 9 ml/0.5.
    expect(passMl(plan.operations[0]!)).toBeCloseTo(18, 6);
  });

  it('is judged in the air it met: R34 asks the limits of the tin that was used', () => {
    // Rubber dip stands 80 % humidity, the PVA that was planned 75 %.
    const damp = (material?: string) =>
      rulesOf(built([entry('seal', { humidityPct: 78, ...(material ? { material } : {}) })]));
    expect(damp()).toContain('R34');
    expect(damp('rubber-dip-spray')).not.toContain('R34');
  });
});

describe('an entry without a face', () => {
  const faced = (log: LogEntry[]): Build =>
    sampleBuild({
      pieces: [
        samplePiece({ faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 500 } } }, [
          {
            id: 'seal',
            kind: 'seal',
            material: 'pva-flex-primer',
            method: 'brush',
            faces: ['inner', 'outer'],
          },
        ]),
      ],
      log,
    });
  const bare = (id: string, doneAt: string): LogEntry => ({
    id,
    piece: 'plate',
    unit: 1,
    step: 'seal',
    coat: 1,
    doneAt,
  });

  it('is the face that is due, then the other', () => {
    const done = (log: LogEntry[]) =>
      planBuild(faced(log), { now: epochMinute('2027-02-16T12:00', 'UTC'), latestStarts: false })
        .operations.filter(({ status }) => status === 'done')
        .map(({ face }) => face);
    const first = bare('a', '2027-02-15T09:00');
    expect(done([first])).toEqual(['inner']);
    expect(done([first, bare('b', '2027-02-15T12:00')])).toEqual(['inner', 'outer']);
    // On a step of one face that names none it is that one.
    const plain = sampleBuild({ log: [bare('a', '2027-02-15T09:00')] });
    expect(planBuild(plain).operations[0]!.status).toBe('done');
  });
});
