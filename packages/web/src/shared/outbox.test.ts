import 'fake-indexeddb/auto';
import type { Build, LogEdit } from '@fixatum/core';
import { createPinia, setActivePinia } from 'pinia';
import { ApiProblem, api } from './api';
import type { BuildAnswer } from './knownBuild';
import { useNotice } from './notice';
import { useOutbox } from './outbox';
import { usePhotoBox } from './photoBox';

const empty = { format: 'fixatum-build/1', timeZone: 'UTC', pieces: [], log: [] } as unknown as Build;
const edit = (n: number): LogEdit => ({
  kind: 'log',
  entries: [{ id: `e${n}`, piece: 'plate', unit: 1, step: 'seal', coat: n, doneAt: '2027-02-20T19:30' }],
});
const answer = (version: number): BuildAnswer => ({ id: 'b', version, pieceEtags: {}, build: empty });
const away = new ApiProblem(0, 'away', 'The server does not answer', 'Is it running?', []);

/** The outbox as a window that was just opened has it. */
async function opened() {
  setActivePinia(createPinia());
  const outbox = useOutbox();
  await outbox.ready;
  return outbox;
}
/** One press, as the bench makes it: kept, then sent. */
async function press(outbox: ReturnType<typeof useOutbox>, what: LogEdit) {
  await outbox.put('b', what);
  await outbox.flush();
}
/** What reached the server, by the coat of its entry, while `says` decides on each; it is "away" until told otherwise. */
function server(says: (coat: number) => BuildAnswer | ApiProblem) {
  const got: number[] = [];
  jest.spyOn(api, 'sendEdit').mockImplementation(async (_id, sent) => {
    const { coat } = (sent as Extract<LogEdit, { kind: 'log' }>).entries[0]!;
    const said = says(coat);
    if (said instanceof ApiProblem) throw said;
    got.push(coat);
    return said;
  });
  return got;
}

/** Many at once are taken one by one, until one is refused, as the server does. */
function takeManyOneByOne() {
  return jest.spyOn(api, 'sendEdits').mockImplementation(async (id, edits) => {
    let [last, taken]: [BuildAnswer | undefined, number] = [undefined, 0];
    for (const one of edits)
      try {
        last = await api.sendEdit(id, one);
        taken += 1;
      } catch (error) {
        if (!last) throw error;
        break;
      }
    return { ...last!, taken };
  });
}

beforeEach(() => void takeManyOneByOne());
beforeEach(() => jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] }));
afterEach(async () => {
  server(() => answer(9));
  const outbox = await opened();
  await outbox.flush();
  for (const { id } of outbox.refused) await outbox.letGo(id);
  jest.restoreAllMocks();
  jest.useRealTimers();
});

describe('the outbox', () => {
  it('sends what was pressed at once, and tells who listens what the server made of it', async () => {
    const got = server(() => answer(2));
    const outbox = await opened();
    const heard: number[] = [];
    outbox.whenSent((_build, { version }) => heard.push(version));
    await press(outbox, edit(1));
    expect({ got, heard, left: outbox.count, away: outbox.away }).toEqual({
      got: [1],
      heard: [2],
      left: 0,
      away: false,
    });
  });

  it('keeps presses over a reload while nobody answers, and sends them in order, once each', async () => {
    server(() => away);
    const before = await opened();
    await press(before, edit(1));
    await press(before, edit(2));
    expect([before.count, before.away]).toEqual([2, true]);

    const got = server(() => answer(3));
    const after = await opened();
    expect(after.count).toBe(2);
    // However often it is asked, one letter is under way at a time.
    await Promise.all([after.flush(), after.flush(), after.flush()]);
    expect(got).toEqual([1, 2]);
    expect([after.count, after.away]).toEqual([0, false]);
    expect((await opened()).count).toBe(0);
  });

  it('counts a press only once the browser has it, so that what shows is there after a reload', async () => {
    server(() => away);
    const outbox = await opened();
    const putting = outbox.put('b', edit(1));
    expect(outbox.count).toBe(0);
    await putting;
    expect([outbox.count, (await opened()).count]).toEqual([1, 1]);
  });

  it('tries again by itself after a while', async () => {
    server(() => away);
    const outbox = await opened();
    await press(outbox, edit(1));
    const got = server(() => answer(3));
    await jest.advanceTimersByTimeAsync(5000);
    await outbox.flush();
    expect(got).toEqual([1]);
  });

  it('does not lose what another window keeps', async () => {
    server(() => away);
    const one = await opened();
    const other = await opened();
    await press(one, edit(1));
    await press(other, edit(2));
    // Each window knows its own press only; the browser's database has both.
    expect([one.count, other.count, (await opened()).count]).toEqual([1, 1, 2]);
  });

  it('says once what the server refuses, goes on with the rest, and shows what is there', async () => {
    const refused = new ApiProblem(422, 'unusable', 'No', 'That step is not there.', []);
    const got = server((coat) => (coat === 1 ? refused : answer(5)));
    jest.spyOn(api, 'build').mockResolvedValue(answer(4));
    const outbox = await opened();
    const heard: number[] = [];
    outbox.whenSent((_build, { version }) => heard.push(version));
    const complain = jest.spyOn(useNotice(), 'complain');
    await press(outbox, edit(1));
    await press(outbox, edit(2));
    expect({ got, heard, left: outbox.count }).toEqual({ got: [2], heard: [4, 5], left: 0 });
    expect(complain.mock.calls).toEqual([[refused]]);
    // What it was is kept, over a reload too, until it is sent again or let go.
    const after = await opened();
    expect(after.refused).toMatchObject([{ buildId: 'b', edit: edit(1), why: 'That step is not there.' }]);
    const again = server(() => answer(6));
    await after.sendAgain(after.refused[0]!.id);
    expect([again, after.refused, (await opened()).refused]).toEqual([[1], [], []]);
  });

  it('tells which coat another device had logged already, and drops only that of several', async () => {
    const said = new ApiProblem(
      409,
      'logged-already',
      'Logged already',
      'That coat of Plate is in the log already, from Booth phone.',
      [],
    );
    const got: number[][] = [];
    jest.spyOn(api, 'sendEdit').mockImplementation(async (_id, sent) => {
      const coats = (sent as Extract<LogEdit, { kind: 'log' }>).entries.map(({ coat }) => coat);
      if (coats.includes(2)) throw said;
      got.push(coats);
      return answer(7);
    });
    jest.spyOn(api, 'build').mockResolvedValue(answer(6));
    const outbox = await opened();
    const three = [1, 2, 3].flatMap((n) => (edit(n) as Extract<LogEdit, { kind: 'log' }>).entries);
    await press(outbox, { kind: 'log', entries: three });
    await press(outbox, edit(4));
    // One letter each, in their order, before what was pressed after them.
    expect(got).toEqual([[1], [3], [4]]);
    expect([outbox.count, outbox.refused]).toEqual([0, []]);
    expect(useNotice().text).toBe(
      'That coat of Plate is in the log already, from Booth phone. It counts once.',
    );
    expect(useNotice().isProblem).toBe(false);
    expect((await opened()).count).toBe(0);
  });

  it('keeps what says more than that a pass is done, though another device has logged that', async () => {
    server(() => new ApiProblem(409, 'logged-already', 'Logged already', 'That coat is in the log.', []));
    jest.spyOn(api, 'build').mockResolvedValue(answer(4));
    const outbox = await opened();
    const [entry] = (edit(1) as Extract<LogEdit, { kind: 'log' }>).entries;
    await press(outbox, { kind: 'log', entries: [{ ...entry!, note: 'A run at the rim' }] });
    expect(outbox.refused).toMatchObject([{ why: 'That coat is in the log.' }]);
  });

  it('says why nothing is taken where somebody answers, and no more once it is', async () => {
    const full = new ApiProblem(
      507,
      'disk-full',
      'The disk is full',
      'The disk is full, so this was not saved.',
      [],
    );
    server(() => full);
    const outbox = await opened();
    await press(outbox, edit(1));
    expect([outbox.count, outbox.away, outbox.trouble]).toEqual([
      1,
      true,
      'The disk is full, so this was not saved.',
    ]);
    server(() => away);
    await outbox.flush();
    expect(outbox.trouble).toBeUndefined();
    server(() => full);
    await outbox.flush();
    server(() => answer(2));
    await outbox.flush();
    expect([outbox.count, outbox.away, outbox.trouble]).toEqual([0, false, undefined]);
  });

  it('sends a photo before the coat that names it, and neither while nobody takes the photo', async () => {
    const sent: string[] = [];
    jest.spyOn(api, 'addPhoto').mockRejectedValue(away);
    const got = server(() => answer(2));
    const outbox = await opened();
    const photo = await usePhotoBox().put(new Blob(['picture'], { type: 'image/jpeg' }));
    await press(outbox, edit(1));
    expect([got, outbox.count, outbox.away]).toEqual([[], 1, true]);
    jest.spyOn(api, 'addPhoto').mockImplementation(async (_file, name) => {
      sent.push(`photo ${name}`, `${got.length} coats before`);
      return { photo: name! };
    });
    await outbox.flush();
    expect([sent, got, outbox.count]).toEqual([[`photo ${photo}`, '0 coats before'], [1], 0]);
  });

  it('lets a refused press go when that is said', async () => {
    server(() => new ApiProblem(422, 'unusable', 'No', 'No such step.', []));
    jest.spyOn(api, 'build').mockResolvedValue(answer(4));
    const outbox = await opened();
    await press(outbox, edit(1));
    await outbox.letGo(outbox.refused[0]!.id);
    expect([outbox.refused, (await opened()).refused, outbox.count]).toEqual([[], [], 0]);
  });

  it.each([
    ['another program that says 404', new ApiProblem(404, 'foreign', 'That did not work', '', [])],
    ['another program that says 401', new ApiProblem(401, 'foreign', 'That did not work', '', [])],
    [
      'our server by a name it does not answer to',
      new ApiProblem(403, 'wrong-host', 'Not from here', '', []),
    ],
    ['an older server that has no such address', new ApiProblem(404, 'no-such-address', 'Not here', '', [])],
    ['a server that is too busy', new ApiProblem(429, 'foreign', 'Too many', '', [])],
  ])('loses no press to %s', async (_what, problem) => {
    server(() => problem);
    const outbox = await opened();
    await press(outbox, edit(1));
    expect([outbox.count, outbox.away, outbox.refused]).toEqual([1, true, []]);
    const got = server(() => answer(2));
    await outbox.flush();
    expect([got, outbox.count]).toEqual([[1], 0]);
  });

  it('sends what had to wait a hundred at once, by build, and goes on behind what was refused', async () => {
    const outbox = await opened();
    for (let n = 1; n <= 230; n += 1) await outbox.put('b', edit(n));
    await outbox.put('other', edit(231));
    await outbox.put('b', edit(232));
    const many = takeManyOneByOne();
    many.mockClear();
    const refused = new ApiProblem(422, 'unusable', 'No', 'That step is not there.', []);
    const got = server((coat) => (coat === 150 ? refused : answer(coat)));
    jest.spyOn(api, 'build').mockResolvedValue(answer(4));
    const heard: number[] = [];
    outbox.whenSent((_build, { version }) => heard.push(version));
    await outbox.flush();
    // 1–100; 101–149, up to the one that is refused; 150 comes first of a hundred, and alone is put by; 151–230; then one and one.
    expect(many.mock.calls.map(([, edits]) => edits.length)).toEqual([100, 100, 81, 80]);
    expect(got).toEqual(Array.from({ length: 232 }, (_, n) => n + 1).filter((n) => n !== 150));
    expect(heard).toEqual([100, 149, 4, 230, 231, 232]);
    expect([outbox.count, outbox.refused.length]).toEqual([0, 1]);
    await outbox.letGo(outbox.refused[0]!.id);
  });

  it('does not take back what may have arrived', async () => {
    let arrive: (built: BuildAnswer) => void = () => undefined;
    jest.spyOn(api, 'sendEdit').mockImplementation(() => new Promise((done) => (arrive = done)));
    const outbox = await opened();
    await outbox.put('b', edit(1));
    const sending = outbox.flush();
    await jest.advanceTimersByTimeAsync(0);
    await outbox.put('b', edit(2));
    expect(await outbox.takeBack('b')).toBe(true);
    expect(await outbox.takeBack('b')).toBe(false);
    arrive(answer(3));
    await sending;
    expect(outbox.count).toBe(0);
  });

  it('lays what is waiting on top of what the server has, for that build only', async () => {
    server(() => away);
    const outbox = await opened();
    await press(outbox, edit(1));
    await outbox.put('other', edit(2));
    expect(outbox.applied('b', empty).log!.map((entry) => entry.id)).toEqual(['e1']);
    expect(outbox.applied('nobody', empty)).toBe(empty);
  });

  it('takes the last press back that was not sent, and says when there is none', async () => {
    const got = server(() => away);
    const outbox = await opened();
    await press(outbox, edit(1));
    await press(outbox, edit(2));
    expect(await outbox.takeBack('b')).toBe(true);
    expect(await outbox.takeBack('other')).toBe(false);
    server(() => answer(2));
    await outbox.flush();
    expect(await outbox.takeBack('b')).toBe(false);
    expect(got).toEqual([]);
    expect((await opened()).count).toBe(0);
  });
});
