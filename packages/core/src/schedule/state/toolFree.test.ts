import { planBuild } from '../answers/planBuild';
import type { Build, Piece } from '../../model/schema';
import { checkPlan, toolFaults } from '../../testing/checkPlan';
import { withProofs } from '../answers/whyLater';
import { sure } from '../../model/sure';
import { toWallTime } from '../../model/wallTime';
import { firstLeft } from './toolFree';

describe('firstLeft', () => {
  const one = [{ from: 100, to: 160 }];
  it.each([
    ['is at once where it ends as the other begins', 60, 60],
    ['waits by one minute of overlap until the other is clean', 61, 160],
    ['waits inside the use', 120, 160],
    ['is at once when the other is clean', 160, 160],
  ])('%s', (_what, from, expected) => {
    expect(firstLeft(one, 1, from, 40)).toBe(expected);
  });

  it('leaves the second of two tools to a second, and none to a third', () => {
    expect(firstLeft(one, 2, 120, 40)).toBe(120);
    // Two hold both from 120 to 160.
    expect(firstLeft([...one, { from: 120, to: 200 }], 2, 100, 40)).toBe(160);
    // One after the other they hold one of them.
    expect(firstLeft([...one, { from: 160, to: 200 }], 2, 100, 100)).toBe(100);
  });
});

/** A piece with nothing but one coat by airbrush. */
const sprayed = (n: number): Piece => ({
  id: `piece${n}`,
  name: `Piece ${n}`,
  quantity: 1,
  substrate: { kind: 'eva-foam', thicknessMm: 5 },
  faces: { outer: { areaCm2: 1000 } },
  steps: [
    { id: 'coat', kind: 'base', material: 'airbrush-acrylic', method: 'airbrush', colour: `#00000${n}` },
  ],
});

/** Two people at the bench on one evening, and two colours to spray: 10 min to set up, 6 min at 1 m² an hour, 15 min to clean. */
const build = (tools?: Build['tools']): Build => ({
  format: 'fixatum-build/1',
  name: 'Two at the bench',
  timeZone: 'Europe/Berlin',
  start: '2027-02-16T19:00',
  events: [],
  people: ['a', 'b'].map((id) => ({
    id,
    name: id,
    availability: [{ days: ['tue'], from: '19:00', to: '22:00' }],
  })),
  places: [
    {
      id: 'room',
      name: 'Room',
      ventilation: 'extraction',
      slots: 8,
      climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
    },
  ],
  pieces: [sprayed(1), sprayed(2)],
  ...(tools ? { tools } : {}),
});

const startsOf = (planned: Build) => {
  const plan = planBuild(planned, { search: { starts: 'all', iterations: 40 } });
  return {
    plan,
    starts: plan.operations
      .map(({ start }) => toWallTime(sure(start, 'a place'), planned.timeZone).slice(11))
      .sort(),
  };
};

describe('one airbrush', () => {
  it('is in one pair of hands at a time, which a second airbrush changes', () => {
    const alone = startsOf(build());
    expect(checkPlan(build(), alone.plan)).toEqual([]);
    // The second colour goes on from the first with a rinse, or in other hands once it is clean; never beside it.
    expect(alone.starts[0]).toBe('19:00');
    expect(alone.starts[1]).not.toBe('19:00');
    const { operations } = alone.plan;
    const beside = operations.map((one) => ({ ...one, personId: one.pieceId, start: 0, end: 60 }));
    expect(toolFaults(build(), beside)).toHaveLength(2);
    expect(toolFaults(build({ airbrush: 2 }), beside)).toEqual([]);
  });

  it('keeps the second of two people waiting until it is clean, and says so', () => {
    // Each does their own piece: who does which is pinned by whose evening it is.
    const apart = build();
    const late = { ...apart, people: apart.people.map((one, n) => ({ ...one, availability: [evening(n)] })) };
    const first = planBuild(late, { search: { starts: 'first' } });
    expect(checkPlan(late, first)).toEqual([]);
    const both = planBuild({ ...late, tools: { airbrush: 2 } }, { search: { starts: 'first' } });
    const begin = (plan: typeof first) =>
      plan.operations.map(({ start }) => toWallTime(sure(start, 'a place'), late.timeZone).slice(11)).sort();
    // a has room for one; b could begin at 19:10, and with one airbrush once it is clean.
    expect(begin(both)).toEqual(['19:00', '19:10']);
    expect(begin(first)).toEqual(['19:00', '19:31']);
  });
});

/** Room for one pass of 31 minutes each. */
const evening = (n: number): Build['people'][number]['availability'][number] => ({
  days: ['tue'],
  from: n === 0 ? '19:00' : '19:10',
  to: n === 0 ? '19:35' : '20:10',
});

it('says that a pass waits for the tool', () => {
  const many = build();
  const long: Build = {
    ...many,
    pieces: [1, 2].map((n) => ({ ...sprayed(n), faces: { outer: { areaCm2: 15_000 } } })),
    people: many.people.map((one) => ({
      ...one,
      availability: [{ days: ['tue'] as const, from: '19:00', to: '21:10' }].map((rule) => ({
        ...rule,
        days: [...rule.days],
      })),
    })),
  };
  // 10 + 90 + 15 = 115 of 130 min: both could do one each at once, one airbrush puts the second off by a week.
  const plan = planBuild(long, { search: { starts: 'first' } });
  const [, second] = withProofs(plan).sort((a, b) => (a.start ?? 0) - (b.start ?? 0));
  expect(second?.waitsFor?.why ?? second?.boundBy).toBe('tool');
});
