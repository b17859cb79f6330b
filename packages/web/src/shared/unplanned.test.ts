import { planView } from '@fixatum/core';
import { sampleBuild, samplePiece } from '../../../core/src/testing/sampleBuild';
import { unplannedPieces } from './unplanned';

it('are those with other steps, materials or coats than the plan was made for', () => {
  const build = sampleBuild({ pieces: [samplePiece(), samplePiece({ id: 'other' })] });
  const view = planView(build, { latestStarts: false });
  const changed = (change: (piece: (typeof build.pieces)[number]) => (typeof build.pieces)[number]) => [
    ...unplannedPieces(
      { pieces: build.pieces.map((piece) => (piece.id === 'other' ? change(piece) : piece)) },
      view,
    ),
  ];
  expect(changed((piece) => piece)).toEqual([]);
  // A note or an area moves nothing that would be wrong to show.
  expect(changed((piece) => ({ ...piece, note: 'x' }))).toEqual([]);
  expect(changed((piece) => ({ ...piece, steps: piece.steps.slice(1) }))).toEqual(['other']);
  expect(changed((piece) => ({ ...piece, steps: [...piece.steps, { id: 'new', kind: 'prep' }] }))).toEqual([
    'other',
  ]);
  expect(
    changed((piece) => ({ ...piece, steps: piece.steps.map((step) => ({ ...step, coats: 4 })) })),
  ).toEqual(['other']);
  expect(unplannedPieces({ pieces: [...build.pieces, samplePiece({ id: 'third' })] }, view)).toEqual(
    new Set(['third']),
  );
});
