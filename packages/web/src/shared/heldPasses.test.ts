import 'fake-indexeddb/auto';
import { ApiProblem, api } from './api';
import { useNotice } from './notice';
import { answer, answerPlan, asked, beginFresh, endFresh, opened } from '../testing/openedBuild';

jest.mock('./planner', () => ({
  ...jest.requireActual<object>('./planner'),
  planInWorker: jest.fn(),
}));

beforeEach(beginFresh);
afterEach(endFresh);

describe('what is held, and what goes first', () => {
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
