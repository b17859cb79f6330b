import { materialsOf } from '../../materials/ownMaterials';
import { tapeMmOf } from '../../facts/tape';
import { hazardsOf } from '../../model/hazards';
import { methodTable } from '../../model/methods';
import { passesMeant } from '../../model/logPasses';
import type { Material } from '../../model/materialSchema';
import type { Build, LogEntry, Piece } from '../../model/schema';
import { nth } from '../../model/sure';
import { toWallTime, MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { usualContainersMl } from '../../quantity/containers';
import { amountFactor } from '../../quantity/learned';
import { needsOf, type MeasuredPass, type PassNeed } from '../../quantity/needs';
import { cheapestSet, type Purchase } from '../../quantity/purchase';
import { expandBuild } from '../../schedule/plan/operations';
import { workBegins, type PlannedOperation } from '../../schedule/plan/plan';
import { sameTint, shelfOf, tinAge, tinsFor, type Drawn, type Shelf, type TinLevel } from './shelf';

/** What of a plan is needed to say what to buy. */
export interface Planned {
  operations: readonly PlannedOperation[];
  now: EpochMinute;
  sessions: readonly { id: string; batches: readonly { operationIds: readonly string[] }[] }[];
}

/** What the plan takes of one tin, ml. */
export interface Reserved {
  at: number;
  ml: number;
}

/** What one step wants of a material. */
export interface StepNeed {
  /** The build it is of, among several. */
  buildId?: string;
  pieceId: string;
  stepId: string;
  ml: number;
}

/** One material, in one colour where it comes in many: what is wanted, what is there, what to buy. */
export interface ShopLine {
  materialId: string;
  name: string;
  colour: string | undefined;
  /** The middle figure of what the open passes take, ml, and what is enough nine times in ten. */
  needMl: number;
  enoughMl: number;
  /** What is good on the shelf, ml, and what of it the plan does not take. */
  shelfMl: number;
  spareMl: number;
  /** What was ordered and is still to come, ml. */
  onOrderMl: number;
  /** What is on the shelf but too old to be counted, ml. */
  oldMl: number;
  /** What the plan takes of which tin, by its place in the list of tins. */
  reserved: Reserved[];
  buy: Purchase;
  /** The first pass that uses it; undefined where none has its place in the plan. */
  firstUseAt: EpochMinute | undefined;
  /** What is to be ordered has to be by then. */
  buyBy: EpochMinute | undefined;
  /** Why: the steps that want it, most first. */
  steps: StepNeed[];
}

/** What is used up besides paint. */
export interface Sundries {
  /** Tape, m, and the rolls that are enough. */
  tapeM: number;
  tapeRolls: Purchase;
  /** Pairs of gloves: one for each session with anything wet in it. */
  glovePairs: number;
  /** Mixes made in a cup. */
  cups: number;
  /** Brushes and sponges that nothing cleans again: one for each mix that sets in them. */
  brushes: number;
  /** Passes that leave a cloth dirty: wiping down, degreasing, wiping back. */
  cloths: number;
  /** Passes of sanding, the area in them, m², and what their steps say of the paper. */
  sandings: number;
  sandedM2: number;
  papers: string[];
  /** Hours of work whose vapour a cartridge has to take. */
  cartridgeHours: number;
}

/** What a build wants bought, and what it has. */
export interface ShoppingList {
  lines: ShopLine[];
  sundries: Sundries;
  shelf: Shelf;
}

/** Tape goes round corners and is cut. */
const TAPE_WASTE = 1.15;
const ROLLS_M = [25, 50];

const openStatus = new Set<PlannedOperation['status']>(['planned', 'unplaced', 'underway']);

/** What every pass of a build takes, by its id, as the user takes it. */
export function passNeeds(build: Build, operations: readonly MeasuredPass[]): Map<string, PassNeed> {
  const factors = new Map(
    [...materialsOf(build.materials).keys()].map((id) => [id, amountFactor(build.amounts ?? [], id).factor]),
  );
  return new Map(needsOf(build, operations, factors).map((need) => [need.passId, need]));
}

/**
 * What the shelf of a build holds now, by its log.
 * @param elsewhere what other builds took from the same shelf
 */
export function shelfNow(
  build: Build,
  needs: ReadonlyMap<string, PassNeed>,
  elsewhere: readonly Drawn[] = [],
): Shelf {
  const meant = new Map(passesMeant(build.pieces, build.log ?? []).map(({ entry, id }) => [entry.id, id]));
  return shelfOf(build.stock ?? [], build.log ?? [], needs, ({ id }) => meant.get(id), elsewhere);
}

/**
 * Entries that are about to be logged, each with what it takes and out of which tin. Written down so, neither a change of its step nor of
 * what is reckoned later moves the level of a tin.
 */
export function withUsed(
  build: Build,
  entries: readonly LogEntry[],
  needs: ReadonlyMap<string, PassNeed>,
  elsewhere: readonly Drawn[] = [],
): LogEntry[] {
  // Where an old file names its tins by nothing, there is no saying which it was.
  const isNamed = (build.stock ?? []).every((tin) => tin.id !== undefined);
  const { used } = shelfNow({ ...build, log: [...(build.log ?? []), ...entries] }, needs, elsewhere);
  return entries.map((entry) => {
    const own = used.get(entry.id);
    return own && own.length > 0 && isNamed ? { ...entry, used: [...own] } : entry;
  });
}

/** What the log of a build took from the shelf, for the other builds that share it; nothing from before any level was set. */
export function drawsOf(build: Build): Drawn[] {
  const log = build.log ?? [];
  const levels = (build.stock ?? []).flatMap(({ levelAt }) => levelAt ?? []).sort();
  const [since] = levels;
  if (since === undefined) return [];
  // What was logged by earlier versions does not say what it took.
  const needs = log.every(({ used }) => used) ? new Map() : passNeeds(build, expandBuild(build));
  const { used } = shelfNow(build, needs);
  return log.flatMap(({ id, doneAt }) => {
    const own = used.get(id);
    return own && own.length > 0 && doneAt >= since ? [{ doneAt, used: own }] : [];
  });
}

/** A build that is shopped for, with its plan. */
export interface ToShop {
  /** What it is called among several; its steps are told apart by it. */
  id?: string;
  build: Build;
  plan: Pick<Planned, 'operations' | 'sessions'>;
}

/** As `shopBuilds`, for one build. */
export const shopBuild = (build: Build, plan: Planned, elsewhere: readonly Drawn[] = []): ShoppingList =>
  shopBuilds([{ build, plan }], plan.now, elsewhere);

/** An open pass, what it takes, and the build it is of. */
interface OpenPass {
  operation: PlannedOperation;
  need: PassNeed;
  buildId: string | undefined;
}

/**
 * What all open steps of some builds of one workshop take at nine in ten, less what is good on the shelf and what is on order, as the
 * cheapest set of whole containers; by when it has to be ordered, and why it is needed. Every colour is bought for itself. Most urgent first.
 * @param builds at least one, in the order in which they have the tins
 * @param now epoch minutes
 * @param elsewhere what builds that are not shopped for took from the shelf
 */
export function shopBuilds(
  builds: readonly ToShop[],
  now: EpochMinute,
  elsewhere: readonly Drawn[] = [],
): ShoppingList {
  const { build: workshop } = nth(builds, 0);
  const materials = materialsOf(workshop.materials);
  const today = toWallTime(Math.floor(now), workshop.timeZone).slice(0, 10);
  const needs = builds.map(({ build, plan }) => passNeeds(build, plan.operations));
  const others = builds.slice(1).flatMap(({ build }) => drawsOf(build));
  const shelf = shelfNow(workshop, nth(needs, 0), [...others, ...elsewhere]);
  const open = builds.flatMap(({ id, plan }, at) =>
    plan.operations.flatMap((operation): OpenPass[] => {
      const need = openStatus.has(operation.status) ? needs[at]?.get(operation.id) : undefined;
      return need ? [{ operation, need, buildId: id }] : [];
    }),
  );
  const groups: { material: Material; colour: string | undefined; passes: OpenPass[] }[] = [];
  for (const pass of open) {
    const { material, colour } = pass.need;
    const known = groups.find((one) => one.material.id === material.id && sameTint(one.colour, colour));
    if (known) known.passes.push(pass);
    else groups.push({ material, colour, passes: [pass] });
  }
  const total = ({ passes }: (typeof groups)[number]) => passes.reduce((sum, { need }) => sum + need.ml, 0);
  const left = new Map(shelf.tins.map((level) => [level.at, level.ml]));
  const lines = groups
    // A tin that serves several colours is taken for the one that wants most.
    .sort((a, b) => total(b) - total(a))
    .map((group): ShopLine => {
      const { material, colour, passes } = group;
      const needMl = total(group);
      const enoughMl = needMl * amountFactor(workshop.amounts ?? [], material.id).nineInTen;
      const own = tinsFor(shelf.tins, material.id, colour);
      const isComing = ({ tin }: TinLevel) => tin.arrivesOn !== undefined && tin.arrivesOn > today;
      const isOld = ({ tin }: TinLevel) => tinAge(tin, material, today) === 'not-trusted';
      const sum = (levels: readonly TinLevel[]) =>
        levels.reduce((all, { at }) => all + (left.get(at) ?? 0), 0);
      const good = own.filter((level) => !isComing(level) && !isOld(level));
      const coming = own.filter((level) => isComing(level) && !isOld(level));
      const shelfMl = sum(good);
      const onOrderMl = sum(coming);
      let wanted = enoughMl;
      const reserved: Reserved[] = [];
      for (const { at } of [...good, ...coming]) {
        const ml = Math.min(wanted, left.get(at) ?? 0);
        if (ml <= 0) continue;
        left.set(at, (left.get(at) ?? 0) - ml);
        wanted -= ml;
        reserved.push({ at, ml });
      }
      const starts = passes.flatMap(({ operation }) =>
        operation.laidAt === undefined ? [] : workBegins(operation),
      );
      const firstUseAt = starts.length > 0 ? Math.min(...starts) : undefined;
      const buy = cheapestSet(wanted, offersOf(workshop, material));
      return {
        materialId: material.id,
        name: material.name,
        colour,
        needMl,
        enoughMl,
        shelfMl,
        spareMl: Math.max(0, shelfMl - enoughMl),
        onOrderMl,
        oldMl: sum(own.filter(isOld)),
        reserved,
        buy,
        firstUseAt,
        buyBy:
          firstUseAt === undefined || buy.containers.length === 0
            ? undefined
            : firstUseAt - (workshop.deliveryDays ?? 0) * MINUTES_PER_DAY,
        steps: stepsOf(passes),
      };
    });
  const urgency = ({ buy, buyBy, firstUseAt }: ShopLine) =>
    buy.containers.length === 0 ? Infinity : (buyBy ?? firstUseAt ?? Number.MAX_SAFE_INTEGER);
  return {
    lines: lines.sort((a, b) => urgency(a) - urgency(b) || a.name.localeCompare(b.name)),
    sundries: sundriesOf(builds, materials),
    shelf,
  };
}

/** The containers a material can be bought in: those the user has prices for, and the usual ones. */
export function offersOf(
  build: Pick<Build, 'prices' | 'stock'>,
  material: Material,
): { containerMl: number; price: number | undefined }[] {
  const prices = new Map<number, number>();
  // What was paid last for such a tin, unless a price was said.
  for (const { material: id, containerMl, price } of [...(build.stock ?? []), ...(build.prices ?? [])])
    if (id === material.id && price !== undefined) prices.set(containerMl, price);
  const sizes = new Set([...usualContainersMl(material), ...prices.keys()]);
  return [...sizes]
    .sort((a, b) => a - b)
    .map((containerMl) => ({ containerMl, price: prices.get(containerMl) }));
}

function stepsOf(passes: readonly OpenPass[]): StepNeed[] {
  const steps = new Map<string, StepNeed>();
  for (const { need, buildId } of passes) {
    const { pieceId, stepId, ml } = need;
    const key = [buildId, pieceId, stepId].join('/');
    const known = steps.get(key) ?? {
      ...(buildId === undefined ? {} : { buildId }),
      pieceId,
      stepId,
      ml: 0,
    };
    known.ml += ml;
    steps.set(key, known);
  }
  return [...steps.values()].sort((a, b) => b.ml - a.ml);
}

function sundriesOf(builds: readonly ToShop[], materials: ReadonlyMap<string, Material>): Sundries {
  let tapeMm = 0;
  let vapourMinutes = 0;
  let cups = 0;
  let brushes = 0;
  let cloths = 0;
  let sandings = 0;
  let sandedM2 = 0;
  const papers = new Set<string>();
  // A session over several builds is one.
  const wet = new Set<string>();
  for (const { build, plan } of builds) {
    const open = plan.operations.filter(({ status }) => openStatus.has(status));
    const pieces = new Map<string, Piece>(build.pieces.map((piece) => [piece.id, piece]));
    for (const { pieceId, stepId } of open.filter(({ kind }) => kind === 'mask')) {
      const piece = pieces.get(pieceId);
      const step = piece?.steps.find(({ id }) => id === stepId);
      if (piece && step && !step.covers) tapeMm += tapeMmOf(piece, step);
    }
    const isWet = new Set(open.filter(({ material }) => material !== undefined).map(({ id }) => id));
    for (const { id, batches } of plan.sessions)
      if (batches.some(({ operationIds }) => operationIds.some((pass) => isWet.has(pass)))) wet.add(id);
    const mixes = new Map(
      open
        .filter(({ material, method }) => method === 'airbrush' || material?.potLife !== undefined)
        .map((pass) => [[pass.pieceId, pass.stepId, pass.coat].join('/'), pass]),
    );
    cups += mixes.size;
    brushes += [...mixes.values()].filter(
      ({ material, method }) => material?.potLife !== undefined && !methodTable[method].sprays,
    ).length;
    for (const { kind, method, areaCm2, material, workMinutes, pieceId, stepId } of open) {
      const step = pieces.get(pieceId)?.steps.find(({ id }) => id === stepId);
      if (step?.cleans !== undefined || method === 'wipe') cloths += 1;
      if (kind === 'sand') {
        sandings += 1;
        sandedM2 += areaCm2 / 10_000;
        if (step?.note) papers.add(step.note);
      }
      if (hazardsOf(material && materials.get(material.id), method).has('organic vapour'))
        vapourMinutes += workMinutes;
    }
  }
  const tapeM = (tapeMm / 1000) * TAPE_WASTE;
  return {
    tapeM,
    tapeRolls: cheapestSet(
      tapeM,
      ROLLS_M.map((containerMl) => ({ containerMl })),
    ),
    glovePairs: wet.size,
    cups,
    brushes,
    cloths,
    sandings,
    sandedM2,
    papers: [...papers],
    cartridgeHours: vapourMinutes / 60,
  };
}
