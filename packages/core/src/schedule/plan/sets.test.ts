import { mirrorPiece } from '../../shapes/mirrorPiece';
import type { Piece, Step } from '../../model/schema';
import { epochMinute } from '../../model/wallTime';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from '../answers/planBuild';
import { partedSet } from '../answers/partedSet';
import { setsOf, passOfSet } from './sets';

const seal: Step = { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 };
const red: Step = { id: 'red', kind: 'base', material: 'flex-acrylic', method: 'brush', colour: '#a02020' };
const left = samplePiece({ id: 'left', name: 'Left bracer' }, [seal, red]);
const right: Piece = { ...mirrorPiece(sampleBuild({ pieces: [left] }), left), id: 'right' };

describe('a left and its right', () => {
  it('are one set, the first of the build first', () => {
    const { of, steps } = setsOf([left, right]);
    expect([...of]).toEqual([
      ['left', ['left', 'right']],
      ['right', ['left', 'right']],
    ]);
    expect([...steps]).toEqual([
      ['right/seal', 'seal'],
      ['right/red', 'red'],
    ]);
  });

  it('have the same pass by what is done, whatever the steps are called', () => {
    const renamed: Piece = {
      ...right,
      steps: [
        { ...red, id: 'seal' },
        { ...seal, id: 'first' },
        { ...seal, id: 'again' },
      ],
    };
    const sets = setsOf([left, renamed]);
    const pass = (stepId: string) => passOfSet(sets, { pieceId: 'right', stepId, coat: 1, face: 'outer' });
    expect(pass('seal')).toBe('red 1 outer');
    expect(pass('first')).toBe('seal 1 outer');
    // There is one seal on the left, so the second has no like.
    expect(pass('again')).toBe('again 1 outer');
  });

  it('of three in a ring or to a piece that is gone still end', () => {
    const ring = [
      { ...left, mirrors: 'right' },
      { ...right, mirrors: 'left' },
    ];
    expect(setsOf(ring).of.size).toBe(0);
    expect(setsOf([{ ...right, mirrors: 'gone' }]).of.size).toBe(0);
  });

  it('are done one behind the other, and say what parts them', () => {
    const [room] = sampleBuild().places;
    const build = (slots: number) => sampleBuild({ places: [{ ...room!, slots }], pieces: [left, right] });
    const plan = (slots: number) =>
      planBuild(build(slots), {
        now: epochMinute('2027-02-15T08:00', 'UTC'),
        latestStarts: false,
        search: { starts: 'all', iterations: 60 },
      });
    const both = plan(4);
    expect(both.score.apart).toBe(0);
    for (const id of ['seal/1', 'seal/2', 'red/1']) {
      const [one, other] = ['left', 'right'].map((piece) =>
        both.operations.find((operation) => operation.id === `${piece}/1/${id}/outer`),
      );
      const [from, to] = [one, other].sort((a, b) => a!.laidAt! - b!.laidAt!);
      expect(to!.laidAt! - to!.workMinutes - from!.laidAt!).toBeLessThanOrEqual(5);
    }
    const { operations, score } = plan(1);
    expect(score.apart).toBeGreaterThan(0);
    const first = [...operations].sort((a, b) => a.start! - b.start!).slice(0, 1);
    expect(partedSet(first, operations, setsOf(build(1).pieces), 'UTC')).toMatch(
      /^1 more Mon 15 Feb, \d\d:\d\d: /,
    );
  });
});
