import { boughtAsOne } from '../../colour/tint';
import { materialsOf } from '../../materials/ownMaterials';
import type { Material } from '../../model/materialSchema';
import type { Build, Mix } from '../../model/schema';
import { entryOf, nth } from '../../model/sure';
import { toWallTime, MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { usualContainersMl } from '../../quantity/containers';
import { amountFactor } from '../../quantity/learned';
import type { PassNeed } from '../../quantity/needs';
import { cheapestSet, type Purchase } from '../../quantity/purchase';
import { workBegins, type PlannedOperation } from '../../schedule/plan/plan';
import { drawsOf } from './draws';
import { mixedMl, mixFor, partsOf, type MixPart } from './mixing';
import { tinAge, tinsFor, type Drawn, type Shelf, type TinLevel } from './shelf';
import { passNeeds, shelfNow } from './shelfNow';
import { sundriesOf, type Sundries } from './sundries';
import { isOpen, type Planned, type ToShop } from './toShop';

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
  /** What of it is still to be mixed, and by which mix: then its parts are bought, and not it. */
  toMix?: { mix: Mix; ml: number };
  buy: Purchase;
  /** The first pass that uses it; undefined where none has its place in the plan. */
  firstUseAt: EpochMinute | undefined;
  /** What is to be ordered has to be by then. */
  buyBy: EpochMinute | undefined;
  /** Why: the steps that want it, most first. */
  steps: StepNeed[];
}

/** What a build wants bought, and what it has. */
export interface ShoppingList {
  lines: ShopLine[];
  sundries: Sundries;
  shelf: Shelf;
}

/** What open passes want of one material in one colour. */
interface Want {
  material: Material;
  colour: string | undefined;
  /** The middle figure, ml, and what is enough nine times in ten. */
  needMl: number;
  enoughMl: number;
  /** When the first pass that uses it begins; undefined where none has its place in the plan. */
  firstUseAt: EpochMinute | undefined;
  steps: StepNeed[];
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
      const need = isOpen(operation) ? needs[at]?.get(operation.id) : undefined;
      return need ? [{ operation, need, buildId: id }] : [];
    }),
  );
  const wants = wantsOf(open, workshop);
  // A tin that serves several colours is taken for the one that wants most; what is mixed first, as its parts are wanted then.
  const isMixed = ({ material, colour }: Want) => mixFor(workshop.mixes, material.id, colour) !== undefined;
  const inTurn = [...wants].sort((a, b) => Number(isMixed(b)) - Number(isMixed(a)) || b.needMl - a.needMl);
  const desk = new Desk(workshop, shelf.tins, today);
  const lines: ShopLine[] = [];
  const mixed = inTurn.filter(isMixed);
  const bought = inTurn.filter((want) => !isMixed(want));
  for (const want of mixed) {
    const line = desk.lineOf(want);
    lines.push(line);
    if (line.toMix)
      for (const part of partsOf(line.toMix.mix, line.toMix.ml, materials))
        addPart(bought, part, want, materials);
  }
  for (const want of bought) lines.push(desk.lineOf(want));
  const urgency = ({ buy, buyBy, firstUseAt }: ShopLine) =>
    buy.containers.length === 0 ? Infinity : (buyBy ?? firstUseAt ?? Number.MAX_SAFE_INTEGER);
  return {
    lines: lines.sort((a, b) => urgency(a) - urgency(b) || a.name.localeCompare(b.name)),
    sundries: sundriesOf(builds, materials),
    shelf,
  };
}

/** What passes want, material by material and colour by colour. */
function wantsOf(open: readonly OpenPass[], { amounts = [] }: Pick<Build, 'amounts'>): Want[] {
  const groups: { material: Material; colour: string | undefined; passes: OpenPass[] }[] = [];
  for (const pass of open) {
    const { material, colour } = pass.need;
    const known = groups.find(
      (one) => one.material.id === material.id && boughtAsOne(material, one.colour, colour),
    );
    if (known) known.passes.push(pass);
    else groups.push({ material, colour, passes: [pass] });
  }
  return groups.map(({ material, colour, passes }) => {
    const needMl = passes.reduce((sum, { need }) => sum + need.ml, 0);
    const enoughMl = passes.reduce(
      (sum, { need }) => sum + need.ml * amountFactor(amounts, material.id, need.method).nineInTen,
      0,
    );
    const starts = passes.flatMap(({ operation }) =>
      operation.laidAt === undefined ? [] : workBegins(operation),
    );
    return {
      material,
      colour,
      needMl,
      enoughMl,
      firstUseAt: starts.length > 0 ? Math.min(...starts) : undefined,
      steps: stepsOf(passes),
    };
  });
}

/** Adds what a mix takes of one of its parts to what is wanted. */
function addPart(
  wants: Want[],
  { materialId, colour, ml }: MixPart,
  { firstUseAt, steps, enoughMl }: Want,
  materials: ReadonlyMap<string, Material>,
): void {
  const material = entryOf(materials, materialId);
  const known = wants.find(
    (one) => one.material.id === materialId && boughtAsOne(material, one.colour, colour),
  );
  const want = known ?? { material, colour, needMl: 0, enoughMl: 0, firstUseAt: undefined, steps: [] };
  if (!known) wants.push(want);
  want.needMl += ml;
  want.enoughMl += ml;
  want.firstUseAt = Math.min(want.firstUseAt ?? Infinity, firstUseAt ?? Infinity);
  if (want.firstUseAt === Infinity) want.firstUseAt = undefined;
  want.steps.push(...steps.map((step) => ({ ...step, ml: (step.ml * ml) / enoughMl })));
}

/** Deals out what is in the tins to what is wanted, one after the other, and says what is to be bought or mixed of each. */
class Desk {
  /** What is left in each tin for those who come after, by its place in the list. */
  private readonly left: Map<number, number>;

  constructor(
    private readonly workshop: Build,
    private readonly tins: readonly TinLevel[],
    private readonly today: string,
  ) {
    this.left = new Map(tins.map((level) => [level.at, level.ml]));
  }

  lineOf({ material, colour, needMl, enoughMl, firstUseAt, steps }: Want): ShopLine {
    const { workshop, today, left } = this;
    const own = tinsFor(this.tins, material, colour);
    const isComing = ({ tin }: TinLevel) => tin.arrivesOn !== undefined && tin.arrivesOn > today;
    const isOld = ({ tin }: TinLevel) => tinAge(tin, material, today) === 'not-trusted';
    const sum = (levels: readonly TinLevel[]) => levels.reduce((all, { at }) => all + (left.get(at) ?? 0), 0);
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
    const mix = mixFor(workshop.mixes, material.id, colour);
    const toMix =
      mix && wanted > 1e-9
        ? { mix, ml: mixedMl({ needMl: (needMl * wanted) / enoughMl, enoughMl: wanted }) }
        : undefined;
    const buy = cheapestSet(mix ? 0 : wanted, offersOf(workshop, material));
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
      ...(toMix ? { toMix } : {}),
      buy,
      firstUseAt,
      buyBy:
        firstUseAt === undefined || buy.containers.length === 0
          ? undefined
          : firstUseAt - (workshop.deliveryDays ?? 0) * MINUTES_PER_DAY,
      steps,
    };
  }
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
