import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { run } from './run';

const demo = join(__dirname, '../../../demo/orrery-courier.json');
const readText = (path: string) => readFile(path, 'utf8');
/** As the demo is planned here: its moment, and a few tries, as it is not about how good the plan is. */
const quickly = ['--now', '2027-02-20T19:30', '--tries', '5'];
const text = (content: string) => () => Promise.resolve(content);

describe('fixatum', () => {
  it('plans the demo, says what is late, and ends with 1 for it', async () => {
    const { status, out } = await run(['plan', demo, ...quickly], readText);
    expect(status).toBe(1);
    expect(out).toMatch(/^Telescope baton: late;/m);
    expect(out).toMatch(/^Orbit gorget: on-time; .* to spare, go on by /m);
  });

  it('gives the plan as JSON in wall time', async () => {
    const { out } = await run(['plan', demo, '--json', ...quickly], readText);
    const plan = JSON.parse(out) as {
      now: string;
      pieces: { piece: string }[];
      operations: { status: string; start: string | null }[];
    };
    expect(plan.now).toBe('2027-02-20T19:30');
    expect(plan.pieces).toHaveLength(13);
    expect(
      plan.operations.every(
        (operation) => operation.status !== 'planned' || operation.start! >= '2027-02-20T19:30',
      ),
    ).toBe(true);
  });

  it('checks the demo: the one late piece will stick at packing time, and there are ways out', async () => {
    const { status, out } = await run(['check', demo, ...quickly], readText);
    expect(status).toBe(1);
    expect(out.match(/^\[stop\].*/gm)).toEqual([
      expect.stringMatching(/^\[stop\] R41 Telescope baton, step \d+, Thinned oil wash/),
    ]);
    expect(out).toContain('way out: ');
  });

  it('ends with 0 when nothing stands against a build', async () => {
    const build = JSON.parse(await readFile(demo, 'utf8')) as {
      pieces: { id: string }[];
      log: { piece: string }[];
    };
    build.pieces = build.pieces.filter((piece) => piece.id === 'buckle');
    build.log = build.log.filter((entry) => entry.piece === 'buckle');
    expect(await run(['check', 'x.json'], text(JSON.stringify(build)))).toMatchObject({
      status: 0,
      out: 'Nothing stands against this build.\n',
    });
  });

  it('ends with 1 on a stop, and names rule, step and way out', async () => {
    const build = JSON.parse(await readFile(demo, 'utf8')) as {
      pieces: { id: string; steps: object[] }[];
      log: unknown[];
    };
    build.log = [];
    build.pieces
      .find((piece) => piece.id === 'tasset')!
      .steps.splice(1, 0, { id: 'hot', kind: 'heat-seal', method: 'hot-air' });
    const { status, out } = await run(['check', 'x.json', '--tries', '5'], text(JSON.stringify(build)));
    expect(status).toBe(1);
    expect(out).toContain('[stop] R28 Comet tasset, step 2, Heat-seal: ');
    expect(out).toContain('way out: Heat first');
    const json = JSON.parse(
      (await run(['check', 'x.json', '--json', '--tries', '5'], text(JSON.stringify(build)))).out,
    ) as {
      findings: { rule: string; severity: string; waysOut: { look: string }[] }[];
    };
    const stops = json.findings.filter((finding) => finding.severity === 'stop');
    expect(stops.map((finding) => finding.rule)).toEqual(['R28']);
    expect(stops[0]!.waysOut[0]!.look).toBe('same');
  });

  it('forecasts the demo, the same for the same seed', async () => {
    const args = ['forecast', demo, '--now', '2027-02-20T19:30', '--tries', '0', '--futures', '20'];
    const { status, out } = await run(args, readText);
    expect(status).toBe(1);
    // Three days short by the labels: paints would have to dry much sooner than they say.
    expect(out).toMatch(/Telescope baton: (under 1|[1-5]) % to make Fri 5 Mar, 18:00\./);
    expect(out).toMatch(/Dial breastplate: (over 99|9\d) % to make/);
    expect((await run(args, readText)).out).toBe(out);
    const json = JSON.parse((await run([...args, '--json'], readText)).out) as {
      forecast: { piece: string; chance: number; packable: { p10: string; p90: string } }[];
    };
    expect(json.forecast).toHaveLength(13);
    for (const one of json.forecast) expect(one.packable.p10 <= one.packable.p90).toBe(true);
  });

  it('says how the demo can be saved, and that nothing is late where nothing is', async () => {
    const build = JSON.parse(await readFile(demo, 'utf8')) as { pieces: { id: string }[]; log: object[] };
    build.pieces = build.pieces.filter((piece) => piece.id === 'baton');
    build.log = [];
    const args = ['rescue', 'x.json', '--now', '2027-02-20T19:30'];
    const { status, out } = await run(args, text(JSON.stringify(build)));
    expect(status).toBe(1);
    expect(out.split('\n')[0]).toMatch(/^\[makes it\] .* days sooner, ready .* chance$/);
    const tidepool = join(__dirname, '../../../demo/tidepool-lantern.json');
    expect(await run(['rescue', tidepool], readText)).toMatchObject({ status: 0, out: 'Nothing is late.\n' });
  });

  it('says what to buy, by when and for what, and the same as JSON', async () => {
    const args = ['shop', demo, ...quickly];
    const { status, out } = await run(args, readText);
    expect(status).toBe(0);
    // The shelf of the demo is short of brass and of the gloss sea-green; the satin varnish is on order.
    const lines = out.trim().split('\n');
    const lineOf = (name: string) => lines.find((line) => line.includes(name));
    expect(lineOf('Metallic acrylic')).toMatch(
      /^1 × 60 ml Metallic acrylic #a8803a \(4\.50\), by \w+ \d+ Feb, \d\d:\d\d: needs \d+ ml, enough is \d+ ml, \d+ ml there; for /,
    );
    expect(lineOf('Flexible costume acrylic gloss')).toMatch(
      /^1 × 60 ml Flexible costume acrylic gloss #3f7f72, by .*; for Dial breastplate$/,
    );
    expect(lines.slice(2).map((line) => line.replace(/[\d.]+/, 'n'))).toEqual([
      'Tape: n m with its waste, 1 × 25 m',
      'Straps: n',
      'Gloves, nitrile: n pairs, one for each session with anything wet',
      'Cups: n, one for each mix',
      'Mask: n h of work with vapour; the maker says when its cartridges are changed',
    ]);
    const json = JSON.parse((await run([...args, '--json'], readText)).out) as {
      lines: { materialId: string; onOrderMl: number; buyBy: string | null }[];
    };
    expect(json.lines.filter(({ buyBy }) => buyBy !== null)).toHaveLength(2);
    expect(json.lines.find(({ materialId }) => materialId === 'satin-varnish')?.onOrderMl).toBe(240);
    const done = JSON.stringify({ ...JSON.parse(await readFile(demo, 'utf8')), pieces: [], log: [] });
    expect((await run(['shop', 'x.json'], text(done))).out).toBe(
      'Everything that is still to be laid is on the shelf.\n',
    );
  });

  it.each([
    ['broken JSON', '{', 'not whole JSON'],
    ['another format', '{"format":"x"}', 'format: The format here is "x"'],
  ])('ends with 2 on %s', async (_what, content, said) => {
    const { status, err } = await run(['plan', 'x.json'], text(content));
    expect(status).toBe(2);
    expect(err).toContain(said);
  });

  it('ends with 2 on a missing file, a bad moment, and a word it does not know', async () => {
    expect(await run(['plan', '/nowhere.json'], readText)).toMatchObject({
      status: 2,
      err: "/nowhere.json can't be read.\n",
    });
    expect(await run(['plan', demo, '--now', 'soon'], readText)).toMatchObject({ status: 2 });
    expect(await run(['dance'], readText)).toMatchObject({ status: 2 });
    expect(await run(['plan', demo, '--tries', 'many'], readText)).toMatchObject({ status: 2 });
  });
});

describe('doctor', () => {
  it('hands the folder on to what examines it, and ends as that does', async () => {
    const asked: (readonly string[])[] = [];
    const doctor = (args: readonly string[]) => {
      asked.push(args);
      return Promise.resolve({ status: 1 as const, out: '✗ It is damaged.\n', err: '' });
    };
    expect(await run(['doctor', 'data'], readText, doctor)).toEqual({
      status: 1,
      out: '✗ It is damaged.\n',
      err: '',
    });
    await run(['doctor', 'data', '--mend', 'to'], readText, doctor);
    expect(asked).toEqual([['data'], ['data', '--mend', 'to']]);
    expect((await run(['doctor', 'data'], readText)).status).toBe(2);
  });
});
