import type { Build, Step } from '../../model/schema';
import { epochMinute } from '../../model/wallTime';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from '../answers/planBuild';

const at = (clock: string) => epochMinute(`2027-02-15T${clock}`, 'UTC');
const doable = (build: Build, clock: string) => planBuild(build, { now: at(clock) }).doableNow;
const one = (steps: Step[], changes: Partial<Build> = {}): Build =>
  sampleBuild({ pieces: [samplePiece({}, steps)], ...changes });
const airbrush: Step = {
  id: 'prime',
  kind: 'prime',
  material: 'acrylic-pu-primer-black',
  method: 'airbrush',
};

describe('what can be done now', () => {
  it('is what comes next, whether or not somebody was planned to be free', () => {
    expect(doable(one([airbrush]), '09:00')).toEqual(['plate/1/prime/1/outer']);
    const nobody = sampleBuild().people.map((person) => ({
      ...person,
      availability: [{ days: ['sun' as const], from: '08:00', to: '22:00' }],
    }));
    expect(doable(one([airbrush], { people: nobody }), '09:00')).toEqual(['plate/1/prime/1/outer']);
  });

  it('is nothing loud in quiet hours, and nothing that would run into them', () => {
    const quiet = one([airbrush], { quiet: { from: '20:00', to: '08:00' } });
    expect(doable(quiet, '19:00')).toHaveLength(1);
    // 10 min to set up, 4 to lay, 15 to clean: from 19:40 on it ends after eight.
    expect(doable(quiet, '19:40')).toEqual([]);
    expect(doable(quiet, '20:30')).toEqual([]);
    const brushed = { ...airbrush, method: 'brush' as const };
    expect(doable({ ...quiet, pieces: [samplePiece({}, [brushed])] }, '20:30')).toHaveLength(1);
  });

  it('is no coat for which the rack has no place', () => {
    const [room] = sampleBuild().places;
    const slow: Step = { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' };
    const build = sampleBuild({
      places: [{ ...room!, slots: 1 }],
      pieces: [samplePiece({}, [slow]), samplePiece({ id: 'other', name: 'Other' }, [slow])],
      log: [
        {
          id: 'l',
          piece: 'plate',
          unit: 1,
          step: 'seal',
          coat: 1,
          face: 'outer',
          doneAt: '2027-02-15T09:00',
        },
      ],
    });
    // It can be handled after 60 min by its label: until 10:00 it takes the only place.
    expect(doable(build, '09:10')).toEqual([]);
    expect(doable(build, '10:00')).toEqual(['other/1/seal/1/outer']);
  });

  it('is no coat in air that turns bad before it is touch-dry', () => {
    const [room] = sampleBuild().places;
    const hours = [21, 21, 5, 5, 5, 5, 5, 5, 5, 5];
    const cold: Build = one([{ id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush' }], {
      places: [
        {
          ...room!,
          climate: {
            kind: 'hourly',
            start: '2027-02-15T08:00',
            temperatureC: hours,
            humidityPct: hours.map(() => 50),
          },
        },
      ],
    });
    expect(doable(cold, '08:10')).toHaveLength(1);
    // Touch-dry after 20 min: from 09:40 on it is still wet when the cold comes at ten.
    expect(doable(cold, '09:40')).toEqual([]);
  });
});
