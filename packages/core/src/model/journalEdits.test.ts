import { describe, expect, it } from '@jest/globals';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { applyLogEdit } from './logEdits';
import { changedEntry, editJournal } from './journalEdits';
import type { Build, LogEntry } from './schema';

const by = { at: '2027-02-17T09:00' };
const coat = (more: Partial<LogEntry> = {}): LogEntry => ({
  id: 'one',
  piece: 'plate',
  unit: 1,
  step: 'seal',
  coat: 1,
  face: 'outer',
  doneAt: '2027-02-16T20:10',
  startedAt: '2027-02-16T19:50',
  film: 'normal',
  used: [{ tin: 'pot', ml: 10, bookMl: 8, method: 'brush' }],
  ...more,
});
const buildOf = (log: LogEntry[]): Build => sampleBuild({ pieces: [samplePiece({ quantity: 2 })], log });

describe('an entry that is put right', () => {
  it('says what it said before, when, and on which device', () => {
    const once = changedEntry(coat(), { doneAt: '2027-02-16T20:40', note: 'By lamp.' }, by);
    expect(once).toMatchObject({ doneAt: '2027-02-16T20:40', note: 'By lamp.' });
    expect(once.edits).toEqual([{ at: by.at, was: { doneAt: '2027-02-16T20:10', note: null } }]);
    const twice = changedEntry(once, { note: null }, { at: '2027-02-18T09:00', by: 'Ana’s phone' });
    expect(twice.note).toBeUndefined();
    expect(twice.edits?.[1]).toEqual({
      at: '2027-02-18T09:00',
      by: 'Ana’s phone',
      was: { note: 'By lamp.' },
    });
    expect(changedEntry(once, { note: 'By lamp.' }, by)).toBe(once);
  });

  it('takes out of its tin what its thickness takes; another tin is reckoned again', () => {
    // A light coat is 0.6 of a normal one: 10 ml · 0.6 = 6, and by the book 8 · 0.6 = 4.8.
    const light = changedEntry(coat(), { film: 'light' }, by).used?.[0];
    expect(light?.ml).toBeCloseTo(6, 9);
    expect(light?.bookMl).toBeCloseTo(4.8, 9);
    expect(changedEntry(coat(), { material: 'rubber-dip-spray' }, by)).not.toHaveProperty('used');
    expect(changedEntry(coat(), { place: 'room' }, by).used).toEqual(coat().used);
  });
});

describe('the journal', () => {
  it('loses what is taken out, and nothing else', () => {
    const build = buildOf([coat(), coat({ id: 'two', unit: 2 })]);
    const edited = editJournal(build, { remove: ['one'] }, by);
    expect(edited).toMatchObject({ ok: true, value: { log: [{ id: 'two' }] } });
  });

  it.each([
    [
      'an end before its start',
      { entries: [{ id: 'one', set: { doneAt: '2027-02-16T19:49' } }] },
      'end-before-start',
    ],
    [
      'a start after its end',
      { entries: [{ id: 'one', set: { startedAt: '2027-02-16T20:11' } }] },
      'end-before-start',
    ],
    ['a coat that another entry is', { entries: [{ id: 'two', set: { unit: 1 } }] }, 'logged-already'],
    ['an entry that is gone', { remove: ['none'] }, 'unknown-id'],
  ])('refuses %s', (_what, edit, code) => {
    const build = buildOf([coat(), coat({ id: 'two', unit: 2 })]);
    expect(editJournal(build, edit, by)).toMatchObject({ ok: false, faults: [{ code }] });
  });

  it('takes an end at the very minute of its start', () => {
    const edit = { entries: [{ id: 'one', set: { doneAt: '2027-02-16T19:50' } }] };
    expect(editJournal(buildOf([coat()]), edit, by).ok).toBe(true);
  });

  it('has touch tests put right and taken out', () => {
    const test = {
      id: 't',
      piece: 'plate',
      unit: 1,
      step: 'seal',
      at: '2027-02-16T21:00',
      state: 'dry' as const,
    };
    const build = { ...buildOf([coat()]), touchTests: [test] };
    expect(editJournal(build, { tests: [{ id: 't', set: { state: 'tacky' } }] }, by)).toMatchObject({
      value: { touchTests: [{ ...test, state: 'tacky' }] },
    });
    expect(editJournal(build, { remove: ['t'] }, by)).toMatchObject({ value: { touchTests: [] } });
  });

  it('never has an end before its start: a start pressed after what was said to be done says nothing', () => {
    const build: Build = {
      ...buildOf([]),
      underway: [
        {
          id: 'u',
          piece: 'plate',
          unit: 1,
          step: 'seal',
          coat: 1,
          face: 'outer',
          startedAt: '2027-02-16T21:00',
        },
      ],
    };
    const { startedAt: _startedAt, ...entry } = coat();
    const early = applyLogEdit(build, { kind: 'log', entries: [entry] });
    expect(early).toMatchObject({ ok: true, build: { underway: [] } });
    expect(early.ok && early.build.log?.[0]).not.toHaveProperty('startedAt');
    const after = applyLogEdit(build, { kind: 'log', entries: [{ ...entry, doneAt: '2027-02-16T21:00' }] });
    expect(after.ok && after.build.log?.[0]?.startedAt).toBe('2027-02-16T21:00');
  });
});
