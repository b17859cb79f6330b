import 'fake-indexeddb/auto';
import { createPinia, setActivePinia } from 'pinia';
import { flushPromises } from '@vue/test-utils';
import { clear } from 'idb-keyval';
import { storedPlanOf, planView, warmFrom } from '@fixatum/core';
import { ApiProblem, api } from './api';
import { smallBuild } from '../testing/smallBuild';
import { useNotice } from './notice';
import { useBuild } from './build';
import { useClock } from './clock';
import { planSeenLast } from './lastSeen';
import { planInWorker } from './planner';
import { answer, answerPlan, asked, beginFresh, endFresh, opened } from '../testing/openedBuild';

jest.mock('./planner', () => ({
  ...jest.requireActual<object>('./planner'),
  planInWorker: jest.fn(),
}));

beforeEach(beginFresh);
afterEach(endFresh);

describe('the plan of an open build', () => {
  it('is provisional until it stands, and then put by on the server, once', async () => {
    const store = await opened();
    expect(asked()).toHaveLength(1);
    answerPlan({ stage: 'quick' });
    expect([store.provisional, store.planning]).toEqual([true, true]);
    expect(api.keepPlan).not.toHaveBeenCalled();
    // The plan stands, though the last moments to begin are not known yet.
    answerPlan({ stage: 'made' });
    expect([store.provisional, store.planning]).toEqual([false, true]);
    const view = answerPlan();
    expect([store.provisional, store.planning]).toEqual([false, false]);
    expect(jest.mocked(api.keepPlan).mock.calls).toEqual([
      ['b1', { ...storedPlanOf(warmFrom(view)), of: expect.any(String) }],
    ]);
    // The same plan again is not news.
    answerPlan();
    expect(api.keepPlan).toHaveBeenCalledTimes(1);
  });

  it('tells what it moved against the plan before, not between its own stages', async () => {
    const store = await opened();
    const made = answerPlan({ stage: 'made' });
    const earlier = {
      ...made,
      operations: made.operations.map((one) => ({ ...one, start: one.start! - 60 })),
    };
    const [, take] = asked().at(-1)!;
    take(earlier, 'whole');
    expect(store.hasChanged).toBe(false);
    // The next plan is another one.
    jest.spyOn(api, 'patchBuild').mockResolvedValue(answer(2, { name: 'Changed' }));
    await store.unpin([]);
    asked().at(-1)![1](made, 'whole');
    expect(store.changed.atOnce[0]).toMatch(/^Plate, seal, coat 1 of 2: /);
  });

  it('goes on from the one that was put by, which is nothing provisional', async () => {
    const kept = storedPlanOf(warmFrom(planView(smallBuild(), { now: 30_045_600 })));
    const store = await opened({ plan: kept });
    expect(storedPlanOf(asked()[0]![0].warm!)).toEqual(kept);
    answerPlan({ stage: 'quick' });
    expect(store.provisional).toBe(false);
  });

  it('is made afresh where the one put by can not be read', async () => {
    jest.spyOn(api, 'build').mockResolvedValue(answer(1));
    jest.spyOn(api, 'plan').mockRejectedValue(new ApiProblem(500, 'x', 'x', 'x', []));
    const store = useBuild();
    await store.open('b1');
    expect(store.build?.name).toBe('Small');
    expect(asked()[0]![0].warm).toBeUndefined();
  });

  it('is made from nothing where it can not go on from the one before, and only then complained of', async () => {
    const kept = storedPlanOf(warmFrom(planView(smallBuild(), { now: 30_045_600 })));
    const store = await opened({ plan: kept });
    const failNow = () => asked().at(-1)![2](new Error('It broke'));
    failNow();
    expect(asked()).toHaveLength(2);
    expect(asked()[1]![0].warm).toBeUndefined();
    expect([store.planning, useNotice().text]).toEqual([true, '']);
    failNow();
    expect([store.planning, useNotice().text]).toEqual([false, 'It broke']);
    expect(asked()).toHaveLength(2);
    store.replan();
    expect(asked()).toHaveLength(3);
    answerPlan();
    expect([store.planning, store.planOf('plate')?.pieceId]).toEqual([false, 'plate']);
  });

  it('is thrown away when another build has been opened meanwhile', async () => {
    const store = await opened();
    const [first] = asked();
    await store.open('b2');
    answerPlan({ request: first! });
    expect(store.view).toBeUndefined();
    expect(api.keepPlan).not.toHaveBeenCalled();
    answerPlan();
    expect(jest.mocked(api.keepPlan).mock.calls.map(([id]) => id)).toEqual(['b2']);
  });

  it('is put by again after the server could not be reached', async () => {
    await opened();
    jest.mocked(api.keepPlan).mockRejectedValueOnce(new ApiProblem(0, 'away', 'Away', 'Nobody answers', []));
    answerPlan();
    await jest.advanceTimersByTimeAsync(0);
    answerPlan();
    expect(api.keepPlan).toHaveBeenCalledTimes(2);
  });
});

describe('the plan that was on screen last', () => {
  /** Another tab, or the same after a reload: opened on what the server has now. */
  const reloaded = async (now: string) => {
    const kept = jest.mocked(api.keepPlan).mock.calls.at(-1)?.[1] ?? null;
    setActivePinia(createPinia());
    useClock().fixedAt = now;
    jest.mocked(planInWorker).mockClear();
    return opened({ plan: kept });
  };
  /** The build was open, planned, and looked at for a while. */
  const seen = async () => {
    await opened();
    const view = answerPlan();
    await jest.advanceTimersByTimeAsync(2000);
    // The database has a clock of its own.
    while (!(await planSeenLast('b1'))) await Promise.resolve();
    return view;
  };
  beforeEach(() => clear());

  it('stands where nothing has changed since, and is not made again', async () => {
    const view = await seen();
    const store = await reloaded('2027-02-15T08:04');
    expect(store.view).toEqual(view);
    expect([store.planning, store.provisional, asked().length]).toEqual([false, false, 0]);
    // The next change is told against it.
    jest.spyOn(api, 'patchBuild').mockResolvedValue(answer(2, { name: 'Changed' }));
    await store.unpin([]);
    answerPlan();
    expect(store.hasChanged).toBe(false);
  });

  it('is shown at once and made again where some time has gone by', async () => {
    const view = await seen();
    const store = await reloaded('2027-02-15T08:05');
    expect(store.view).toEqual(view);
    expect([store.planning, asked().length]).toEqual([true, 1]);
    const made = answerPlan();
    expect(store.view).toBe(made);
  });

  it('is made again where another plan was put by meanwhile', async () => {
    await seen();
    const [call] = jest.mocked(api.keepPlan).mock.calls;
    call![1] = { ...call![1], order: [...call![1].order].reverse() };
    await reloaded('2027-02-15T08:00');
    expect(asked()).toHaveLength(1);
  });

  it.each([
    ['is more than an hour old', '2027-02-15T09:01'],
    ['is of a time still to come', '2027-02-15T07:59'],
  ])('is not shown where it %s', async (_, now) => {
    await seen();
    const store = await reloaded(now);
    expect([store.view, asked().length]).toEqual([undefined, 1]);
  });

  it('is not shown where the build has changed', async () => {
    await seen();
    jest.spyOn(api, 'build').mockResolvedValue(answer(2, { name: 'Changed' }));
    setActivePinia(createPinia());
    useClock().fixedAt = '2027-02-15T08:00';
    const store = useBuild();
    await store.open('b1');
    expect([store.build?.name, store.view]).toEqual(['Changed', undefined]);
  });
});

describe('opening', () => {
  const away = new ApiProblem(0, 'away', 'No answer', 'The server does not answer.', []);

  it('asks again while the server does not answer, and says so once', async () => {
    jest.spyOn(api, 'plan').mockResolvedValue({ plan: null });
    const asks = jest.spyOn(api, 'build').mockRejectedValue(away);
    const said = jest.spyOn(useNotice(), 'complain');
    const store = useBuild();
    await store.open('b1');
    await jest.advanceTimersByTimeAsync(6500);
    expect([asks.mock.calls.length, said.mock.calls.length, store.missing]).toEqual([3, 1, false]);
    asks.mockResolvedValue(answer(1));
    await jest.advanceTimersByTimeAsync(3000);
    expect(store.build?.name).toBe('Small');
    await jest.advanceTimersByTimeAsync(9000);
    expect(asks).toHaveBeenCalledTimes(4);
  });

  it('keeps what is changed while it is still asked what is beside it', async () => {
    let tell: (answer: { builds: [] }) => void = () => {};
    jest.spyOn(api, 'beside').mockReturnValue(new Promise((resolve) => (tell = resolve)));
    jest.spyOn(api, 'plan').mockResolvedValue({ plan: null });
    jest.spyOn(api, 'build').mockResolvedValue(answer(1));
    const store = useBuild();
    const opening = store.open('b1');
    while (!store.build) await jest.advanceTimersByTimeAsync(1);
    expect([store.build.name, store.etag]).toEqual(['Small', '"1"']);
    await store.attempt(async () => answer(2, { name: 'Changed meanwhile' }), 'Saved');
    tell({ builds: [] });
    await opening;
    expect([store.build.name, store.etag]).toEqual(['Changed meanwhile', '"2"']);
    expect(asked().at(-1)![0].build.name).toBe('Changed meanwhile');
  });

  it('believes the server that a build is not there', async () => {
    jest.spyOn(api, 'plan').mockResolvedValue({ plan: null });
    const gone = new ApiProblem(404, 'not-found', 'Not here', 'There is no build here.', []);
    const asks = jest.spyOn(api, 'build').mockRejectedValue(gone);
    const store = useBuild();
    await store.open('b1');
    await jest.advanceTimersByTimeAsync(9000);
    expect([asks.mock.calls.length, store.missing]).toEqual([1, true]);
  });
});

describe('what is pressed', () => {
  const sent = (version: number) =>
    jest.spyOn(api, 'sendEdit').mockImplementation(async (_id, edit) => {
      if (edit.kind !== 'log') throw new Error(`not expected: ${edit.kind}`);
      return answer(version, { log: edit.entries });
    });

  it('shows once it is kept, before the server answers, and is not planned again when that says the same', async () => {
    const store = await opened();
    const first = answerPlan();
    const send = sent(2);
    const atServer = send.getMockImplementation()!;
    const shown: unknown[] = [];
    send.mockImplementation((...letter) => {
      shown.push([store.build!.log?.length, asked().length]);
      return atServer(...letter);
    });
    const logging = store.logDone([first.operations[0]!]);
    expect(store.build!.log).toBeUndefined();
    await logging;
    expect(shown).toEqual([[1, 2]]);
    expect(send).toHaveBeenCalledTimes(1);
    expect([store.etag, store.pieceEtags.plate]).toEqual(['"2"', '"2"']);
    expect(asked()).toHaveLength(2);
  });

  it('is judged on what the press before left, however quickly it follows', async () => {
    const store = await opened();
    const first = answerPlan();
    const send = sent(2);
    const complain = jest.spyOn(useNotice(), 'complain');
    const twice = [store.logDone([first.operations[0]!]), store.logDone([first.operations[0]!])];
    expect(await Promise.all(twice)).toEqual([true, false]);
    expect([send.mock.calls.length, complain.mock.calls.length]).toEqual([1, 1]);
  });

  it('is planned again when the server knows more', async () => {
    const store = await opened();
    const first = answerPlan();
    jest.spyOn(api, 'sendEdit').mockResolvedValue(answer(3, { name: 'Renamed elsewhere' }));
    await store.logDone([first.operations[0]!]);
    expect(store.build!.name).toBe('Renamed elsewhere');
    expect(asked()).toHaveLength(3);
  });

  it('is undone with the plan it was made from', async () => {
    const store = await opened();
    const first = answerPlan();
    sent(2);
    await store.logDone([first.operations[0]!]);
    answerPlan();
    expect(asked().at(-1)![0].warm).toEqual(warmFrom(first));
    jest.spyOn(api, 'undo').mockResolvedValue({ ...answer(3), undone: 'Log Plate' });
    await store.undo();
    expect(useNotice().text).toBe('Taken back: Log Plate');
    expect(store.build!.log).toBeUndefined();
    expect(asked().at(-1)![0].warm).toEqual(warmFrom(first));
  });

  it('is undone with the plan of the server where it was made before a reload', async () => {
    const store = await opened();
    const view = answerPlan();
    const kept = storedPlanOf({ ...warmFrom(view), sequence: [...view.sequence].reverse() });
    jest.spyOn(api, 'undo').mockResolvedValue({ ...answer(3, { name: 'As it was' }), undone: 'Renamed' });
    jest.spyOn(api, 'plan').mockResolvedValue({ plan: kept });
    await store.undo();
    expect(storedPlanOf(asked().at(-1)![0].warm!)).toEqual(kept);
    // With no answer it goes on from the plan at hand.
    const last = answerPlan();
    jest.spyOn(api, 'undo').mockResolvedValue({ ...answer(4, { name: 'Before that' }), undone: 'Renamed' });
    jest.spyOn(api, 'plan').mockRejectedValue(new ApiProblem(0, 'away', 'Away', 'Nobody answers', []));
    await store.undo();
    expect(asked().at(-1)![0].warm).toEqual(warmFrom(last));
  });

  it('is done again only once it has been taken back', async () => {
    const store = await opened();
    let answerUndo!: (answered: ReturnType<typeof answer> & { undone: string }) => void;
    jest.spyOn(api, 'undo').mockReturnValue(new Promise((resolve) => (answerUndo = resolve)));
    const redo = jest.spyOn(api, 'redo').mockResolvedValue({ ...answer(4), undone: 'Renamed' });
    const both = [store.undo(), store.redo()];
    await flushPromises();
    expect(redo).not.toHaveBeenCalled();
    answerUndo({ ...answer(3, { name: 'As it was' }), undone: 'Renamed' });
    await Promise.all(both);
    // With the version the first one left.
    expect(redo.mock.calls).toEqual([[store.id, '"3"']]);
  });

  it('is taken back here when nobody has heard of it', async () => {
    const store = await opened();
    const first = answerPlan();
    jest.spyOn(api, 'sendEdit').mockRejectedValue(new ApiProblem(0, 'away', 'Away', 'Nobody answers', []));
    const undo = jest.spyOn(api, 'undo');
    await store.logDone([first.operations[0]!]);
    expect(store.build!.log).toHaveLength(1);
    await store.undo();
    expect(store.build!.log).toBeUndefined();
    expect(undo).not.toHaveBeenCalled();
    expect(useNotice().text).toBe('Taken back before it was sent.');
  });

  it('twice is refused with a word, and nothing is sent for the second', async () => {
    const store = await opened();
    const first = answerPlan();
    const send = sent(2);
    await store.logDone([first.operations[0]!]);
    expect(await store.logDone([first.operations[0]!])).toBe(false);
    expect(useNotice().text).toBe('That coat is in the log already.');
    expect(send).toHaveBeenCalledTimes(1);
  });
});

describe('a piece that was changed elsewhere', () => {
  it('waits for a choice, and is saved against the version that was chosen against', async () => {
    const store = await opened();
    answerPlan();
    const base = store.pieceOf('plate')!;
    const theirs = { ...base, name: 'Plate of theirs' };
    const put = jest
      .spyOn(api, 'putPiece')
      .mockRejectedValueOnce(new ApiProblem(412, 'stale', 'Changed', 'Changed elsewhere', [], theirs, '"7"'))
      .mockResolvedValueOnce(answer(8));
    const saving = store.savePiece({ ...base, quantity: 2 }, base, 'Saved');
    await jest.advanceTimersByTimeAsync(0);
    expect(store.conflict).toMatchObject({ theirs, mine: { quantity: 2 }, etag: '"7"' });
    await store.settleConflict({ ...theirs, quantity: 2 });
    expect(await saving).toBe(true);
    expect(put.mock.calls.map(([, piece, etag]) => [piece.name, piece.quantity, etag])).toEqual([
      ['Plate', 2, '"1"'],
      ['Plate of theirs', 2, '"7"'],
    ]);
  });
});
