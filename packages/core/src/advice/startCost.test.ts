import { planBuild } from '../schedule/answers/planBuild';
import { epochMinute } from '../model/wallTime';
import { lay, logged, plate } from '../testing/ruleCases';
import type { Step } from '../model/schema';
import { startCost } from './startCost';

const at = (wall: string) => epochMinute(wall, 'UTC');
const seal = lay('seal', 'seal', 'pva-flex-primer', { method: 'brush' });
const paint = lay('paint', 'base', 'craft-acrylic', { method: 'brush', colour: '#446688' });

describe('startCost', () => {
  it('is nothing for what is begun when it is planned', () => {
    const build = plate([seal, paint]);
    const plan = planBuild(build, { latestStarts: false });
    expect(startCost(build, plan, ['plate/1/seal/1/outer'], plan.now)).toEqual({ later: [], findings: [] });
  });

  it('tells what the rules say of a coat that is begun too soon', () => {
    // PVA primer takes the next coat after 45 min: begun after 5, with some minutes of work, it is far too soon.
    const build = plate([seal, paint], {}, { log: [logged('seal', '09:00')] });
    const plan = planBuild(build, { now: at('2027-02-15T09:05'), latestStarts: false });
    const cost = startCost(build, plan, ['plate/1/paint/1/outer'], plan.now);
    expect(cost.findings.map(({ rule, severity, step }) => [rule, severity, step])).toEqual([
      ['R08', 'stop', 'paint'],
    ]);
    // It is only tried, and not spoken of as done.
    expect(cost.findings[0]?.message).toMatch(
      /^Craft acrylic goes on before the Flexible PVA foam primer below is recoatable \(/,
    );
  });

  it('tells of a filler that is sanded wet, and of tape on paint that is not tape-safe', () => {
    const fill = lay('fill', 'fill', 'foam-filler-paste', { method: 'brush' });
    const sand: Step = { id: 'sand', kind: 'sand', method: 'sand' };
    const mask: Step = { id: 'mask', kind: 'mask' };
    for (const [steps, begun, expected] of [
      [
        [fill, sand],
        'sand',
        ['R11', 'stop', /^It is sanded before the filler is dry through \(.* too early: it needs /],
      ],
      [
        [paint, mask],
        'mask',
        ['R16', 'stop', /^The tape goes on before the paint below is tape-safe \(.* too early: it needs /],
      ],
    ] as const) {
      const first = steps[0];
      const build = plate([...steps], {}, { log: [logged(first.id, '09:00')] });
      const plan = planBuild(build, { now: at('2027-02-15T09:05'), latestStarts: false });
      const ids = plan.operations.filter(({ stepId }) => stepId === begun).map(({ id }) => id);
      expect(ids).toHaveLength(1);
      const { findings } = startCost(build, plan, ids, plan.now);
      expect(findings.map(({ rule, severity, message }) => [rule, severity, message])).toEqual([
        [expected[0], expected[1], expect.stringMatching(expected[2])],
      ]);
      // As planned, when it is dry, there is nothing to say.
      const then = plan.operations.find(({ id }) => id === ids[0])!.start!;
      expect(
        startCost(build, planBuild(build, { now: then, latestStarts: false }), ids, then).findings,
      ).toEqual([]);
    }
  });

  it('tells by how much a piece is later when a coat is begun that shuts a window for days', () => {
    // Alkyd takes the next coat from 15 to 60 min after, and then not before 48 h: begun at the end of the evening, when nobody has
    // an hour left for the second coat, it waits two days.
    const alkyd = lay('a', 'base', 'alkyd-gloss-spray', { coats: 2, film: 'normal', minutes: 20 });
    const build = plate([alkyd]);
    build.people[0]!.availability = [
      { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '19:00', to: '21:00' },
    ];
    build.pins = [{ operation: 'plate/1/a/1/outer', at: '2027-02-16T19:00' }];
    const plan = planBuild(build, { now: at('2027-02-15T20:30'), latestStarts: false });
    const cost = startCost(build, plan, ['plate/1/a/1/outer'], plan.now);
    // As planned both coats go on Tuesday at seven; begun now the second has to wait 48 h from Monday
    // 20:55, which ends after the evening of Wednesday: Thursday, two days later, less what the evening had begun by then.
    expect(cost.later).toEqual([expect.objectContaining({ pieceId: 'plate', missesDate: false })]);
    expect(cost.later[0]!.byMinutes).toBeGreaterThan(46 * 60);
    expect(cost.later[0]!.byMinutes).toBeLessThan(48 * 60);
  });
});
