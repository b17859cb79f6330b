import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { planBuild } from '../schedule/answers/planBuild';
import { epochMinute, toWallTime } from './wallTime';
import { parseBuild, parseBuildText } from '../materials/parseBuild';
import { shiftBuild } from './shiftBuild';

const authoredAt = '2027-02-20T19:30';
const parsed = parseBuildText(readFileSync(join(__dirname, '../../../../demo/orrery-courier.json'), 'utf8'));
const demo = parsed.ok ? parsed.value : undefined;

describe('shiftBuild', () => {
  it('changes nothing when it is that day', () => {
    expect(shiftBuild(demo!, authoredAt, epochMinute(authoredAt, 'Europe/Lisbon'))).toEqual(demo);
  });

  // A week of load days, one in the small hours, one over the change to summer time.
  it.each([
    '2026-11-24T10:15',
    '2026-11-25T23:50',
    '2026-11-26T00:20',
    '2026-11-27T12:00',
    '2026-11-28T19:30',
    '2026-11-29T08:00',
    '2026-11-30T21:00',
    '2027-03-22T19:30',
  ])('keeps the story when loaded at %s: day six, one piece late, one drying', (loadedAt) => {
    const now = epochMinute(loadedAt, 'Europe/Lisbon');
    const moved = shiftBuild(demo!, authoredAt, now);
    expect(parseBuild(moved)).toMatchObject({ ok: true });
    // Up to five in the morning it is still the evening before.
    const day = toWallTime(now - 300, 'Europe/Lisbon').slice(0, 10);
    expect((Date.parse(day) - Date.parse(moved.start.slice(0, 10))) / 86_400_000).toBe(5);
    expect(moved.log!.every((entry) => epochMinute(entry.doneAt, 'Europe/Lisbon') <= now)).toBe(true);
    const plan = planBuild(moved, { now, latestStarts: false });
    expect(plan.pieces.filter((piece) => piece.readiness === 'late').map((piece) => piece.pieceId)).toEqual([
      'baton',
    ]);
    expect(plan.units.get('gorget/1')!.top('outer:rings')!.milestones.recoat[0]!.from).toBeGreaterThan(now);
  });
});
