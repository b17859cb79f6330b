import { materialsOf } from '../../materials/ownMaterials';
import type { Material } from '../../model/materialSchema';
import type { Build } from '../../model/schema';
import { nth } from '../../model/sure';
import { toWallTime, MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { usualContainersMl } from '../../quantity/containers';
import { amountFactor } from '../../quantity/learned';
import type { PassNeed } from '../../quantity/needs';
import { cheapestSet, type Purchase } from '../../quantity/purchase';
import { workBegins, type PlannedOperation } from '../../schedule/plan/plan';
import { drawsOf } from './draws';
import { sameTint, tinAge, tinsFor, type Drawn, type Shelf, type TinLevel } from './shelf';
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
