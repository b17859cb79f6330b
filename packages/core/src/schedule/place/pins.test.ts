import { epochMinute } from '../../model/wallTime';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from '../answers/planBuild';
import { warmFrom } from '../search/warmStart';

// Two people; b is sanded from five to eight on, set up in 2 min: going on from that would save a a set-up, and put it off by some minutes.
it('a pinned pass begins when it is pinned to, whatever set-up it could share a few minutes later', () => {
  const evening = [{ days: ['mon' as const], from: '19:00', to: '22:00' }];
  const build = sampleBuild({
    start: '2027-02-15T18:00',
    people: ['ina', 'tom'].map((id) => ({ id, name: id, availability: evening })),
    pieces: ['a', 'b'].map((id) =>
      samplePiece({ id, name: id }, [{ id: 's', kind: 'sand', method: 'sand', minutes: 15 }]),
    ),
    pins: [
      { operation: 'b/1/s/1/-', at: '2027-02-15T19:55' },
      { operation: 'a/1/s/1/-', at: '2027-02-15T20:00' },
    ],
  });
  const { operations } = planBuild(build, { latestStarts: false });
  const startOf = (piece: string) => operations.find(({ pieceId }) => pieceId === piece)?.start;
  expect(startOf('b')).toBe(epochMinute('2027-02-15T19:55', 'UTC'));
  expect(startOf('a')).toBe(epochMinute('2027-02-15T20:00', 'UTC'));
});

it('what was planned for that time makes way for a pin', () => {
  const build = sampleBuild({
    start: '2027-02-15T18:00',
    people: [
      {
        id: 'ina',
        name: 'Ina',
        availability: [{ days: ['mon', 'tue'], from: '19:00', to: '22:00' }],
      },
    ],
    pieces: ['a', 'b'].map((id) =>
      samplePiece({ id, name: id }, [{ id: 's', kind: id === 'a' ? 'prep' : 'inspect', minutes: 30 }]),
    ),
  });
  const before = planBuild(build, { latestStarts: false });
  const order = [...before.operations].sort((one, other) => one.start! - other.start!);
  const [first, second] = order;
  expect(first?.start).toBe(epochMinute('2027-02-15T19:00', 'UTC'));
  // The second, half an hour later in the plan, is pinned to ten minutes past seven, where the first is at work.
  const after = planBuild(
    { ...build, pins: [{ operation: second!.id, at: '2027-02-15T19:10' }] },
    { latestStarts: false, search: { warm: warmFrom(before), keep: true, starts: 'none' } },
  );
  const startOf = (id: string) => after.operations.find((one) => one.id === id)?.start;
  expect(startOf(second!.id)).toBe(epochMinute('2027-02-15T19:10', 'UTC'));
  expect(startOf(first!.id)).toBe(epochMinute('2027-02-15T19:40', 'UTC'));
});
