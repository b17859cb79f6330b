import { epochMinute, planView } from '@fixatum/core';
import { smallBuild } from '../testing/smallBuild';
import { withoutGone } from './withoutGone';

const build = smallBuild();
const [plate] = build.pieces;
const both = { ...build, pieces: [plate!, { ...plate!, id: 'strap', name: 'Strap' }] };
const view = planView(both, { now: epochMinute('2027-02-15T08:00', 'UTC') });

it('leaves a plan alone whose pieces are all there', () => {
  expect(withoutGone(view, both)).toBe(view);
});

it('takes out all there is of a piece that is gone, and nothing else', () => {
  const left = withoutGone(view, build);
  expect(left.pieces.map(({ pieceId }) => pieceId)).toEqual(['plate']);
  expect(left.operations).toEqual(view.operations.filter(({ pieceId }) => pieceId === 'plate'));
  expect(left.operations).toHaveLength(2);
  expect(JSON.stringify([left.sessions, left.sequence, left.doableNow, left.bounds])).not.toContain('strap');
  const ids = left.sessions.flatMap(({ batches }) => batches.flatMap(({ operationIds }) => operationIds));
  expect([...ids].sort()).toEqual(left.operations.map(({ id }) => id).sort());
  expect(withoutGone(view, { pieces: [] }).sessions).toEqual([]);
});
