import { shippedLooks, sure } from '@fixatum/core';
import { smallBuild } from '../testing/smallBuild';
import { freshTakeIn, takenAs, withLooks, zoneNamesOf } from './takeInForm';

const build = smallBuild();
const [piece] = build.pieces;
const zoned = {
  ...sure(piece, 'a piece'),
  id: 'new',
  steps: [],
  zones: [
    { id: 'main', name: 'Main', share: 0.7 },
    { id: 'rim', name: 'Rim', share: 0.3 },
  ],
};

describe('taking pieces in', () => {
  it('needs a thickness', () => {
    expect(takenAs({ ...freshTakeIn('fair'), thicknessMm: undefined })).toBeUndefined();
    expect(takenAs(freshTakeIn('fair'))).toEqual({
      kind: 'eva-foam',
      thicknessMm: 6,
      inner: true,
      event: 'fair',
    });
    expect(takenAs(freshTakeIn())).not.toHaveProperty('event');
  });
  it('asks a look for every name of a zone once', () =>
    expect(zoneNamesOf([zoned, { ...zoned, id: 'b' }, { ...zoned, id: 'c', zones: undefined }])).toEqual([
      'Main',
      'Rim',
    ]));
  it('writes the steps of the looks that are chosen, zone by zone', () => {
    const [look] = shippedLooks;
    const chosen = sure(look, 'a look');
    const byId = (id: string) => (id === chosen.id ? chosen : undefined);
    expect(withLooks(build, zoned, {}, byId)).toBe(zoned);
    const one = withLooks(build, zoned, { Rim: chosen.id }, byId);
    expect(one.steps.some(({ kind, zones }) => kind === 'base' && zones?.includes('rim'))).toBe(true);
    const { zones: _zones, ...plain } = zoned;
    expect(withLooks(build, plain, { Main: chosen.id }, byId).steps.length).toBeGreaterThan(3);
  });
});
