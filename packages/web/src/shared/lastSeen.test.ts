import 'fake-indexeddb/auto';
import { keepSeen, seenLast } from './lastSeen';
import { smallBuild } from '../testing/smallBuild';

it('gives back the build that was seen last, and none for another', async () => {
  const answer = { id: 'b1', version: 3, pieceEtags: { crown: '"1"' }, build: smallBuild() };
  expect(await seenLast('b1')).toBeUndefined();
  await keepSeen(answer);
  expect(await seenLast('b1')).toEqual(answer);
  await keepSeen({ ...answer, id: 'b2', version: 1 });
  expect(await seenLast('b1')).toBeUndefined();
  expect((await seenLast('b2'))?.version).toBe(1);
});
