import { describe, expect, it } from '@jest/globals';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import type { Build, LogEntry, Piece, Step } from '../model/schema';
import { facesOf } from '../model/stepSpots';
import { sure } from '../model/sure';
import { lookById } from './shippedLooks';
import { writeSteps } from './writeSteps';

const look = (id: string) => sure(lookById.get(id), id);

/** A piece in a look, with every pass logged that `isDone` names, and then written in another look. */
function rewritten(
  piece: Piece,
  [first, second]: [string, string],
  isDone: (step: Step, unit: number) => boolean,
): { build: Build; steps: Step[]; notes: string[]; done: Set<string> } {
  const empty = sampleBuild({ pieces: [piece] });
  const old = writeSteps(empty, piece, { looks: [{ look: look(first) }] }).steps;
  const log: LogEntry[] = [];
  for (const step of old)
    for (let unit = 1; unit <= piece.quantity; unit += 1)
      for (const face of step.material ? facesOf(step) : [undefined])
        for (let coat = 1; coat <= (step.material ? (step.coats ?? 1) : 1); coat += 1)
          if (isDone(step, unit))
            log.push({
              id: `l${log.length}`,
              piece: piece.id,
              unit,
              step: step.id,
              coat,
              ...(face ? { face } : {}),
              doneAt: `2027-02-${String(15 + Math.floor(log.length / 40)).padStart(2, '0')}T${String(8 + Math.floor((log.length % 40) / 4)).padStart(2, '0')}:${String((log.length % 4) * 15).padStart(2, '0')}`,
            });
  const build: Build = { ...empty, pieces: [{ ...piece, steps: old }], log };
  const { steps, notes } = writeSteps(build, build.pieces[0]!, { looks: [{ look: look(second) }] });
  return {
    build: { ...build, pieces: [{ ...piece, steps }] },
    steps,
    notes,
    done: new Set(log.map((entry) => entry.step)),
  };
}
const untilPrimed = (step: Step) =>
  step.kind === 'seal' ||
  step.kind === 'prep' ||
  step.kind === 'heat-seal' ||
  step.kind === 'prime' ||
  (step.kind === 'inspect' && step.looksOver !== 'coloured' && step.looksOver !== 'packing');
const words = (steps: readonly Step[]) => steps.map(({ kind, material }) => material ?? kind);
const left = ({ steps, done }: { steps: Step[]; done: Set<string> }) =>
  steps.filter(({ id }) => !done.has(id));

describe('another look on what is half painted', () => {
  it('goes on from the primer where the new look wants the same', () => {
    const made = rewritten(samplePiece({}, []), ['bright-steel', 'worn-brown-leather'], untilPrimed);
    expect(words(left(made))).toEqual([
      'flex-acrylic',
      'inspect',
      'acrylic-wash',
      'dry-brush-acrylic',
      'matte-varnish',
      'inspect',
    ]);
    expect(made.steps.some(({ ended }) => ended)).toBe(false);
    expect(made.notes[0]).toBe('Goes over what is laid already: Acrylic-urethane primer black.');
  });

  it('primes over a primer of another colour, and seals nothing again', () => {
    const made = rewritten(samplePiece({}, []), ['clean-toy-plastic', 'polished-gold'], untilPrimed);
    expect(words(left(made)).slice(0, 3)).toEqual(['acrylic-pu-primer-oxide', 'sand', 'inspect']);
    // The white primer stays, as far as it was laid.
    expect(made.steps.find(({ ended, kind }) => ended && kind === 'prime')).toMatchObject({
      material: 'acrylic-pu-primer-white',
      coats: 2,
    });
  });

  it('gives the units of a set that are bare what the others have', () => {
    const made = rewritten(
      samplePiece({ quantity: 3 }, []),
      ['bright-steel', 'worn-brown-leather'],
      (step, unit) => untilPrimed(step) && unit < 3,
    );
    const plan = planBuild(made.build, { latestStarts: false });
    const open = (unit: number) =>
      plan.operations
        .filter((pass) => pass.unit === unit && pass.status === 'planned')
        .map(({ kind, material }) => material?.id ?? kind);
    expect(open(3)).toEqual(expect.arrayContaining(['pva-flex-primer', 'acrylic-pu-primer-black']));
    expect(open(1)).not.toContain('pva-flex-primer');
    expect(open(1)).not.toContain('acrylic-pu-primer-black');
    // Nothing of the new look is passed over on any of them.
    expect(plan.operations.filter(({ status }) => status === 'skipped')).toEqual([]);
  });

  it('scuffs an old clear, primes over it and covers closures again', () => {
    const made = rewritten(
      samplePiece({ keepBare: ['tab'] }, []),
      ['bright-steel', 'worn-brown-leather'],
      () => true,
    );
    expect(words(left(made)).slice(0, 5)).toEqual([
      'mask',
      'sand',
      'acrylic-pu-primer-black',
      'inspect',
      'flex-acrylic',
    ]);
    expect(words(left(made)).slice(-2)).toEqual(['unmask', 'inspect']);
    const plan = planBuild(made.build, { latestStarts: false });
    expect(plan.operations.filter(({ status }) => status === 'skipped')).toEqual([]);
  });

  it('wants no undercoat over a colour within 10 of it', () => {
    // Gunmetal's undercoat is the black primer, #1d1d1f: #3c3c3c is ΔE00 9.94 from it, #3d3d3d 10.26 (culori).
    const over = (colour: string) => {
      const steps: Step[] = [{ id: 'b', kind: 'base', material: 'craft-acrylic', coats: 2, colour }];
      const log: LogEntry[] = [1, 2].map((coat) => ({
        id: `l${coat}`,
        piece: 'plate',
        unit: 1,
        step: 'b',
        coat,
        face: 'outer',
        doneAt: `2027-02-16T1${coat}:00`,
      }));
      const piece = samplePiece({}, steps);
      const build = sampleBuild({ pieces: [piece], log });
      return writeSteps(build, piece, { looks: [{ look: look('gunmetal') }] }).steps.some(
        ({ kind }) => kind === 'prime',
      );
    };
    expect(over('#3c3c3c')).toBe(false);
    expect(over('#3d3d3d')).toBe(true);
  });
});
