import {
  withProofs,
  heldUp,
  checkBuild,
  forecastBuild,
  judgeBuild,
  parseBuildText,
  pathText,
  planBuild,
  rescueBuild,
  sayChance,
  sayMoment,
  sayMl,
  sayWait,
  shopBuild,
  sundryWords,
  toEpochMinute,
  toWallTime,
  type Build,
  type Fault,
  type Finding,
  type PieceBound,
  type PieceForecast,
  type PiecePlan,
  type Plan,
  type ShopLine,
  type Spread,
  type WayOut,
} from '@fixatum/core';
import { Command, CommanderError, InvalidArgumentError, Option } from 'commander';

/** What a run printed and how it ended: 0 fine, 1 a stop or a missed date, 2 unusable input. */
export interface RunResult {
  status: 0 | 1 | 2;
  out: string;
  err: string;
}

/** Reads a file as text; rejects when it can't be read. */
export type ReadText = (path: string) => Promise<string>;

/** Examines a data folder: the server's program for that, with its arguments. */
export type Doctor = (args: readonly string[]) => Promise<RunResult>;

const noDoctor: Doctor = () =>
  Promise.resolve({ status: 2, out: '', err: 'Data folders are examined where the server is.\n' });

interface Flags {
  json?: boolean;
  now?: string;
  tries?: number;
  seed?: number;
  futures?: number;
}

const severityMark: Record<Finding['severity'], string> = { stop: '[stop]', risk: '[risk]', note: '[note]' };

/**
 * Runs one command line, such as `['plan', 'build.json', '--json']`. Nothing but the core and file reading.
 */
export async function run(
  args: readonly string[],
  readText: ReadText,
  doctor: Doctor = noDoctor,
): Promise<RunResult> {
  const result: RunResult = { status: 0, out: '', err: '' };
  const print = (text: string) => {
    result.out += `${text}\n`;
  };
  const refuse = (text: string) => {
    result.status = 2;
    result.err += `${text}\n`;
  };

  const withBuild = async (file: string, flags: Flags, work: (build: Build, plan: Plan) => void) => {
    let text: string;
    try {
      text = await readText(file);
    } catch {
      return refuse(`${file} can't be read.`);
    }
    const parsed = parseBuildText(text);
    if (!parsed.ok) {
      if (flags.json) print(JSON.stringify({ faults: parsed.faults }, null, 2));
      return refuse(parsed.faults.map(faultLine).join('\n'));
    }
    const build = parsed.value;
    const now = flags.now === undefined ? undefined : toEpochMinute(flags.now, build.timeZone);
    if (flags.now !== undefined && now === undefined)
      return refuse(`--now ${flags.now}: write a moment as 2027-03-05T19:00.`);
    const search =
      flags.tries === undefined ? {} : { search: { iterations: flags.tries, seed: flags.seed ?? 1 } };
    work(build, planBuild(build, { ...(now === undefined ? {} : { now }), ...search }));
  };

  const program = new Command('fixatum')
    .description('Checks and plans the finishing of foam pieces from a build file.')
    .exitOverride()
    .configureOutput({ writeOut: (text) => (result.out += text), writeErr: (text) => (result.err += text) });
  const nowOption = () => new Option('--now <moment>', 'plan as of this wall time, such as 2027-02-20T19:30');

  const triesOption = () =>
    new Option('--tries <n>', 'orders of work to try for a better plan').argParser(wholeNumber).default(60);
  const seedOption = () => new Option('--seed <n>', 'where chance begins').argParser(wholeNumber).default(1);

  program
    .command('check')
    .description('say what would fail and why')
    .argument('<file>', 'a build file')
    .option('--json', 'print findings as JSON')
    .addOption(nowOption())
    // The same plan as `plan` makes, so that the two never contradict each other.
    .addOption(triesOption())
    .addOption(seedOption())
    .action((file: string, flags: Flags) =>
      withBuild(file, flags, (build, plan) => {
        const findings = checkBuild(build, plan);
        if (findings.some((finding) => finding.severity === 'stop')) result.status = 1;
        if (flags.json) return print(JSON.stringify({ findings }, null, 2));
        if (findings.length === 0) return print('Nothing stands against this build.');
        findings.forEach((finding) => print(findingLine(build, finding)));
      }),
    );

  program
    .command('plan')
    .description('say when everything is done and ready')
    .argument('<file>', 'a build file')
    .option('--json', 'print the plan as JSON')
    .addOption(nowOption())
    .addOption(triesOption())
    .addOption(seedOption())
    .action((file: string, flags: Flags) =>
      withBuild(file, flags, (build, plan) => {
        const stop = judgeBuild(build, plan).some((finding) => finding.severity === 'stop');
        if (stop || plan.pieces.some((piece) => piece.readiness === 'late' || piece.readiness === 'stuck'))
          result.status = 1;
        if (flags.json) return print(JSON.stringify(planJson(plan), null, 2));
        plan.pieces.forEach((piece) => print(pieceLine(build, plan, piece)));
      }),
    );

  program
    .command('forecast')
    .description('say how likely each piece is to make its dates')
    .argument('<file>', 'a build file')
    .option('--json', 'print the forecast as JSON')
    .addOption(nowOption())
    .addOption(triesOption())
    .addOption(seedOption())
    .addOption(new Option('--futures <n>', 'how many futures are tried').argParser(wholeNumber).default(200))
    .action((file: string, flags: Flags) =>
      withBuild(file, flags, (build, plan) => {
        const forecast = forecastBuild(build, plan, flags.seed ?? 1, { samples: flags.futures ?? 200 });
        if (plan.pieces.some((piece) => piece.readiness === 'late' || piece.readiness === 'stuck'))
          result.status = 1;
        if (flags.json)
          return print(
            JSON.stringify({ forecast: forecast.map((one) => forecastJson(one, build.timeZone)) }, null, 2),
          );
        for (const one of forecast)
          print(`${build.pieces.find((piece) => piece.id === one.pieceId)!.name}: ${one.sentence}`);
      }),
    );

  program
    .command('rescue')
    .description('say what could be changed when something is late')
    .argument('<file>', 'a build file')
    .option('--json', 'print the ways as JSON')
    .addOption(nowOption())
    .action((file: string, flags: Flags) =>
      withBuild(file, flags, (build, plan) => {
        const { inTrouble, rescues } = rescueBuild(build, { now: plan.now });
        if (inTrouble.length > 0) result.status = 1;
        if (flags.json) return print(JSON.stringify({ inTrouble, rescues }, null, 2));
        if (inTrouble.length === 0) return print('Nothing is late.');
        for (const one of rescues)
          print(
            `${one.makesIt ? '[makes it]' : '[helps]   '} ${one.label}: ${one.daysGained.toFixed(1)} days sooner, ready ${sayMoment(one.readyAt, build.timeZone)}${one.chance === undefined ? '' : `, ${sayChance(one.chance)} chance`}`,
          );
        if (rescues.length === 0) print('No change that was tried helps.');
      }),
    );

  program
    .command('shop')
    .description('say what to buy, by when, and what it is for')
    .argument('<file>', 'a build file')
    .option('--json', 'print the list as JSON')
    .addOption(nowOption())
    .addOption(triesOption())
    .addOption(seedOption())
    .action((file: string, flags: Flags) =>
      withBuild(file, flags, (build, plan) => {
        const { lines, sundries } = shopBuild(build, plan);
        if (flags.json) {
          const wall = (minute: number | undefined) =>
            minute === undefined ? null : toWallTime(Math.floor(minute), plan.timeZone);
          const told = lines.map((line) => ({
            ...line,
            firstUseAt: wall(line.firstUseAt),
            buyBy: wall(line.buyBy),
          }));
          return print(JSON.stringify({ lines: told, sundries }, null, 2));
        }
        const wanted = lines.filter(({ buy }) => buy.containers.length > 0);
        if (wanted.length === 0) print('Everything that is still to be laid is on the shelf.');
        wanted.forEach((line) => print(shopLine(build, line, plan.timeZone)));
        for (const one of sundryWords(sundries)) print(one);
      }),
    );

  // It looks into a database, so it is a program of the server's, which `main` starts.
  program
    .command('doctor')
    .description('say what is right and wrong with a data folder; with --mend, make a mended copy')
    .argument('<data>', 'a data folder')
    .option('--mend <folder>', 'make a mended copy in a folder that is not there yet')
    .action(async (data: string, { mend }: { mend?: string }) => {
      const said = await doctor(mend === undefined ? [data] : [data, '--mend', mend]);
      result.out += said.out;
      result.err += said.err;
      result.status = said.status;
    });

  try {
    await program.parseAsync(args, { from: 'user' });
  } catch (error) {
    if (!(error instanceof CommanderError)) throw error;
    if (error.exitCode !== 0) result.status = 2;
  }
  return result;
}

function wholeNumber(text: string): number {
  const value = Number(text);
  if (!Number.isInteger(value) || value < 0) throw new InvalidArgumentError('Give a whole number.');
  return value;
}

/** A forecast with wall times in place of epoch minutes. */
function forecastJson({ pieceId, packable, wearable, chance }: PieceForecast, timeZone: string) {
  const wall = (minute: number) => (Number.isFinite(minute) ? toWallTime(minute, timeZone) : null);
  const spread = (one: Spread) => ({ p10: wall(one.p10), p50: wall(one.p50), p90: wall(one.p90) });
  return { piece: pieceId, packable: spread(packable), wearable: spread(wearable), chance: chance ?? null };
}

/** "2 × 120 ml Craft acrylic #445566 (12.00), by Mon 15 Feb, 08:03: needs 168 ml, enough is 232 ml, 100 ml there; for Plate". */
function shopLine(build: Build, line: ShopLine, timeZone: string): string {
  const { name, colour, buy, needMl, enoughMl, shelfMl, onOrderMl, buyBy, steps } = line;
  const what = buy.containers.map(({ count, containerMl }) => `${count} × ${sayMl(containerMl)}`).join(' + ');
  const cost = buy.cost === undefined ? '' : ` (${buy.cost.toFixed(2)})`;
  const by = buyBy === undefined ? '' : `, by ${sayMoment(Math.floor(buyBy), timeZone)}`;
  const names = [...new Set(steps.map(({ pieceId }) => pieceId))].map(
    (id) => build.pieces.find((piece) => piece.id === id)?.name ?? id,
  );
  const coming = onOrderMl > 0 ? `, ${sayMl(onOrderMl)} on order` : '';
  return `${what} ${[name, colour].filter(Boolean).join(' ')}${cost}${by}: needs ${sayMl(needMl)}, enough is ${sayMl(enoughMl)}, ${sayMl(shelfMl)} there${coming}; for ${names.join(', ')}`;
}

const faultLine = (fault: Fault) => `${pathText(fault.path)}: ${fault.message}`;

function findingLine(build: Build, finding: Finding): string {
  const piece = build.pieces.find((candidate) => candidate.id === finding.piece);
  const ways = finding.waysOut.map((way) => `\n         way out: ${way.label}${wayCost(way)}`).join('');
  const none = finding.noWayOut ? `\n         no way out: ${finding.noWayOut}` : '';
  return `${severityMark[finding.severity]} ${finding.rule} ${[piece?.name ?? finding.piece, finding.where].filter(Boolean).join(', ')}: ${finding.message}${ways}${none}`;
}

function wayCost({ laterMinutes, buys }: WayOut): string {
  const time = laterMinutes !== undefined && laterMinutes > 0 ? [`ready ${sayWait(laterMinutes)} later`] : [];
  const parts = [...time, ...buys.map((name) => `to buy: ${name}`)];
  return parts.length > 0 ? ` (${parts.join(', ')})` : '';
}

function pieceLine(build: Build, plan: Plan, piece: PiecePlan): string {
  const name = build.pieces.find((candidate) => candidate.id === piece.pieceId)!.name;
  const at = (minute: number | undefined) =>
    minute === undefined || !Number.isFinite(minute) ? 'never' : sayMoment(minute, plan.timeZone);
  const margin =
    piece.slackMinutes === undefined
      ? ''
      : piece.slackMinutes < 0
        ? `, late by ${sayWait(-piece.slackMinutes)}`
        : `, ${sayWait(piece.slackMinutes)} to spare`;
  const start = piece.latestStartAt === undefined ? '' : `, go on by ${at(piece.latestStartAt)}`;
  const bound = plan.bounds.find((one) => one.pieceId === piece.pieceId);
  const isClose = piece.readiness === 'late' || piece.readiness === 'tight';
  const held = isClose
    ? heldUp(plan, withProofs(plan)).find((one) => one.pieceId === piece.pieceId)
    : undefined;
  const waits = held ? `. ${held.sentence.slice(0, -1)}` : '';
  const proof = bound?.provesLate ? `. ${bound.sentence} No plan can make it` : '';
  return `${name}: ${piece.readiness}; packable ${at(piece.packableAt)}, wearable ${at(piece.wearableAt)}${margin}${start}${waits}${proof}`;
}

/** The plan with wall times in place of epoch minutes, and materials by id. */
function planJson(plan: Plan) {
  const wall = (minute: number | undefined) =>
    minute === undefined || !Number.isFinite(minute) ? null : toWallTime(minute, plan.timeZone);
  const boundJson = (bound: PieceBound | undefined) =>
    bound === undefined
      ? null
      : {
          packableAt: wall(bound.packableAt),
          wearableAt: wall(bound.wearableAt),
          binds: bound.binds,
          provesLate: bound.provesLate,
        };
  return {
    now: wall(plan.now),
    hands: plan.hands.map((one) => ({
      ...one,
      doneAt: wall(Number.isFinite(one.doneAt) ? one.doneAt : undefined),
    })),
    timeZone: plan.timeZone,
    pieces: plan.pieces.map((piece) => ({
      piece: piece.pieceId,
      readiness: piece.readiness,
      packableAt: wall(piece.packableAt),
      wearableAt: wall(piece.wearableAt),
      packDueAt: wall(piece.packDueAt),
      wearDueAt: wall(piece.wearDueAt),
      slackMinutes: piece.slackMinutes ?? null,
      latestStartAt: wall(piece.latestStartAt),
      bound: boundJson(plan.bounds.find((one) => one.pieceId === piece.pieceId)),
      doneCount: piece.doneCount,
      totalCount: piece.totalCount,
    })),
    operations: plan.operations.map((operation) => ({
      id: operation.id,
      piece: operation.pieceId,
      unit: operation.unit,
      step: operation.stepId,
      coat: operation.coat,
      face: operation.face ?? null,
      status: operation.status,
      material: operation.material?.id ?? null,
      place: operation.placeId,
      person: operation.personId ?? null,
      start: wall(operation.start),
      laidAt: wall(operation.laidAt),
      end: wall(operation.end),
      boundBy: operation.boundBy ?? null,
    })),
    sessions: plan.sessions.map((session) => ({
      ...session,
      from: wall(session.from),
      to: wall(session.to),
      beginBy: session.beginBy ? { at: wall(session.beginBy.at), piece: session.beginBy.pieceId } : null,
      batches: session.batches.map((batch) => ({ ...batch, start: wall(batch.start), end: wall(batch.end) })),
    })),
  };
}
