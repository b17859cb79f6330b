import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { toWallTime } from '../../model/wallTime';
import type { Build, Step } from '../../model/schema';
import { planBuild } from '../answers/planBuild';

const primed: Step = { id: 's', kind: 'seal', material: 'pva-flex-primer', method: 'brush' };

/** A plate that is primed and then painted, in a room where people are free all day; the last fields are the paint's. */
const painted = (more: Partial<Step>, build: Partial<Build> = {}, first: Step = primed) => {
  const made = sampleBuild({
    events: [{ id: 'day', name: 'The day', wearAt: '2027-03-26T09:00' }],
    pieces: [
      samplePiece({}, [
        first,
        { id: 'p', kind: 'base', material: 'craft-acrylic', method: 'brush', colour: '#446688', ...more },
      ]),
    ],
    ...build,
  });
  return planBuild(made, { latestStarts: false, search: { starts: 'first' } }).operations.map((one) =>
    [one.start!, one.laidAt!].map((minute) => toWallTime(minute, 'UTC')),
  );
};

it('what lies there is left as long as it says', () => {
  // Three minutes of set-up, two of brushing: primed by 08:05. Ten hours on it is 18:05; a day on, 08:05 of the 16th; the three
  // minutes of the next set-up go before.
  expect(painted({})[0]![1]).toBe('2027-02-15T08:05');
  expect(painted({ waitFor: 'night' })[1]![0]).toBe('2027-02-15T18:02');
  expect(painted({ waitFor: 'day' })[1]![0]).toBe('2027-02-16T08:02');
});

it('a day is longer where what lies there is still too soft to hold', () => {
  // It can be handled 1,500 min after 08:05, in the air of the label: 09:05 of the 16th.
  const slow = { materials: [{ id: 'slow', extends: 'pva-flex-primer', name: 'Slow', handle: 1500 }] };
  const first = { id: 's', kind: 'seal', material: 'slow', method: 'brush' } as const;
  expect(painted({ waitFor: 'day' }, slow, first)[1]![0]).toBe('2027-02-16T09:02');
});
