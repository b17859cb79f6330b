import { epochMinute, planView } from '@fixatum/core';
import { smallBuild } from '../testing/smallBuild';
import { airWords, beginByWords, passWords, pieceNames, unitName, withWords, reachedWords } from './words';

const build = smallBuild();
const now = epochMinute('2027-02-15T08:00', 'UTC');
const view = planView(build, { now });
const [first, second] = view.operations;

describe('words', () => {
  it('are as exact about air as is worth saying', () => {
    expect(airWords({ temperatureC: 19, humidityPct: 53.65 })).toBe('19 °C, 54 %');
    expect(airWords({ temperatureC: -0.04, humidityPct: 100 })).toBe('0 °C, 100 %');
  });

  it('name a pass by its step, its coat and what it is laid with', () => {
    expect(passWords(first!)).toBe('Seal, coat 1 of 2');
    expect(passWords({ ...first!, coats: 1, face: 'inner' })).toBe('Seal, inner face');
    expect(withWords(first!)).toBe('Flexible PVA foam primer, normal coat, brush');
  });

  it('number units of a set only', () => {
    expect(unitName(build, 'plate', 1)).toBe('Plate');
    const set = smallBuild({ pieces: [{ ...build.pieces[0]!, quantity: 4 }] });
    expect(unitName(set, 'plate', 3)).toBe('Plate, 3 of 4');
    expect(pieceNames(build, [first!, second!])).toBe('Plate');
  });

  it('say by when a session has to begin, and for what', () => {
    const [plate] = build.pieces;
    const once = smallBuild({ pieces: [{ ...plate!, steps: [{ ...plate!.steps[0]!, coats: 1 }] }] });
    const [session] = planView(once, { now }).sessions;
    // Packable a day after it is laid and packed on Thursday: Tuesday morning still does, to a quarter of an hour, as the
    // 3 min of set-up, a minute of work and 5 min of clean-up end by 12:00.
    expect(beginByWords(build, session)).toBe('Begin by Tue 23 Feb, 11:45 or lose The day (Plate)');
    expect(beginByWords(build, undefined)).toBeUndefined();
    const { beginBy: _none, ...free } = session!;
    expect(beginByWords(build, free)).toBeUndefined();
  });
});

test('a piece without steps is not told that it will never be ready', () => {
  // Noon of 15 February 2027, UTC.
  const noon = Date.UTC(2027, 1, 15, 12) / 60_000;
  expect(reachedWords({ readiness: 'on-time' }, noon, 'UTC')).toBe('Mon 15 Feb, 12:00');
  expect(reachedWords({ readiness: 'stuck' }, undefined, 'UTC')).toBe('never as planned');
  expect(reachedWords({ readiness: 'late' }, Infinity, 'UTC')).toBe('never as planned');
  expect(reachedWords({ readiness: 'no-steps' }, undefined, 'UTC')).toBe('once it has steps');
});
