import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { applyPatch } from '../../materials/applyPatch';
import { parseBuildText } from '../../materials/parseBuild';
import type { Build } from '../../model/schema';
import { judgeBuild } from '../judgeBuild';
import { checkPlan } from '../../testing/checkPlan';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { epochMinute } from '../../model/wallTime';
import { planBuild } from '../../schedule/answers/planBuild';
import { rescueBuild } from './rescue';
import { warmFrom } from '../../schedule/search/warmStart';
import { whatChanged } from '../../schedule/answers/whatChanged';

/** Two coats of craft acrylic that are packable a few hours too late. */
function late(): Build {
  const build = sampleBuild({
    pieces: [
      samplePiece({}, [
        { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', film: 'light' },
        { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush' },
        { id: 'edges', kind: 'weather', material: 'oil-wash', method: 'brush', optional: true },
      ]),
      samplePiece({ id: 'other', name: 'Other' }, [
        { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', film: 'light' },
      ]),
    ],
  });
  build.places[0]!.ventilation = 'extraction';
  build.events = [{ id: 'day', name: 'The day', packAt: '2027-02-18T12:00', wearAt: '2027-02-20T12:00' }];
  return build;
}

describe('rescueBuild', () => {
  it('has nothing to offer when nothing is late', () => {
    expect(rescueBuild(sampleBuild())).toEqual({ inTrouble: [], rescues: [] });
  });

  it('looks at a date with a poor chance as at one that is missed', () => {
    expect(rescueBuild(sampleBuild(), { chances: new Map([['plate', 0.5]]), samples: 5 }).inTrouble).toEqual([
      'plate',
    ]);
  });

  it('offers changes that hold: applied and planned they gain the days they say and bring no new stop', () => {
    const build = late();
    const before = planBuild(build, { latestStarts: false });
    expect(before.pieces[0]!.readiness).toBe('late');
    const { inTrouble, rescues } = rescueBuild(build, { samples: 20 });
    expect(inTrouble).toEqual(['plate']);
    expect(rescues.length).toBeGreaterThan(2);
    const stops = (one: Build, plan = planBuild(one, { latestStarts: false })) =>
      judgeBuild(one, plan).filter((finding) => finding.severity === 'stop').length;
    for (const rescue of rescues) {
      const applied = applyPatch(build, rescue.change);
      if (!applied.ok) throw new Error(`${rescue.label} does not fit`);
      const plan = planBuild(applied.value, {
        now: before.now,
        latestStarts: false,
        search: { warm: warmFrom(before), urgent: new Set(rescue.urgent), starts: 'none' },
      });
      expect(rescue.urgent).toEqual(['plate']);
      const ready = (one: typeof plan) => Math.max(one.pieces[0]!.packableAt!, one.pieces[0]!.wearableAt!);
      expect([rescue.label, (ready(before) - ready(plan)) / 1440]).toEqual([
        rescue.label,
        expect.closeTo(rescue.daysGained, 6),
      ]);
      expect(checkPlan(applied.value, plan)).toEqual([]);
      expect(stops(applied.value, plan)).toBeLessThanOrEqual(stops(build, before));
      if (rescue.makesIt) expect(plan.pieces[0]!.readiness).not.toBe('late');
    }
    // An oil wash takes days: leaving it out, or a quicker one, makes the date.
    expect(
      rescues.some((one) => one.makesIt && /Leave out|in place of Thinned oil wash/.test(one.label)),
    ).toBe(true);
    // What makes it comes first.
    const made = rescues.map((one) => one.makesIt);
    expect(made).toEqual([...made].sort((a, b) => Number(b) - Number(a)));
  });

  it('brings a whole costume in with the few changes that takes, which come first', () => {
    const build = late();
    const [plate] = build.pieces;
    // Three pieces with an oil wash that takes days each, and one that is in time.
    build.pieces.splice(
      1,
      0,
      ...['left', 'right'].map((id) => ({ ...structuredClone(plate!), id, name: id })),
    );
    const { inTrouble, rescues } = rescueBuild(build, { samples: 10 });
    expect(inTrouble).toEqual(['plate', 'left', 'right']);
    const [first] = rescues;
    expect([...first!.urgent].sort()).toEqual(['left', 'plate', 'right']);
    expect(first!.makesIt).toBe(true);
    const applied = applyPatch(build, first!.change);
    if (!applied.ok) throw new Error('it does not fit');
    const before = planBuild(build, { latestStarts: false });
    const plan = planBuild(applied.value, {
      now: before.now,
      latestStarts: false,
      search: { warm: warmFrom(before), urgent: new Set(first!.urgent), starts: 'none' },
    });
    expect(plan.pieces.map(({ readiness }) => readiness)).not.toContain('late');
    // The piece that was in time is left as it was.
    expect(applied.value.pieces[3]).toEqual(build.pieces[3]);
  });

  it('tells how far it is and stops when told to', () => {
    let calls = 0;
    const { rescues } = rescueBuild(late(), {
      samples: 5,
      onProgress: () => (calls += 1) < 3,
    });
    expect(calls).toBe(3);
    expect(rescues.length).toBeLessThanOrEqual(3);
  });

  it('saves the late piece of the demo', () => {
    const parsed = parseBuildText(
      readFileSync(join(__dirname, '../../../../../demo/orrery-courier.json'), 'utf8'),
    );
    if (!parsed.ok) throw new Error(parsed.faults[0]!.message);
    const build = parsed.value;
    const { inTrouble, rescues } = rescueBuild(build, {
      now: epochMinute('2027-02-20T19:30', build.timeZone),
      samples: 10,
    });
    expect(inTrouble).toEqual(['baton']);
    expect(rescues[0]).toMatchObject({ makesIt: true });
    expect(rescues[0]!.chance).toBeGreaterThanOrEqual(0.8);
  });
});

describe('planning on', () => {
  it('moves nothing in the coming days that need not move', () => {
    const build = late();
    const before = planBuild(build, { latestStarts: false, search: {} });
    const first = before.operations.find((one) => one.status === 'planned')!;
    const logged: Build = {
      ...build,
      log: [
        {
          id: 'l',
          piece: first.pieceId,
          unit: 1,
          step: first.stepId,
          coat: 1,
          face: 'outer',
          doneAt: '2027-02-15T08:06',
        },
      ],
    };
    const after = planBuild(logged, {
      now: epochMinute('2027-02-15T08:06', 'UTC'),
      latestStarts: false,
      search: { warm: warmFrom(before), keep: true },
    });
    const starts = (plan: typeof before) =>
      new Map(plan.operations.filter((one) => one.status === 'planned').map((one) => [one.id, one.start]));
    // The pass was logged a minute after it was planned to be laid; what hangs on it moves by minutes, nothing else at all.
    for (const [id, start] of starts(after))
      expect(Math.abs(start! - starts(before).get(id)!)).toBeLessThanOrEqual(5);
    expect(whatChanged(logged, before, after, after.now)).toEqual({ atOnce: [], canWait: [] });
  });

  it('moves work of the session at hand up when one is ahead, and leaves other days as they were', () => {
    const plate = (id: string, minutes: number) =>
      samplePiece({ id, name: id }, [{ id: 'p', kind: 'prep', minutes }]);
    const build = sampleBuild({ pieces: ['a', 'b', 'c'].map((id) => plate(id, 54)) });
    // Two evenings of two hours, of which a tenth stays free: a and b today, c tomorrow.
    build.people[0]!.availability = [{ days: ['mon', 'tue'], from: '19:00', to: '21:00' }];
    const before = planBuild(build, { latestStarts: false });
    const [first, second, third] = [...before.operations].sort((x, y) => x.start! - y.start!);
    const logged: Build = {
      ...build,
      log: [{ id: 'l', piece: first!.pieceId, unit: 1, step: 'p', coat: 1, doneAt: '2027-02-15T19:20' }],
    };
    const after = planBuild(logged, {
      now: epochMinute('2027-02-15T19:20', 'UTC'),
      latestStarts: false,
      search: { warm: warmFrom(before), keep: true, starts: 'none' },
    });
    const start = (id: string) => after.operations.find((one) => one.id === id)!.start;
    expect(start(second!.id)).toBe(epochMinute('2027-02-15T19:20', 'UTC'));
    expect(start(third!.id)).toBe(third!.start);
  });

  it('takes what stands on the shelf where what was ordered comes too late, metal for metal and in its colour', () => {
    const tin = (material: string, more: object = {}) => ({
      id: material,
      material,
      containerMl: 120,
      remainingMl: 100,
      levelAt: '2027-02-15T07:00',
      ...more,
    });
    const build = sampleBuild({
      pieces: [
        samplePiece({ substrate: { kind: 'wood', thicknessMm: 6 } }, [
          { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush', colour: '#445566' },
          { id: 'clear', kind: 'topcoat', material: 'satin-varnish', method: 'brush' },
        ]),
      ],
      stock: [
        tin('craft-acrylic'),
        tin('satin-varnish', { arrivesOn: '2027-03-05' }),
        tin('matte-varnish'),
        tin('gloss-varnish', { remainingMl: 0 }),
      ],
    });
    const { inTrouble, rescues } = rescueBuild(build, { samples: 5 });
    expect(inTrouble).toEqual(['plate']);
    const said = rescues.flatMap(({ parts }) => parts).filter((part) => part.includes('on the shelf'));
    expect(said).toContain('Matte acrylic varnish, which is on the shelf, in place of Satin acrylic varnish');
    expect(said.some((part) => part.startsWith('Gloss'))).toBe(false);
    const own = rescues.find(({ parts }) =>
      parts[0]?.startsWith('Matte acrylic varnish, which is on the shelf'),
    )!;
    expect(own.cost.buys).toEqual([]);
  });

  it('says in three lines at most what a slip changes', () => {
    const build = late();
    const before = planBuild(build, { latestStarts: false });
    const after = planBuild(build, { now: epochMinute('2027-02-16T21:00', 'UTC'), latestStarts: false });
    const { atOnce, canWait } = whatChanged(build, before, after, after.now);
    const lines = [...atOnce, ...canWait];
    expect(lines.length).toBeGreaterThan(0);
    expect(lines.length).toBeLessThanOrEqual(3);
    expect(lines.join()).toMatch(/Plate, (seal|base colour)/);
    // Back again, it is said the other way round.
    const made = rescueBuild(build, { samples: 5 }).rescues[0]!;
    const applied = applyPatch(build, made.change);
    if (!applied.ok) throw new Error('does not fit');
    expect(
      whatChanged(build, before, planBuild(applied.value, { latestStarts: false }), before.now).atOnce[0],
    ).toBe('Plate is in time again');
  });
});
