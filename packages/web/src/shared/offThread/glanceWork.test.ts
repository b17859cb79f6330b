import { epochMinute, type Build } from '@fixatum/core';
import { smallBuild } from '../../testing/smallBuild';
import { glances, MOST_GLANCE_ROWS } from './glanceWork';

const NOW = epochMinute('2027-02-15T08:00', 'UTC');
const one = (id: string, build: Build) => ({ id, build, plan: undefined });
const look = (builds: Build[]) =>
  glances({ builds: builds.map((build, at) => one(`b${at}`, build)), now: NOW, readings: {} });

describe('a build at a glance', () => {
  it('is planned in what the builds before it leave, as on its own screen', () => {
    const alone = look([smallBuild()])['b0']!;
    const both = look([smallBuild(), smallBuild()]);
    expect(alone.next).toMatchObject({ isUnderway: false });
    expect(both['b0']).toEqual(alone);
    // The same person has the same work to do twice: the second begins when the first leaves off.
    expect(both['b1']!.next!.at).toBeGreaterThan(alone.next!.at);
    expect(both['b1']!.next!.words).toBe(alone.next!.words);
  });

  it('shows the first few pieces, those that are late before all others, and counts the rest', () => {
    const build = smallBuild();
    const [piece] = build.pieces;
    const pieces = Array.from({ length: 8 }, (_, n) => ({ ...piece!, id: `p${n}`, name: `Piece ${n}` }));
    // The last of them is worn before it can be dry.
    const soon = { id: 'soon', name: 'Soon', wearAt: '2027-02-15T08:30' };
    pieces[7] = { ...pieces[7]!, event: 'soon' };
    const seen = look([{ ...build, pieces, events: [...build.events, soon] }])['b0']!;
    expect(MOST_GLANCE_ROWS).toBe(6);
    expect(seen.rows).toHaveLength(6);
    expect(seen.more).toBe(2);
    expect(seen.rows[0]).toMatchObject({ name: 'Piece 7', readiness: 'late' });
    expect(seen.late).toBeGreaterThanOrEqual(1);
  });

  it('says nothing is next where no work is left', () => {
    const build = smallBuild();
    expect(look([{ ...build, pieces: [] }])['b0']!.next).toBeUndefined();
  });
});
