/**
 * @jest-environment jsdom
 */
import { passBeside } from './usePassKeys';

/** Lanes of passes, each at a place along time. */
function chart(...rows: Record<string, number>[]): HTMLElement {
  const lanes = document.createElement('div');
  for (const row of rows) {
    const lane = document.createElement('div');
    for (const [id, left] of Object.entries(row)) {
      const pass = document.createElement('button');
      pass.dataset.pass = id;
      Object.defineProperty(pass, 'offsetLeft', { value: left });
      lane.append(pass);
    }
    lanes.append(lane);
  }
  return lanes;
}
const lanes = chart({ b: 60, a: 10, c: 200 }, {}, { d: 150, e: 40 });
const from = (id: string, key: string) =>
  passBeside(lanes, lanes.querySelector<HTMLElement>(`[data-pass=${id}]`)!, key)?.dataset.pass;

describe('from pass to pass', () => {
  it.each([
    ['a', 'ArrowRight', 'b'],
    ['b', 'ArrowRight', 'c'],
    ['c', 'ArrowRight', undefined],
    ['b', 'ArrowLeft', 'a'],
    ['a', 'ArrowLeft', undefined],
    ['b', 'End', 'c'],
    ['b', 'Home', 'a'],
    // The row between has no pass.
    ['b', 'ArrowDown', 'e'],
    ['c', 'ArrowDown', 'd'],
    ['d', 'ArrowUp', 'c'],
    ['e', 'ArrowUp', 'b'],
    ['a', 'ArrowUp', undefined],
    ['a', 'x', undefined],
  ])('%s, %s: %s', (id, key, to) => expect(from(id, key)).toBe(to));
});
