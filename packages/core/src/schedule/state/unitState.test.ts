import { catalogueById } from '../../materials/catalogue';
import { entryOf } from '../../model/sure';
import { climateSeries } from '../../drying/climateSeries';
import { placeAirOf, type PlaceAir } from '../../drying/placeAir';
import type { Operation } from '../plan/operations';
import { UnitState } from './unitState';

const room: PlaceAir = placeAirOf(
  'room',
  climateSeries({ kind: 'constant', temperatureC: 21, humidityPct: 50 }, 'UTC'),
  0,
);
const coat = (id: string, changes: Partial<Operation> = {}) =>
  ({
    id,
    stepId: id,
    material: entryOf(catalogueById, 'flex-acrylic'),
    filmFactor: 1,
    wetUm: 60,
    air: 'still',
    cells: ['outer:whole'],
    ...changes,
  }) as unknown as Operation;

describe('what lies on a unit while a plan is made', () => {
  it('lies in the order it was laid, whatever order it was told in', () => {
    const unit = new UnitState();
    unit.lay(coat('second'), 600, room);
    unit.lay(coat('first'), 100, room);
    unit.lay(coat('third'), 900, room);
    expect(unit.cells.get('outer:whole')!.map(({ stepId }) => stepId)).toEqual(['first', 'second', 'third']);
    expect(unit.top('outer:whole')!.coat.stepId).toBe('third');
  });

  it('is bare where nothing was laid, and glue-free work lays nothing', () => {
    const unit = new UnitState();
    unit.lay(coat('sand', { material: undefined }), 100, room);
    expect([unit.dry('outer:whole'), unit.top('outer:whole')]).toEqual([undefined, undefined]);
    expect(unit.latest(['outer:whole'], (stack) => stack.handleAt)).toBe(-Infinity);
  });

  it('looked at as of a moment has neither what was laid later nor where it stood later', () => {
    const unit = new UnitState();
    unit.lay(coat('first'), 100, room);
    const alone = unit.dry('outer:whole')!.coats[0]!.packAt;
    unit.lay(coat('second', { filmFactor: 2 }), 400, room);
    expect(unit.asOf('outer:whole', 399)!.coats.map(({ packAt }) => packAt)).toEqual([alone]);
    expect(unit.asOf('outer:whole', 99)).toBeUndefined();
    expect(unit.dry('outer:whole')!.coats).toHaveLength(2);
  });

  it('comes back whole from a copy that was gone on with', () => {
    const unit = new UnitState();
    unit.lay(coat('first'), 100, room);
    const before = unit.dry('outer:whole')!.packAt;
    const copy = unit.clone();
    copy.lay(coat('second'), 300, room);
    expect(copy.cells.get('outer:whole')).toHaveLength(2);
    expect(unit.cells.get('outer:whole')).toHaveLength(1);
    expect(unit.dry('outer:whole')!.packAt).toBe(before);
  });

  it('tells when it could be handled with one more coat, without laying it', () => {
    const unit = new UnitState();
    unit.lay(coat('first'), 100, room);
    const asked = unit.handleAfter(coat('second'), 500, room);
    expect(unit.cells.get('outer:whole')).toHaveLength(1);
    unit.lay(coat('second'), 500, room);
    expect(unit.dry('outer:whole')!.handleAt).toBe(asked);
  });

  it('gives its spots with their coats and how they dry, and only those that have some', () => {
    const unit = new UnitState();
    unit.lay(coat('both', { cells: ['outer:rim', 'inner:rim'] }), 100, room);
    unit.lay(coat('one', { cells: ['outer:rim'] }), 500, room);
    expect(
      [...unit.stacks()].map(([cell, coats, stack]) => [cell, coats.length, stack.coats.length]),
    ).toEqual([
      ['outer:rim', 2, 2],
      ['inner:rim', 1, 1],
    ]);
  });

  it('takes a touch test as one of the coat that was newest where it was made', () => {
    // Flexible acrylic is touch-dry after 15 min at label air; dry after 9 is three fifths of that.
    const unit = new UnitState();
    unit.lay(coat('first'), 100, room);
    const touch = entryOf(catalogueById, 'flex-acrylic').touch!;
    const lessons = unit.correct({}, 100 + 0.6 * touch, 'dry');
    expect(lessons.map(({ factor, untested }) => [Math.round(factor * 100) / 100, untested])).toEqual([
      [0.6, 1],
    ]);
    // Never believed beyond a fifth of the label's time.
    const other = new UnitState();
    other.lay(coat('first'), 100, room);
    other.correct({}, 100.1, 'dry');
    expect(other.cells.get('outer:whole')![0]!.timeFactor).toBe(0.2);
    // A step that is not on top teaches nothing.
    expect(other.correct({ step: 'other' }, 101, 'dry')).toEqual([]);
  });
});
