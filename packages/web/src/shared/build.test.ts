import 'fake-indexeddb/auto';
import { storedPlanOf, planView, warmFrom, type Build, type PlanView } from '@fixatum/core';
import { createPinia, setActivePinia } from 'pinia';
import { ApiProblem, api, type BuildAnswer } from './api';
import { smallBuild } from '../testing/smallBuild';
import { planInWorker } from './planner';
import type { PlanStage, TakeView } from './offThread/planWork';
import { useBuild } from './build';
import { useClock } from './clock';
import { useNotice } from './notice';

jest.mock('./planner', () => ({
  ...jest.requireActual<object>('./planner'),
  planInWorker: jest.fn(),
}));

const answer = (version: number, changes: Partial<Build> = {}, id = 'b1'): BuildAnswer => ({
  id,
  version,
  pieceEtags: { plate: `"${version}"` },
  build: smallBuild(changes),
});

/** What the planner was asked, newest last, and how it answers. */
const asked = () => jest.mocked(planInWorker).mock.calls;
function answerPlan({
  stage = 'whole',
  request = asked().at(-1)!,
}: { stage?: PlanStage; request?: ReturnType<typeof asked>[number] } = {}): PlanView {
  const [{ build: given, now, warm }, take] = request as [
    Parameters<typeof planInWorker>[0],
    TakeView,
    unknown,
  ];
  const view = planView(given, { now, search: warm ? { warm, keep: true } : { starts: 'first' } });
  take(view, stage);
  return view;
}

async function opened(kept: Awaited<ReturnType<typeof api.plan>> = { plan: null }) {
  jest.spyOn(api, 'build').mockImplementation(async (id) => answer(1, {}, id));
  jest.spyOn(api, 'plan').mockResolvedValue(kept);
  const store = useBuild();
  await store.open('b1');
  return store;
}

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  setActivePinia(createPinia());
  useClock().fixedAt = '2027-02-15T08:00';
  jest.mocked(planInWorker).mockReset();
  jest.spyOn(api, 'keepPlan').mockResolvedValue(undefined);
});
afterEach(() => {
  jest.restoreAllMocks();
  jest.useRealTimers();
});

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
    expect(jest.mocked(api.keepPlan).mock.calls).toEqual([['b1', storedPlanOf(warmFrom(view))]]);
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
    expect(store.changed).toEqual([]);
    // The next plan is another one.
    jest.spyOn(api, 'patchBuild').mockResolvedValue(answer(2, { name: 'Changed' }));
    await store.unpin([]);
    asked().at(-1)![1](made, 'whole');
    expect(store.changed[0]).toMatch(/^Plate, seal: /);
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

describe('what is pressed', () => {
  const sent = (version: number) =>
    jest.spyOn(api, 'sendEdit').mockImplementation(async (_id, edit) => {
      if (edit.kind !== 'log') throw new Error(`not expected: ${edit.kind}`);
      return answer(version, { log: edit.entries });
    });

  it('shows at once and is not planned again when the server says the same', async () => {
    const store = await opened();
    const first = answerPlan();
    const send = sent(2);
    const logging = store.logDone([first.operations[0]!]);
    expect(store.build!.log).toHaveLength(1);
    expect(asked()).toHaveLength(2);
    await logging;
    expect(send).toHaveBeenCalledTimes(1);
    expect([store.etag, store.pieceEtags.plate]).toEqual(['"2"', '"2"']);
    expect(asked()).toHaveLength(2);
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

  it('may put pieces to the front, until a plan made so stands', async () => {
    const store = await opened();
    answerPlan();
    jest.spyOn(api, 'applyPatch').mockResolvedValue(answer(2, { name: 'With a fan' }));
    await store.patch('A fan', [], ['plate']);
    expect(asked().at(-1)![0].urgent).toEqual(['plate']);
    answerPlan({ stage: 'quick' });
    // Something else comes in before the plan stands.
    jest.spyOn(api, 'patchBuild').mockResolvedValue(answer(3, { name: 'And a name' }));
    await store.unpin([]);
    expect(asked().at(-1)![0].urgent).toEqual(['plate']);
    answerPlan();
    await store.unpin([]);
    jest.mocked(api.patchBuild).mockResolvedValue(answer(4, { name: 'And another' }));
    await store.unpin([]);
    expect(asked().at(-1)![0].urgent).toBeUndefined();
  });

  it('puts nothing to the front for a change that was refused', async () => {
    const store = await opened();
    answerPlan();
    jest.spyOn(api, 'applyPatch').mockRejectedValue(new ApiProblem(412, 'stale', 'Changed', 'Elsewhere', []));
    expect(await store.patch('A fan', [], ['plate'])).toBe(false);
    jest.spyOn(api, 'patchBuild').mockResolvedValue(answer(2, { name: 'Changed' }));
    await store.unpin([]);
    expect(asked().at(-1)![0].urgent).toBeUndefined();
  });

  it('lets go of a pinned pass: the plan does not hold it where the pin was', async () => {
    const store = await opened();
    const first = answerPlan();
    const { id } = first.operations[1]!;
    expect(asked()[0]![0].warm).toBeUndefined();
    jest.spyOn(api, 'patchBuild').mockResolvedValue(answer(2, { name: 'Let go' }));
    await store.unpin([id]);
    const { warm } = asked().at(-1)![0];
    expect(warm!.beginsAt.has(first.operations[0]!.id)).toBe(true);
    expect(warm!.beginsAt.has(id)).toBe(false);
  });

  it('lets it go also when a plan that was still being made comes in first, and only once', async () => {
    const store = await opened();
    const { id } = answerPlan().operations[1]!;
    store.takePlan(store.warm!);
    const slow = asked().at(-1)!;
    jest.spyOn(api, 'patchBuild').mockImplementation(async () => {
      // The server is slow, and the plan from before comes in meanwhile with the pass where it was pinned.
      answerPlan({ request: slow });
      return answer(2, { name: 'Let go' });
    });
    await store.unpin([id]);
    expect(asked().at(-1)![0].warm!.beginsAt.has(id)).toBe(false);
    answerPlan();
    store.takePlan(store.warm!);
    expect(asked().at(-1)![0].warm!.beginsAt.has(id)).toBe(true);
  });

  it('keeps a pass where it is when letting go was refused', async () => {
    const store = await opened();
    const { id } = answerPlan().operations[1]!;
    jest.spyOn(api, 'patchBuild').mockRejectedValue(new ApiProblem(412, 'stale', 'Changed', 'Elsewhere', []));
    expect(await store.unpin([id])).toBe(false);
    store.takePlan(store.warm!);
    expect(asked().at(-1)![0].warm!.beginsAt.has(id)).toBe(true);
  });

  it('takes nothing back that was changed elsewhere since: undo names the version it saw', async () => {
    const store = await opened();
    answerPlan();
    const undone = jest
      .spyOn(api, 'undo')
      .mockRejectedValue(new ApiProblem(412, 'changed-meanwhile', 'Changed', 'Changed elsewhere', []));
    await store.undo();
    expect(undone.mock.calls).toEqual([['b1', '"1"']]);
    expect(useNotice().isProblem).toBe(true);
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
