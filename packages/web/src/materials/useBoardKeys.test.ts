/** @jest-environment jsdom */
import { cellBeside } from './useBoardKeys';

// Two columns and a head: the last verdict of the second row has not come yet.
document.body.innerHTML = `<table>
  <tr><td></td><th>over 1</th><th>over 2</th></tr>
  <tr><th>under 1</th><td><button id="a"></button></td><td><button id="b"></button></td></tr>
  <tr><th>under 2</th><td><button id="c"></button></td><td></td></tr>
</table>`;
const table = document.querySelector('table')!;

it.each([
  ['a', 'ArrowRight', 'b'],
  ['b', 'ArrowLeft', 'a'],
  ['a', 'ArrowDown', 'c'],
  ['c', 'ArrowUp', 'a'],
  ['b', 'Home', 'a'],
  ['a', 'End', 'b'],
  // The edges of the board, its heads, and what has not come yet.
  ['a', 'ArrowLeft', undefined],
  ['a', 'ArrowUp', undefined],
  ['c', 'ArrowDown', undefined],
  ['b', 'ArrowDown', undefined],
  ['a', 'x', undefined],
])('from %s %s leads to %s', (from, key, to) => {
  expect(cellBeside(table, document.getElementById(from)!, key)?.id).toBe(to);
});
