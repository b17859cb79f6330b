import type { Build, PatchStep } from '@fixatum/core';
import { KnownBuild, type SaidOfBuild } from './knownBuild';
import { smallBuild } from '../testing/smallBuild';

const build: Build = smallBuild();
const whole = (version: number, id = 'b1'): SaidOfBuild => ({
  id,
  version,
  pieceEtags: { plate: '"1"', bracer: '"1"' },
  build,
});
const news = (since: number, version: number, ...change: PatchStep[]): SaidOfBuild => ({
  id: 'b1',
  version,
  since,
  change,
  pieceEtags: { plate: `"${version}"` },
});
const named = (name: string): PatchStep => ({ op: 'replace', path: '/name', value: name });

describe('a build that is known', () => {
  it('is asked for whole the first time, and by its version from then on', async () => {
    const known = new KnownBuild();
    const sent: Record<string, string>[] = [];
    const ask = (said: SaidOfBuild) =>
      known.ask('b1', (headers) => {
        sent.push(headers);
        return Promise.resolve(said);
      });
    expect(await ask(whole(4))).toEqual(whole(4));
    const second = await ask(news(4, 6, named('Another')));
    expect(second).toMatchObject({ id: 'b1', version: 6, build: { ...build, name: 'Another' } });
    // Only the pieces that changed come with their versions.
    expect(second.pieceEtags).toEqual({ plate: '"6"', bracer: '"1"' });
    await ask(news(6, 6));
    expect(sent).toEqual([{}, { 'x-fixatum-have': '4' }, { 'x-fixatum-have': '6' }]);
  });

  it('shares with the next what stayed, and is not changed itself', async () => {
    const known = new KnownBuild();
    const first = await known.ask('b1', () => Promise.resolve(whole(4)));
    const before = JSON.stringify(first);
    const second = await known.ask('b1', () => Promise.resolve(news(4, 5, named('Another'))));
    expect(second.build.pieces).toBe(first.build.pieces);
    expect(JSON.stringify(first)).toBe(before);
  });

  it('is what the server was told when it was asked, whatever came in meanwhile', async () => {
    const known = new KnownBuild();
    await known.ask('b1', () => Promise.resolve(whole(4)));
    let answer: (said: SaidOfBuild) => void = () => undefined;
    const slow = known.ask('b1', () => new Promise<SaidOfBuild>((done) => (answer = done)));
    await known.ask('b1', () => Promise.resolve(news(4, 5, named('Five'))));
    // The slow answer was made later and is of what the slow question had, which was version 4.
    answer(news(4, 6, named('Five'), { op: 'replace', path: '/start', value: '2027-03-01T10:00' }));
    expect((await slow).build).toEqual({ ...build, name: 'Five', start: '2027-03-01T10:00' });
  });

  it('is not mixed up with another build', async () => {
    const known = new KnownBuild();
    await known.ask('b1', () => Promise.resolve(whole(4)));
    await known.ask('b2', (headers) => {
      expect(headers).toEqual({});
      return Promise.resolve(whole(9, 'b2'));
    });
  });

  it('takes no change of a version it has not', async () => {
    const known = new KnownBuild();
    await expect(known.ask('b1', () => Promise.resolve(news(3, 4, named('Lost'))))).rejects.toThrow(
      'another version',
    );
  });
});
