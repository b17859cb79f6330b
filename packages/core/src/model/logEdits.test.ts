import { sampleBuild } from '../testing/sampleBuild';
import { applyLogEdit } from './logEdits';
import type { Build, LogEntry } from './schema';

const entry = (id: string, changes: Partial<LogEntry> = {}): LogEntry => ({
  id,
  piece: 'plate',
  unit: 1,
  step: 'seal',
  coat: 1,
  face: 'outer',
  doneAt: '2027-02-15T09:00',
  ...changes,
});
const edited = (build: Build, ...edits: Parameters<typeof applyLogEdit>[1][]): Build =>
  edits.reduce((current, edit) => {
    const next = applyLogEdit(current, edit);
    if (!next.ok) throw new Error(`refused: ${next.why}`);
    return next.build;
  }, build);

describe('applyLogEdit', () => {
  it('ends what was under way and keeps when it began', () => {
    const build = edited(
      sampleBuild(),
      { kind: 'start', passes: [{ ...entry('u'), startedAt: '2027-02-15T08:50' }] },
      { kind: 'log', entries: [entry('a')] },
    );
    expect(build.underway).toEqual([]);
    expect(build.log).toEqual([{ ...entry('a'), startedAt: '2027-02-15T08:50' }]);
  });

  it('counts the same id once, so that sending again does no harm', () => {
    const once = edited(sampleBuild(), { kind: 'log', entries: [entry('a')] });
    const twice = edited(once, { kind: 'log', entries: [entry('a'), entry('b', { coat: 2 })] });
    expect(twice.log!.map((one) => one.id)).toEqual(['a', 'b']);
    expect(edited(twice, { kind: 'log', entries: [entry('b', { coat: 2 })] })).toBe(twice);
    const timer = { id: 't', label: 'Wipe back', startedAt: '2027-02-15T09:00:00Z', minutes: 3 };
    const timed = edited(once, { kind: 'timer', timers: [timer] });
    expect(edited(timed, { kind: 'timer', timers: [timer] })).toBe(timed);
  });

  it('refuses a coat that is logged already, but not one that failed', () => {
    const once = edited(sampleBuild(), { kind: 'log', entries: [entry('a')] });
    expect(applyLogEdit(once, { kind: 'log', entries: [entry('b')] })).toMatchObject({
      ok: false,
      why: 'logged-already',
      entry: { id: 'b' },
    });
    // Whose device has it is told; of two that were laid, the one that did not fail.
    const theirs = edited(sampleBuild(), {
      kind: 'log',
      entries: [entry('a', { outcome: 'failed', by: 'Old tablet' }), entry('b', { by: 'Booth phone' })],
    });
    expect(applyLogEdit(theirs, { kind: 'log', entries: [entry('c')] })).toMatchObject({
      why: 'logged-already',
      by: 'Booth phone',
    });
    expect(applyLogEdit(once, { kind: 'log', entries: [entry('b')] })).not.toHaveProperty('by');
    const failed = edited(sampleBuild(), { kind: 'log', entries: [entry('a', { outcome: 'failed' })] });
    expect(edited(failed, { kind: 'log', entries: [entry('b')] }).log).toHaveLength(2);
  });

  it('lays passes down and takes them up again, counting the time between, however often it is said', () => {
    const pause = { kind: 'pause' as const, ids: ['u'], at: '2027-02-15T09:00', resume: false };
    const up = { ...pause, at: '2027-02-15T09:25', resume: true };
    const begun = edited(sampleBuild(), {
      kind: 'start',
      passes: [{ ...entry('u'), startedAt: '2027-02-15T08:50' }],
    });
    const down = edited(begun, pause, { ...pause, at: '2027-02-15T09:10' });
    expect(down.underway![0]!.pausedAt).toBe('2027-02-15T09:00');
    const again = edited(down, up, up);
    expect(again.underway![0]).toMatchObject({ pausedMinutes: 25 });
    expect(again.underway![0]!.pausedAt).toBeUndefined();
    // A second pause adds to the first.
    const more = edited(again, { ...pause, at: '2027-02-15T09:30' }, { ...up, at: '2027-02-15T09:35' });
    expect(more.underway![0]!.pausedMinutes).toBe(30);
  });

  it('gives passes and timers up by their ids, and nothing for ids it does not know', () => {
    const begun = edited(
      sampleBuild(),
      {
        kind: 'start',
        passes: [1, 2].map((coat) => ({
          ...entry(`u${coat}`, { coat }),
          startedAt: '2027-02-15T08:50',
        })),
      },
      {
        kind: 'timer',
        timers: [{ id: 't', label: 'Wipe back', startedAt: '2027-02-15T09:00:00Z', minutes: 3 }],
      },
    );
    expect(edited(begun, { kind: 'stop', ids: ['u1'] }).underway!.map((pass) => pass.id)).toEqual(['u2']);
    expect(edited(begun, { kind: 'stopTimer', ids: ['t'] }).timers).toEqual([]);
    expect(edited(begun, { kind: 'stop', ids: ['t'] }, { kind: 'stopTimer', ids: ['u1'] })).toBe(begun);
  });

  it('does not start twice what is under way or done', () => {
    const build = edited(
      sampleBuild({ log: [entry('a')] }),
      { kind: 'start', passes: [{ ...entry('u'), startedAt: '2027-02-15T09:10' }] },
      { kind: 'start', passes: [{ ...entry('v', { coat: 2 }), startedAt: '2027-02-15T09:10' }] },
      { kind: 'start', passes: [{ ...entry('w', { coat: 2 }), startedAt: '2027-02-15T09:11' }] },
    );
    expect(build.underway!.map((pass) => pass.id)).toEqual(['v']);
  });
});
