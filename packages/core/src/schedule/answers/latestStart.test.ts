import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { planBuild } from './planBuild';

/** One or more coats of craft acrylic on a plate that has to be packed on Fri 5 Mar, 18:00. */
const coats = (count: number) =>
  samplePiece({}, [{ id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush', coats: count }]);
const deadlines = (build: ReturnType<typeof sampleBuild>, now?: string) =>
  planBuild(build, now === undefined ? {} : { now: epochMinute(now, 'UTC') }).sessions.map(
    ({ beginBy }) => beginBy && toWallTime(beginBy.at, 'UTC'),
  );

describe('the last moment to begin', () => {
  it('leaves the last coat its two days to be packable', () => {
    const plan = planBuild(sampleBuild({ pieces: [coats(1)] }));
    // Packable 2880 min after it is laid, so laid by Wed 3 Mar, 18:00; 3 min set-up and 2 min work before that are
    // 17:55; to a quarter of an hour from 08:00 on: 17:45.
    expect(toWallTime(plan.pieces[0]!.latestStartAt!, 'UTC')).toBe('2027-03-03T17:45');
    expect(plan.sessions[0]!.beginBy).toEqual({
      at: epochMinute('2027-03-03T17:45', 'UTC'),
      pieceId: 'plate',
    });
  });

  it('is told for every session, what comes before being done as planned', () => {
    const build = sampleBuild({ pieces: [coats(2)] });
    build.people[0]!.availability[0]!.to = '08:30';
    // Half an hour a day holds one coat, and the next goes on the day after. The last one has to be on by Wed 3 Mar, in
    // its half hour: from 08:15 on 10 min of work still fit. The first one a day before that.
    expect(deadlines(build)).toEqual(['2027-03-02T08:15', '2027-03-03T08:15']);
  });

  it('is that of the piece that has the least time', () => {
    const soon = { ...coats(1), id: 'soon', name: 'Soon', event: 'rehearsal' };
    const build = sampleBuild({ pieces: [coats(1), soon] });
    build.events.push({ id: 'rehearsal', name: 'Rehearsal', wearAt: '2027-02-19T18:00' });
    const [session] = planBuild(build).sessions;
    // Wearable 1440 min after it is laid, with no date to be packed: laid by Thu 18 Feb, 18:00. Both plates share the session and its set-up; the second of
    // them keeps its place 2 min after the first.
    expect(session!.beginBy!.pieceId).toBe('soon');
    expect(toWallTime(session!.beginBy!.at, 'UTC')).toBe('2027-02-18T17:45');
  });

  it('is not told where there is no date, where it is missed anyway, or more than a week ahead', () => {
    const { event: _none, ...undated } = coats(1);
    expect(deadlines(sampleBuild({ pieces: [undated] }))).toEqual([undefined]);
    expect(deadlines(sampleBuild({ pieces: [coats(1)] }), '2027-03-04T08:00')).toEqual([undefined]);
    const far = sampleBuild({ pieces: [coats(1)] });
    far.people[0]!.availability = [{ days: ['sat'], from: '08:00', to: '09:00' }];
    expect(deadlines(far, '2027-02-15T08:00')).toEqual(['2027-02-27T08:45']);
    expect(deadlines({ ...far, start: '2027-02-21T08:00' }, '2027-02-15T08:00')).toEqual([undefined]);
  });
});
