import { openBuild, parseBuild } from '../materials/parseBuild';
import { planBuild } from '../schedule/answers/planBuild';
import { judgeBuild } from '../advice/judgeBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { referencesOf, withoutDangling } from './references';
import { findStepCycle } from './stepLinks';
import type { Build } from './schema';

/** A build in which everything refers to everything that can be referred to. */
const whole = (): Build =>
  sampleBuild({
    pieces: [
      samplePiece({ quantity: 2, zones: [{ id: 'rim', name: 'Rim', share: 1 }] }, [
        { id: 'seal', kind: 'seal', material: 'pva-flex-primer', coats: 2, zones: ['rim'], place: 'room' },
        { id: 'base', kind: 'base', material: 'craft-acrylic' },
      ]),
      samplePiece({ id: 'helm', name: 'Helm', mirrors: 'plate' }, [
        { id: 'join', kind: 'join', parts: ['plate'], after: ['plate/base'] },
      ]),
    ],
    log: [
      {
        id: 'l',
        piece: 'plate',
        unit: 2,
        step: 'seal',
        coat: 2,
        face: 'outer',
        place: 'room',
        doneAt: '2027-02-15T09:00',
      },
    ],
    underway: [{ id: 'u', piece: 'plate', unit: 1, step: 'base', coat: 1, startedAt: '2027-02-15T09:00' }],
    touchTests: [{ id: 't', piece: 'plate', unit: 2, step: 'seal', at: '2027-02-15T09:30', state: 'dry' }],
    pins: [{ operation: 'plate/2/seal/1/outer', at: '2027-02-16T09:00' }],
  });
const parsed = (build: unknown) => {
  const result = parseBuild(build);
  return result.ok ? 'ok' : result.faults.map(({ path, message }) => `${path.join('.')}: ${message}`);
};

describe('a circle of steps', () => {
  it('is said in a sentence by the reader, and by the planner where one gets that far', () => {
    const build = whole();
    build.pieces[0]!.steps[0]!.after = ['helm/join'];
    const said =
      'These steps wait for each other in a circle: plate/seal → helm/join → plate/base → plate/seal.';
    expect(parsed(build)).toEqual([`pieces.0.steps.0.after: ${said}`]);
    expect(() => planBuild(build)).toThrow(said);
  });

  it('is looked for along 20,000 steps that wait for each other in a chain', () => {
    const chain = (wait: string[]) =>
      sampleBuild({
        pieces: [
          samplePiece(
            {},
            Array.from({ length: 20_000 }, (_, n) => ({
              id: `s${n}`,
              kind: 'prep' as const,
              ...(n === 0 ? { after: wait } : {}),
            })),
          ),
        ],
      });
    expect(findStepCycle(chain([]))).toBeUndefined();
    expect(findStepCycle(chain(['s19999']))?.steps).toHaveLength(20_001);
  });
});

describe('references', () => {
  it('are all found in a build that is whole', () => {
    expect(parsed(whole())).toBe('ok');
    expect(referencesOf(whole(), () => true).filter(({ found }) => !found)).toEqual([]);
    expect(withoutDangling(whole(), whole())).toEqual(whole());
  });

  it('go along with a piece that is deleted: log, touch tests, pins, parts, mirrors and links', () => {
    const build = whole();
    const without = withoutDangling({ ...build, pieces: build.pieces.slice(1) }, build);
    expect(parsed(without)).toBe('ok');
    expect(without).toMatchObject({ log: [], underway: [], touchTests: [], pins: [] });
    expect(without.pieces[0]!.mirrors).toBeUndefined();
    expect(without.pieces[0]!.steps[0]).toEqual({ id: 'join', kind: 'join' });
  });

  it('go along with units when a set gets smaller', () => {
    const build = whole();
    const fewer = withoutDangling(
      { ...build, pieces: build.pieces.map((piece) => ({ ...piece, quantity: 1 })) },
      build,
    );
    expect(parsed(fewer)).toBe('ok');
    expect(fewer).toMatchObject({ log: [], touchTests: [], pins: [], underway: [{ id: 'u' }] });
  });

  it('go along with a step and its coats', () => {
    const build = whole();
    const [plate, helm] = build.pieces as [Build['pieces'][0], Build['pieces'][0]];
    const shorter = withoutDangling(
      { ...build, pieces: [{ ...plate, steps: [{ ...plate.steps[0]!, coats: 1 }] }, helm] },
      build,
    );
    expect(parsed(shorter)).toBe('ok');
    // Coat 2 and the base step are gone; coat 1 is still pinned, and the coat that was felt may be either.
    expect(shorter).toMatchObject({ log: [], underway: [], pins: [{}], touchTests: [{}] });
    expect(shorter.pieces[1]!.steps[0]!.after).toBeUndefined();
  });

  it('stay for the faults where they pointed at nothing before', () => {
    const build = whole();
    const [plate, helm] = build.pieces as [Build['pieces'][0], Build['pieces'][0]];
    const wrong = withoutDangling({ ...build, pieces: [plate, { ...helm, event: 'never' }] }, build);
    expect(parsed(wrong)).toEqual(['pieces.1.event: There is no event "never" in this build.']);
  });

  it('are refused with path and sentence where they point at nothing', () => {
    const build = whole();
    build.pieces[1]!.steps[0]!.parts = ['nowhere'];
    build.pieces[1]!.mirrors = 'gone';
    build.touchTests![0]!.step = 'no-such';
    expect(parsed(build)).toEqual([
      'pieces.1.mirrors: There is no piece "gone" in this build.',
      'pieces.1.steps.0.parts.0: There is no piece "nowhere" in this build.',
      'touchTests.0.step: "Plate" has no step "no-such".',
    ]);
  });

  it('reach steps whose ids hold a slash', () => {
    const build = sampleBuild({
      pieces: [
        samplePiece({ id: 'arm/left' }, [
          { id: 'coat/1', kind: 'seal', material: 'pva-flex-primer' },
          { id: 'coat/2', kind: 'base', material: 'craft-acrylic', after: ['coat/1'] },
        ]),
        samplePiece({ id: 'hand' }, [{ id: 'join', kind: 'join', after: ['arm/left/coat/2'] }]),
      ],
    });
    expect(parsed(build)).toBe('ok');
    const { operations } = planBuild(build);
    const of = (stepId: string) => operations.find((one) => one.stepId === stepId)!;
    expect(of('coat/2').after).toEqual([of('coat/1').id]);
    expect(of('join').after).toEqual([of('coat/2').id]);
    expect(of('join').start!).toBeGreaterThanOrEqual(of('coat/2').laidAt!);
  });
});

describe('a file of an earlier version', () => {
  it('opens without what was left behind there, and is otherwise as it was', () => {
    const build = whole();
    const old = {
      ...build,
      pieces: build.pieces.slice(1).map((piece) => ({
        ...piece,
        steps: [{ id: 'join', kind: 'join', parts: ['plate'] }],
      })),
      log: [],
      underway: [],
    };
    const opened = openBuild(old);
    expect(opened).toMatchObject({ ok: true, value: { touchTests: [], pins: [{}] } });
    expect(openBuild(whole())).toEqual({ ok: true, value: whole() });
  });
});

describe('a day of packing that does not exist', () => {
  it('is refused with path and sentence', () => {
    expect(parsed(sampleBuild({ pieces: [samplePiece({ packedAt: '2027-02-30T10:00' })] }))).toEqual([
      'pieces.0.packedAt: 2027-02-30T10:00 does not exist in UTC.',
    ]);
  });

  it('takes no plan and no finding away from other pieces', () => {
    // As an older version may have stored it.
    const build = sampleBuild({
      pieces: [
        samplePiece({ packedAt: '2027-02-30T10:00' }),
        samplePiece({ id: 'helm', name: 'Helm' }, [{ id: 'b', kind: 'base', material: 'craft-acrylic' }]),
      ],
    });
    const findings = judgeBuild(build);
    expect(findings.filter(({ piece }) => piece === 'plate').map(({ rule }) => rule)).toEqual(['X01']);
    expect(findings.filter(({ piece }) => piece === 'helm').map(({ rule }) => rule)).toContain('R03');
  });
});
