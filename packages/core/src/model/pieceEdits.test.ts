import { mirrorPiece } from '../shapes/mirrorPiece';
import { findStepCycle, stepsBefore } from './stepLinks';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { parseBuild } from '../materials/parseBuild';
import { copyPiece, idFromName, keepLoggedIds, mergePieces, replaceKind, stepsFor } from './pieceEdits';

const build = sampleBuild();
const piece = build.pieces[0]!;

describe('ids from names', () => {
  it('are plain and unlike those used', () => {
    expect(idFromName('Hip plate', [])).toBe('hip-plate');
    expect(idFromName('Hip plate', ['hip-plate', 'hip-plate-2'])).toBe('hip-plate-3');
    expect(idFromName('Épaulière', [])).toBe('epauliere');
    expect(idFromName('★', [])).toBe('piece');
  });
});

describe('copy and mirror', () => {
  it('make a piece that can stand beside the old one', () => {
    const copy = copyPiece(build, piece, 'Plate');
    expect(copy).toMatchObject({ id: 'plate-2', name: 'Plate', steps: piece.steps });
    expect(parseBuild({ ...build, pieces: [piece, copy] })).toMatchObject({ ok: true });
  });

  it('swap left and right', () => {
    expect(mirrorPiece(build, { ...piece, name: 'Left greave' })).toMatchObject({
      name: 'Right greave',
      mirrors: 'plate',
    });
    expect(mirrorPiece(build, { ...piece, name: 'right arm' }).name).toBe('left arm');
    expect(mirrorPiece(build, piece).name).toBe('Plate, mirrored');
  });
});

describe('steps given to another piece', () => {
  it('get fresh ids and lose zones and faces that are not there', () => {
    const target = samplePiece({ id: 'other', zones: [{ id: 'a', name: 'A', share: 1 }] });
    const given = stepsFor(target, [
      { id: 'seal', kind: 'seal', zones: ['a', 'b'], faces: ['inner', 'outer'], after: ['x'] },
    ]);
    expect(given).toEqual([{ id: 'seal-2', kind: 'seal', zones: ['a'], faces: ['outer'] }]);
  });

  it('take the place of those they replace', () => {
    const changed = replaceKind(piece, new Set(['seal']), [
      { id: 'dip', kind: 'seal', material: 'rubber-dip-spray', method: 'aerosol' },
    ]);
    expect(changed.steps.map((step) => step.id)).toEqual(['dip', 'base']);
    const added = replaceKind(piece, new Set(['topcoat']), [{ id: 'clear', kind: 'topcoat' }]);
    expect(added.steps.map((step) => step.id)).toEqual(['seal', 'base', 'clear']);
  });
});

describe('joining pieces', () => {
  const glove = samplePiece({ id: 'glove', name: 'Glove' }, [{ id: 'prep', kind: 'prep', minutes: 5 }]);
  const both = sampleBuild({ pieces: [piece, glove] });

  const join = { id: 'join', kind: 'join' as const, parts: ['plate'] };

  it('waits for the parts, painted before', () => {
    const joined = { ...glove, steps: [...glove.steps, join] };
    const plan = planBuild({ ...both, pieces: [piece, joined] }, { latestStarts: false });
    const joins = plan.operations.find((operation) => operation.kind === 'join')!;
    const lastCoat = plan.operations.find((operation) => operation.id === 'plate/1/base/1/outer')!;
    expect(joins.start).toBeGreaterThanOrEqual(lastCoat.laidAt!);
  });

  it('does not wait for the last look of a part, nor for what is done to it when it is part of the whole', () => {
    const part = {
      ...piece,
      steps: [
        ...piece.steps,
        { id: 'look', kind: 'inspect' as const, looksOver: 'packing' as const },
        { id: 'strap', kind: 'attach' as const, after: ['glove/join'] },
      ],
    };
    const build = { ...both, pieces: [part, { ...glove, steps: [...glove.steps, join] }] };
    expect(findStepCycle(build)).toBeUndefined();
    expect(stepsBefore(build.pieces, build.pieces[1]!, 1)).toEqual([
      { piece: 'glove', step: 'prep' },
      { piece: 'plate', step: 'base' },
    ]);
  });

  it('lets painting follow the join', () => {
    const bare = { ...piece, steps: [{ id: 'cut', kind: 'prep' as const, minutes: 30 }] };
    const withBare = sampleBuild({ pieces: [bare, glove] });
    const joined = { ...glove, steps: [...glove.steps, join, ...piece.steps] };
    const plan = planBuild({ ...withBare, pieces: [bare, joined] }, { latestStarts: false });
    const [cut, joining, sealing] = ['plate/1/cut/1/-', `glove/1/${join.id}/1/-`, 'glove/1/seal/1/outer'].map(
      (id) => plan.operations.find((operation) => operation.id === id)!,
    );
    expect(joining!.start).toBeGreaterThanOrEqual(cut!.end!);
    expect(sealing!.start).toBeGreaterThanOrEqual(joining!.end!);
  });
});

describe('other steps for a piece that was worked on', () => {
  it('keep the log of the same work and only of that', () => {
    const kept = keepLoggedIds(piece, [
      { id: 'seal', kind: 'seal', material: 'rubber-dip-spray' },
      { id: 'x', kind: 'base', material: 'craft-acrylic' },
      { id: 'base', kind: 'base', material: 'craft-acrylic' },
    ]);
    // The sealer is another one, so it is not the sealing that was logged; the first base coat is the old one.
    expect(kept.map((step) => step.id)).toEqual(['seal-2', 'base', 'base-2']);
  });
});

describe('two people changing one piece', () => {
  it('get both changes when they touched different things', () => {
    const { piece: merged, clashes } = mergePieces(
      piece,
      { ...piece, name: 'Mine' },
      { ...piece, quantity: 3 },
    );
    expect(merged).toEqual({ ...piece, name: 'Mine', quantity: 3 });
    expect(clashes).toEqual([]);
  });

  it('are told what both changed', () => {
    const { piece: merged, clashes } = mergePieces(
      piece,
      { ...piece, name: 'Mine' },
      { ...piece, name: 'Theirs' },
    );
    expect(merged.name).toBe('Mine');
    expect(clashes).toEqual([{ field: 'name', mine: 'Mine', theirs: 'Theirs' }]);
  });

  it('lose nothing that one of them took away on purpose', () => {
    const noted = { ...piece, note: 'old' };
    const { note: _gone, ...without } = noted;
    expect(mergePieces(noted, without, { ...noted, quantity: 2 }).piece).toEqual({ ...without, quantity: 2 });
  });
});
