import { applyPatch } from '../../materials/applyPatch';
import { type Build, type Piece, type Step, type Weekday, weekdays } from '../../model/schema';
import { coatsToHide } from '../../colour/hiding';
import type { LookChange } from '../finding';
import { judgeBuild } from '../judgeBuild';
import { materialsOf } from '../../materials/ownMaterials';
import { dryFilmUm } from '../../materials/film';
import { layerUm, spotsOf } from '../../facts/spots';
import { atZone, epochMinute, sayMoment, toWallTime, type EpochMinute } from '../../model/wallTime';
import { forecastBuild } from '../../schedule/answers/forecast';
import { unitKey, type ReadingsByPlace } from '../../schedule/plan/workload';
import { planBuild } from '../../schedule/answers/planBuild';
import { warmFrom, type WarmStart } from '../../schedule/search/warmStart';
import { stepKindWords } from '../../model/stepKinds';
import type { PatchStep } from '../../model/patch';
import { placesOf } from '../../model/places';
import type { Plan } from '../../schedule/answers/plan';

/** What a way of catching up costs, in kind. */
export interface RescueCost {
  look: LookChange;
  /** More hands-on minutes than before; negative for less. */
  workMinutes: number;
  /** Somebody else's evening, in minutes. */
  favourMinutes: number;
  /** Things to buy or hire, by name. */
  buys: string[];
  /** What is given up, in a few words. */
  givesUp: string[];
}

/** A way to catch up, planned for real and free of new stops. */
export interface Rescue {
  label: string;
  change: PatchStep[];
  /** Which single ways it is made of. */
  parts: string[];
  /** Pieces that it moves to the front of the plan, by id; the others stay where they are. */
  urgent: string[];
  /** Days the pieces it is about are ready sooner, taken together. */
  daysGained: number;
  /** Whether the pieces it is about make their dates then, and their chance to do so holds as well. */
  makesIt: boolean;
  /** When the last of the pieces it is about is ready then. */
  readyAt: EpochMinute;
  /** The chance of the riskiest of those to make its dates. */
  chance: number | undefined;
  cost: RescueCost;
}

export interface RescueOptions {
  now?: EpochMinute;
  readings?: ReadingsByPlace;
  /** The plan that is gone by; without it one is made. */
  warm?: WarmStart;
  /** Chances by piece from a forecast that was made already; those under 80 % are in trouble too. */
  chances?: ReadonlyMap<string, number | undefined>;
  /** How many futures each offered way is tried in. */
  samples?: number;
  onProgress?: (done: number, of: number) => boolean | void;
}

/** What all the ways came to. */
export interface RescueAnswer {
  /** Pieces that are late or likely to be. */
  inTrouble: string[];
  rescues: Rescue[];
}

/** A date that is made less often than this is in danger. */
export const SAFE_CHANCE = 0.8;
/** How many single ways are looked at in full, and how many join into combinations. */
const MOST_SINGLES = 60;
const MOST_COMBINED = 6;
const MOST_OFFERED = 8;
/** So many of them at least for each piece in trouble. */
const LEAST_OFFERED = 2;
const SAMPLES = 40;
const EVENINGS_AHEAD = 10;

/** What a way costs on one scale, for ranking: a day of anybody's evening 1, a purchase 0.5, another look 3 … */
const weights = {
  look: { same: 0, slight: 0.6, other: 2.5 },
  work: 1 / 300,
  favour: 1 / 240,
  buy: 0.5,
  givesUp: 0.7,
};

interface Way {
  label: string;
  change: PatchStep[];
  cost: Partial<RescueCost>;
}

/**
 * Ways to catch up for a build with a missed date, or with one whose chance is under 80 %: singly and in the cheapest
 * combination. Every offer has been applied, planned and judged: it brings no new stop. Ranked by whether it makes the
 * dates, then by cost, then by days gained.
 */
export function rescueBuild(build: Build, options: RescueOptions = {}): RescueAnswer {
  const { readings = {} } = options;
  const before = planBuild(build, {
    ...(options.now === undefined ? {} : { now: options.now }),
    readings,
    latestStarts: false,
    ...(options.warm ? { search: { warm: options.warm, keep: true, starts: 'none' } } : {}),
  });
  const inTrouble = before.pieces
    .filter(
      (piece) =>
        piece.readiness === 'late' ||
        piece.readiness === 'stuck' ||
        (options.chances?.get(piece.pieceId) ?? 1) < SAFE_CHANCE,
    )
    .map((piece) => piece.pieceId);
  if (inTrouble.length === 0) return { inTrouble, rescues: [] };
  const stopsBefore = new Set(
    judgeBuild(build, before).flatMap((one) =>
      one.severity === 'stop' ? [`${one.piece} ${one.rule} ${one.step}`] : [],
    ),
  );
  const lateBefore = lateMinutes(before, inTrouble);
  const warm = warmFrom(before);

  const pieceIn = (one: Build, id: string) => one.pieces.find((piece) => piece.id === id);

  interface Tried {
    ways: Way[];
    change: PatchStep[];
    build: Build;
    urgent: string[];
    plan: Plan;
    /** Minutes too late over all that are in trouble, and over the pieces it is about. */
    late: number;
    ownLate: number;
    gained: number;
  }
  const tryWays = (ways: Way[]): Tried | undefined => {
    let changed = build;
    const change: PatchStep[] = [];
    for (const way of ways) {
      const applied = applyPatch(changed, way.change);
      if (!applied.ok) return undefined;
      changed = applied.value;
      change.push(...way.change);
    }
    const touched = inTrouble.filter(
      (id) => JSON.stringify(pieceIn(build, id)) !== JSON.stringify(pieceIn(changed, id)),
    );
    // What helps everybody, such as another evening, is for all that are in trouble.
    const urgent = touched.length > 0 ? touched : inTrouble;
    const plan = planBuild(changed, {
      now: before.now,
      readings,
      latestStarts: false,
      search: { warm, urgent: new Set(urgent), starts: 'none' },
    });
    const late = lateMinutes(plan, inTrouble);
    const gained = readySum(before, urgent) - readySum(plan, urgent);
    const others = plan.pieces.some(
      (piece) =>
        (piece.readiness === 'late' || piece.readiness === 'stuck') &&
        !urgent.includes(piece.pieceId) &&
        before.pieces.find((one) => one.pieceId === piece.pieceId)!.readiness !== piece.readiness,
    );
    // What gets nothing ready sooner has to make the date all the same, as moving that does.
    if (others || late >= lateBefore + 1 || (gained < 15 && late > 0)) return undefined;
    const stops = judgeBuild(changed, plan).filter(
      (one) => one.severity === 'stop' && !stopsBefore.has(`${one.piece} ${one.rule} ${one.step}`),
    );
    return stops.length > 0
      ? undefined
      : { ways, change, build: changed, urgent, plan, late, ownLate: lateMinutes(plan, urgent), gained };
  };

  const ways = waysFor(build, before, inTrouble).slice(0, MOST_SINGLES);
  const singles: Tried[] = [];
  let stopped = false;
  for (const [at, way] of ways.entries()) {
    const tried = tryWays([way]);
    if (tried) singles.push(tried);
    if (options.onProgress?.(at + 1, ways.length) === false) {
      stopped = true;
      break;
    }
  }
  const found = [...singles];
  if (!stopped && !singles.some((one) => one.late === 0 && costOf(one.ways) < 0.5)) {
    // Pairs, and then threes, of those that bring most for what they cost.
    const worth = [...singles].sort(
      (a, b) => b.gained / (costOf(b.ways) + 0.3) - a.gained / (costOf(a.ways) + 0.3),
    );
    const best = worth.slice(0, MOST_COMBINED);
    const pairs = best.flatMap((one, at) =>
      best
        .slice(at + 1)
        .flatMap((other) =>
          touchSame(one.change, other.change) ? [] : (tryWays([...one.ways, ...other.ways]) ?? []),
        ),
    );
    found.push(...pairs);
    if (!found.some((one) => one.late === 0)) {
      const three = [...pairs].sort((a, b) => a.late - b.late)[0];
      if (three)
        for (const other of best)
          if (!three.ways.includes(other.ways[0]!) && !touchSame(three.change, other.change)) {
            const tried = tryWays([...three.ways, ...other.ways]);
            if (tried) found.push(tried);
          }
    }
  }
  const ranked = found
    .sort(
      (a, b) =>
        Number(a.ownLate > 0) - Number(b.ownLate > 0) ||
        costOf(a.ways) - costOf(b.ways) ||
        b.gained - a.gained,
    )
    // A combination that does no more than one of its parts is no offer.
    .filter(
      (one, _at, all) =>
        one.ways.length === 1 ||
        !all.some(
          (other) =>
            other.ways.length < one.ways.length &&
            other.ways.every((way) => one.ways.includes(way)) &&
            other.late <= one.late,
        ),
    );
  // Every piece in trouble has a few of the offers; the others go by rank.
  const offered = new Set(
    inTrouble.flatMap((id) => ranked.filter((one) => one.urgent.includes(id)).slice(0, LEAST_OFFERED)),
  );
  for (const one of ranked) if (offered.size < MOST_OFFERED) offered.add(one);
  const handsBefore = handsOn(before);
  const chanceOf = (id: string) => options.chances?.get(id) ?? 0;
  const rescues = ranked.flatMap((one): Rescue[] => {
    if (!offered.has(one)) return [];
    const forecast = forecastBuild(one.build, one.plan, 1, { samples: options.samples ?? SAMPLES, readings });
    const chances = forecast.flatMap((piece) =>
      one.urgent.includes(piece.pieceId) && piece.chance !== undefined ? [piece.chance] : [],
    );
    const chance = chances.length > 0 ? Math.min(...chances) : undefined;
    // What is in time and only likely to miss its date gains nothing by being ready sooner without a better chance.
    const wasLate = lateMinutes(before, one.urgent) > 0;
    if (!wasLate && chance !== undefined && chance <= Math.min(...one.urgent.map(chanceOf))) return [];
    return [
      {
        label: one.ways.map((way) => way.label).join(' + '),
        change: one.change,
        urgent: one.urgent,
        parts: one.ways.map((way) => way.label),
        daysGained: one.gained / 1440,
        makesIt: one.ownLate === 0 && (chance === undefined || chance >= SAFE_CHANCE),
        readyAt: Math.max(...one.urgent.map((id) => readyAt(one.plan, id))),
        chance,
        cost: { ...sumOf(one.ways), workMinutes: handsOn(one.plan) - handsBefore },
      },
    ];
  });
  return {
    inTrouble,
    rescues: rescues.sort((a, b) => Number(b.makesIt) - Number(a.makesIt)),
  };
}

const A_YEAR_MINUTES = 365 * 1440;
const readyAt = (plan: Plan, pieceId: string): EpochMinute => {
  const piece = plan.pieces.find((one) => one.pieceId === pieceId);
  if (piece?.packableAt === undefined || piece.wearableAt === undefined) return plan.now + A_YEAR_MINUTES;
  return Math.min(Math.max(piece.packableAt, piece.wearableAt), plan.now + A_YEAR_MINUTES);
};
const readySum = (plan: Plan, ids: readonly string[]): number =>
  ids.reduce((sum, id) => sum + readyAt(plan, id), 0);
const lateMinutes = (plan: Plan, ids: readonly string[]): number =>
  ids.reduce((sum, id) => {
    const piece = plan.pieces.find((one) => one.pieceId === id);
    if (!piece) return sum;
    if (piece.readiness === 'stuck') return sum + A_YEAR_MINUTES;
    return sum + Math.max(0, -(piece.slackMinutes ?? 0));
  }, 0);
const handsOn = (plan: Plan): number =>
  plan.operations.reduce(
    (sum, one) =>
      sum +
      (one.status === 'planned' && one.end !== undefined && one.start !== undefined
        ? one.end - one.start
        : 0),
    0,
  );

function sumOf(ways: readonly Way[]): RescueCost {
  const looks: LookChange[] = ['same', 'slight', 'other'];
  return {
    look: looks[Math.max(...ways.map((way) => looks.indexOf(way.cost.look ?? 'same')))]!,
    workMinutes: 0,
    favourMinutes: ways.reduce((sum, way) => sum + (way.cost.favourMinutes ?? 0), 0),
    buys: ways.flatMap((way) => way.cost.buys ?? []),
    givesUp: ways.flatMap((way) => way.cost.givesUp ?? []),
  };
}

function costOf(ways: readonly Way[]): number {
  const cost = sumOf(ways);
  return (
    weights.look[cost.look] +
    cost.favourMinutes * weights.favour +
    cost.buys.length * weights.buy +
    cost.givesUp.length * weights.givesUp +
    0.1 * ways.length
  );
}

/** Whether two changes are about the same part of the build, so that they can't both be made as they are. */
function touchSame(one: readonly PatchStep[], other: readonly PatchStep[]): boolean {
  const roots = (list: readonly PatchStep[]) =>
    new Set(
      list.map((step) =>
        step.path
          .split('/')
          .slice(0, step.path.startsWith('/pieces') ? 5 : 3)
          .join('/'),
      ),
    );
  const mine = roots(one);
  // What takes a step away moves those behind it.
  const removes = [...one, ...other].some((step) => step.op === 'remove' && step.path.startsWith('/pieces'));
  const pieceOf = (list: readonly PatchStep[]) =>
    new Set(list.map((step) => step.path.split('/').slice(0, 3).join('/')));
  if (removes && [...pieceOf(one)].some((piece) => pieceOf(other).has(piece))) return true;
  return [...roots(other)].some((root) => mine.has(root));
}

/** Every single way that could help the pieces in trouble, by kind, gentle ones first. */
function waysFor(build: Build, plan: Plan, inTrouble: readonly string[]): Way[] {
  const materials = materialsOf(build.materials);
  const shelf = new Set((build.stock ?? []).filter((tin) => tin.remainingMl > 0).map((tin) => tin.material));
  const used = new Set(build.pieces.flatMap((piece) => piece.steps.flatMap((step) => step.material ?? [])));
  const toBuy = (id: string) => (used.has(id) || shelf.has(id) ? [] : [materials.get(id)?.name ?? id]);
  const ways: Way[] = [];
  const troubled = build.pieces.filter((piece) => inTrouble.includes(piece.id));
  for (const piece of troubled) {
    const at = build.pieces.indexOf(piece);
    const pointer = (step: number) => `/pieces/${at}/steps/${step}`;
    const open = (step: Step) =>
      plan.operations.some(
        (one) =>
          one.pieceId === piece.id &&
          one.stepId === step.id &&
          (one.status === 'planned' || one.status === 'unplaced'),
      );
    const untouched = (step: Step) =>
      !plan.operations.some(
        (one) =>
          one.pieceId === piece.id &&
          one.stepId === step.id &&
          (one.status === 'done' || one.status === 'underway'),
      );
    const openSteps = piece.steps.map((step, n) => ({ step, n })).filter(({ step }) => open(step));
    // A fan on all that is still to be laid.
    const fanned = openSteps.filter(({ step }) => step.material && (step.air ?? 'still') === 'still');
    if (fanned.length > 0)
      ways.push({
        label: `A fan on ${piece.name}`,
        change: fanned.map(({ n }) => ({ op: 'add', path: `${pointer(n)}/air`, value: 'fan' })),
        cost: {},
      });
    for (const { step, n } of openSteps) {
      const material = step.material === undefined ? undefined : materials.get(step.material);
      const name = material?.name ?? stepKindWords[step.kind];
      const fresh = untouched(step);
      const undone = !(build.log ?? []).some((entry) => entry.piece === piece.id && entry.step === step.id);
      if (step.optional && fresh && undone)
        ways.push({
          label: `Leave out: ${name}`,
          change: [{ op: 'remove', path: pointer(n) }],
          cost: { look: 'slight', givesUp: [name] },
        });
      if (!material) continue;
      // Fewer coats, where what is left covers, or where they only build up.
      const coats = step.coats ?? 1;
      if (coats > 1 && fresh && undone && (material.role !== 'paint' || stillCovers(piece, n, coats - 1)))
        ways.push({
          label: `${coats - 1} ${coats === 2 ? 'coat' : 'coats'} of ${name} in place of ${coats}`,
          change: [{ op: 'add', path: `${pointer(n)}/coats`, value: coats - 1 }],
          cost: { look: 'slight', givesUp: material.role === 'paint' ? [] : ['some toughness'] },
        });
      if (fresh && (step.film ?? 'normal') !== 'dust' && (step.film ?? 'normal') !== 'light')
        ways.push({
          label: `${name} in light coats`,
          change: [{ op: 'add', path: `${pointer(n)}/film`, value: 'light' }],
          cost: { look: 'slight' },
        });
      // A quicker material of the same kind: sealer, clear, wash.
      if (fresh && undone && ['seal', 'topcoat', 'weather', 'prime'].includes(material.role)) {
        const slow = Math.max(material.pack ?? 0, material.wear ?? 0);
        const quicker = [...materials.values()]
          .filter(
            (other) =>
              other.role === material.role &&
              other.id !== material.id &&
              other.potLife === undefined &&
              other.binder !== 'powder' &&
              other.binder !== 'resist' &&
              Math.max(other.pack ?? Infinity, other.wear ?? Infinity) < slow * 0.8,
          )
          .sort(
            (a, b) =>
              Math.abs((a.sheenGu ?? 20) - (material.sheenGu ?? 20)) -
                Math.abs((b.sheenGu ?? 20) - (material.sheenGu ?? 20)) ||
              toBuy(a.id).length - toBuy(b.id).length,
          )
          .slice(0, 4);
        for (const other of quicker)
          ways.push({
            label: `${other.name} in place of ${name}`,
            change: [
              { op: 'add', path: `${pointer(n)}/material`, value: other.id },
              { op: 'add', path: `${pointer(n)}/method`, value: other.methods[0]! },
            ],
            cost: {
              look:
                material.role === 'seal' || material.role === 'prime'
                  ? 'same'
                  : Math.abs((other.sheenGu ?? 0) - (material.sheenGu ?? 0)) > 15
                    ? 'other'
                    : 'slight',
              buys: toBuy(other.id),
            },
          });
      }
      // Coats that dry as one thick film, one by one.
      const joins = plan.operations.some(
        (one) =>
          one.pieceId === piece.id &&
          one.stepId === step.id &&
          one.status === 'planned' &&
          !one.letsDryThrough &&
          plan.workload.coatsOnCoats
            .get(unitKey(one))!
            .some((coat) => coat.id === one.id && coat.early === 'joins'),
      );
      if (joins && step.waitFor === undefined)
        ways.push({
          label: `Each coat of ${name} on ${piece.name} dry through before the next`,
          change: [{ op: 'add', path: `${pointer(n)}/waitFor`, value: 'through' }],
          cost: {},
        });
      // Another place.
      for (const place of placesOf(build))
        if (place.id !== (step.place ?? placesOf(build)[0]!.id) && fresh)
          ways.push({
            label: `${name} of ${piece.name} in: ${place.name}`,
            change: [{ op: 'add', path: `${pointer(n)}/place`, value: place.id }],
            cost: {},
          });
    }
    // A warm cabinet for what is not sprayed: thirty degrees, which every brushed film stands.
    const brushed = openSteps.filter(({ step }) => {
      const material = step.material === undefined ? undefined : materials.get(step.material);
      return material !== undefined && step.method !== 'aerosol' && material.maxC >= 31;
    });
    if (brushed.length > 0 && !build.places.some((place) => place.id === 'warm-cabinet'))
      ways.push({
        label: `A warm cabinet at 30 °C for ${piece.name}`,
        change: [
          {
            op: 'add',
            path: `/places/${build.places.length}`,
            value: {
              id: 'warm-cabinet',
              name: 'Warm cabinet',
              ventilation: 'extraction',
              slots: 2,
              climate: { kind: 'constant', temperatureC: 30, humidityPct: 35 },
            },
          },
          ...brushed.map(({ n }): PatchStep => ({
            op: 'add',
            path: `${pointer(n)}/place`,
            value: 'warm-cabinet',
          })),
        ],
        cost: { buys: ['a warm cabinet'] },
      });
    // Part of a set in time, the rest later.
    if (piece.quantity > 1)
      ways.push({
        label: `Only ${piece.quantity - 1} of ${piece.quantity} ${piece.name} this time`,
        change: [{ op: 'add', path: `/pieces/${at}/quantity`, value: piece.quantity - 1 }],
        cost: { look: 'slight', givesUp: [`one ${piece.name}`] },
      });
  }
  ways.push(...eveningWays(build, plan, troubled), ...packWays(build, troubled));
  // Leaving a set smaller is refused where the log has the last unit; the parser says so when it is tried.
  return ways.filter(
    (way) =>
      !way.change.some(
        (step) =>
          step.path.endsWith('/quantity') &&
          step.op === 'add' &&
          (build.log ?? []).some(
            (entry) =>
              entry.piece === build.pieces[Number(step.path.split('/')[2])]!.id &&
              entry.unit > Number(step.value),
          ),
      ),
  );

  function stillCovers(piece: Piece, stepIndex: number, coats: number): boolean {
    return spotsOf(piece, { build, materials }).every((spot) => {
      const at = spot.layers.findIndex((layer) => layer.at === stepIndex);
      const layer = spot.layers[at];
      const below = spot.layers
        .slice(0, Math.max(0, at))
        .reverse()
        .find((one) => one.material.hideUm !== undefined);
      if (!layer || !below || layer.step.colour === undefined) return true;
      const coatUm =
        layerUm(layer) / (layer.step.coats ?? 1) || dryFilmUm(layer.material.wftUm, layer.material);
      const needed = coatsToHide(
        below.step.colour ?? below.material.colour,
        layer.step.colour,
        layer.material,
        coatUm,
      );
      return needed !== undefined && needed <= coats;
    });
  }
}

/** An hour more, and a helper, on each of the coming evenings before the date. */
function eveningWays(build: Build, plan: Plan, troubled: readonly Piece[]): Way[] {
  const { timeZone } = build;
  const due = Math.max(
    ...troubled.flatMap((piece) => {
      const event = build.events.find((one) => one.id === piece.event);
      return event ? [epochMinute(event.wearAt, timeZone)] : [];
    }),
  );
  const me = build.people[0];
  if (!me || !Number.isFinite(due)) return [];
  const ways: Way[] = [];
  for (let day = 0; day < EVENINGS_AHEAD; day += 1) {
    const moment = plan.now + day * 1440;
    if (moment >= due) break;
    const date = toWallTime(moment, timeZone).slice(0, 10);
    const weekday: Weekday = weekdays[atZone(moment, timeZone).weekday - 1]!;
    const said = sayMoment(moment, timeZone).split(',')[0]!;
    const own = me.exceptions?.find((one) => one.date === date);
    const usual = own?.windows ?? me.availability.filter((rule) => rule.days.includes(weekday));
    const windows = usual.map(({ from, to }) => ({ from, to }));
    const last = windows.sort((a, b) => (a.to < b.to ? -1 : 1)).at(-1);
    const later = last ? oneHourLater(last.to) : undefined;
    const longer =
      last && later
        ? [...windows.slice(0, -1), { from: last.from, to: later }]
        : last
          ? undefined
          : [{ from: '19:00', to: '21:00' }];
    const exceptions = (me.exceptions ?? []).filter((one) => one.date !== date);
    if (longer)
      ways.push({
        label: last ? `An hour longer on ${said}` : `Two hours on ${said}`,
        change: [
          { op: 'add', path: '/people/0/exceptions', value: [...exceptions, { date, windows: longer }] },
        ],
        cost: { favourMinutes: last ? 60 : 120 },
      });
    ways.push({
      label: `A helper on ${said}, 18:00 to 22:00`,
      change: [
        {
          op: 'add',
          path: `/people/${build.people.length}`,
          value: {
            id: `helper-${date}`,
            name: 'Helper',
            availability: [],
            exceptions: [{ date, windows: [{ from: '18:00', to: '22:00' }] }],
          },
        },
      ],
      cost: { favourMinutes: 240 },
    });
  }
  return ways;
}

function oneHourLater(clock: string): string | undefined {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  return hour + 1 > 23
    ? undefined
    : `${String(hour + 1).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
}

/** Packing later, up to two hours before it is worn, or carrying a piece unwrapped. */
function packWays(build: Build, troubled: readonly Piece[]): Way[] {
  const events = new Set(troubled.map((piece) => piece.event));
  return build.events.flatMap((event, at): Way[] => {
    if (!events.has(event.id) || event.packAt === undefined) return [];
    const wear = epochMinute(event.wearAt, build.timeZone);
    const later = wear - 120;
    if (later <= epochMinute(event.packAt, build.timeZone)) return [];
    return [
      {
        label: `Pack for ${event.name} only ${sayMoment(later, build.timeZone)}`,
        change: [{ op: 'add', path: `/events/${at}/packAt`, value: toWallTime(later, build.timeZone) }],
        cost: { givesUp: ['a calm evening before'] },
      },
      {
        label: `Carry everything for ${event.name} unwrapped`,
        change: [{ op: 'remove', path: `/events/${at}/packAt` }],
        cost: { givesUp: ['packing it'] },
      },
    ];
  });
}
