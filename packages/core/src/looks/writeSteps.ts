import { groundsOf } from '../facts/grounds';
import { isCutIn } from '../facts/tape';
import { catalogueById } from '../materials/catalogue';
import { inPalette } from '../model/palette';
import type { Build, Piece, Step } from '../model/schema';
import type { LookOver } from '../model/lookOvers';
import type { Method } from '../model/methods';
import { MINUTES_PER_DAY, toEpochMinute } from '../model/wallTime';
import { type Choices, type WrittenSteps, usualTools } from './choices';
import { clearsFor } from './clears';
import { coloursFirst, finishAcrossZones, type FinishPlan, type ZoneFinish } from './finishPlan';
import { groundTable } from './ground';
import type { Look, LookStep } from './look';
import { Owned, spraysOver, type Way } from './owned';
import { groundworkOf } from './groundwork';
import { overLaid, overWords } from './overLaid';
import { undercoatsFor } from './undercoats';
import { isPowder, isPressed, sizedMinutes, zonesOf, type Writing } from './writing';
import { coatsToHide, coverGrades, type CoverGrades } from '../colour/hiding';
import { seenColour } from '../colour/seenColour';
import { wornColour } from '../colour/worn';
import { spotsOf } from '../facts/spots';
import { dryFilmUm, wetFilmUm } from '../materials/film';
import { materialsOf } from '../materials/ownMaterials';
import { binderOf } from '../model/binders';
import { has } from '../model/traits';
import { zoneGroups, type ZoneGroup } from './zoneGroups';

/** Gives ids that no step of this list has had. */
function idGiver(): (stem: string) => string {
  const counts = new Map<string, number>();
  return (stem) => {
    const count = (counts.get(stem) ?? 0) + 1;
    counts.set(stem, count);
    return count === 1 ? stem : `${stem}-${count}`;
  };
}

/** What the parts of the writer need, for a piece and what was chosen for it. */
export function writingFor(
  build: Build,
  piece: Piece,
  choices: Choices,
  tell: Writing['tell'],
  freshId = idGiver(),
): Writing {
  const owned = new Owned(build, piece, choices.tools ?? usualTools, choices.now);
  const groups = zoneGroups(piece, choices.looks);
  const step: Writing['step'] = (kind, method, more = {}) => {
    const place = owned.placeFor(method);
    return { id: freshId(kind), kind, method, ...(place === undefined ? {} : { place }), ...more };
  };
  return {
    build,
    piece,
    choices,
    owned,
    groups,
    main: mainLook(groups),
    faces: piece.faces.inner ? ['inner', 'outer'] : ['outer'],
    step,
    lookOver: (at) => (isLookedOver(at, choices) ? [step('inspect', 'hand', { looksOver: at })] : []),
    tell,
  };
}

/**
 * The groundwork of a piece; of one that is made of several things, that of each on its own zones, with one look over all of it and one
 * covering of what stays bare.
 */
function groundworkOfAll(
  writing: Writing,
  build: Build,
  choices: Choices,
  freshId: (stem: string) => string,
): Step[] {
  const grounds = groundsOf(writing.piece);
  if (grounds.length < 2) return groundworkOf({ ...writing, piece: grounds[0] ?? writing.piece });
  const all = grounds.map((ground) => {
    const zones = (ground.zones ?? []).map(({ id }) => id);
    const looks = choices.looks.filter(({ zone }) => zone === undefined || zones.includes(zone));
    const own = writingFor(build, ground, { ...choices, looks }, writing.tell, freshId);
    return groundworkOf(own).map((step) =>
      step.kind === 'inspect' || step.covers ? step : { ...step, zones: step.zones ?? zones },
    );
  });
  const isSeal = ({ kind, looksOver }: Step) =>
    kind === 'seal' || looksOver === 'sealed' || looksOver === 'felt';
  const isShared = (step: Step) => !isSeal(step) && (step.kind === 'inspect' || step.covers !== undefined);
  const shared = all.flat().filter(isShared);
  const once = shared.filter(
    (step, n) => shared.findIndex((one) => one.kind === step.kind && one.looksOver === step.looksOver) === n,
  );
  const sealed = all.flat().filter(isSeal);
  return [
    ...all.flat().filter((step) => !isSeal(step) && !isShared(step)),
    ...once,
    ...sealed.filter(({ kind }) => kind === 'seal'),
    ...sealed.filter(({ kind }) => kind === 'inspect').slice(0, 1),
  ];
}

/** Where the quicker variant looks too. */
const quickStops: readonly LookOver[] = ['bare', 'packing'];

function isLookedOver(at: LookOver, { lookOvers = true, quicker, tryOn }: Choices): boolean {
  // Trying on is asked for by itself, and everybody looks before packing.
  if (at === 'worn') return tryOn === true;
  if (at === 'packing') return true;
  return lookOvers && (!quicker || quickStops.includes(at));
}

/**
 * Writes the whole list of steps for a piece from the looks chosen, as a seasoned finisher would: surface, heat, texture, closures covered,
 * sealing of both faces, each zone's undercoat, the zones in the order that takes the least time, weathering across them, each zone's
 * clear, what is attached. Prep is fitted to the substrate, tools to what is owned and how large the piece is, coats to how fine the
 * detail is and whether the piece bends.
 */
export function writeSteps(build: Build, piece: Piece, choices: Choices): WrittenSteps {
  const freshId = idGiver();
  const notes = new Set<string>();
  const writing = writingFor(build, piece, choices, (sentence) => notes.add(sentence), freshId);
  const { groups } = writing;
  const before = groundworkOfAll(writing, build, choices, freshId);
  const undercoats = undercoatsFor(writing);
  const groundOf = (group: ZoneGroup) =>
    groundColour(
      build,
      piece,
      [...before, ...undercoats.common, ...(undercoats.byGroup.get(group) ?? [])],
      group,
    );
  const { middle, zones } = coloursOf(writing, undercoats.byGroup, groundOf, freshId);
  const { step } = writing;
  const after = clearsFor(writing, middle);
  if (piece.keepBare && piece.keepBare.length > 0)
    after.push(step('unmask', 'hand', { covers: piece.keepBare }));
  const writer = new LookWriter(writing);
  for (const group of groups)
    for (const one of group.look?.steps.filter(({ kind }) => kind === 'attach') ?? [])
      after.push(...writer.write(one, group));
  if (choices.straps)
    after.push(step('attach', 'hand', { attaches: 'strap', note: 'Straps and closures on the bare tabs.' }));
  after.push(...writing.lookOver('packing'));
  // Ids in order: some steps were only tried.
  const lastId = idGiver();
  const steps = afterTheNight([
    ...before,
    ...undercoats.common,
    ...sandedPrimer(writing, undercoats.common),
    ...(undercoats.common.length > 0 ? writing.lookOver('primed') : []),
    ...middle,
    ...after,
  ]).map((one) => inPalette({ ...one, id: lastId(one.kind) }, build.palette));
  const laid = overLaid(build, piece, steps);
  return { steps: laid.steps, zones, notes: [...overWords(laid.over), ...notes] };
}

/** Sanding the last coat of primer on the face that is seen, where a look is smooth and the primer takes it. */
function sandedPrimer(writing: Writing, primed: readonly Step[]): Step[] {
  const { groups, choices, step, tell } = writing;
  const last = primed.at(-1);
  const material = last?.material === undefined ? undefined : catalogueById.get(last.material);
  const smooth = groups.filter(({ look }) => look?.smooth);
  if (choices.quicker || smooth.length === 0 || material?.sand === undefined) return [];
  if (daysLeft(writing) < DAYS_TO_SAND) {
    tell('The primer is not sanded: there is too little time before its date.');
    return [];
  }
  return [
    step('sand', 'sand', {
      note: '400 grit, lightly, until it feels smooth; wipe the dust off.',
      ...zonesOf(writing, smooth),
    }),
  ];
}

/** With fewer days to its date a day of waiting until the primer can be sanded is better spent on drying. */
const DAYS_TO_SAND = 8;

/** Days from when the steps are written, or the build begins, to the date of the piece; Infinity without one. */
function daysLeft({ build, piece, choices }: Writing): number {
  const event = build.events.find(({ id }) => id === piece.event);
  if (!event) return Infinity;
  const at = (moment: string) => toEpochMinute(moment, build.timeZone) ?? NaN;
  const from = Math.max(at(build.start), choices.now === undefined ? -Infinity : at(choices.now));
  return (at(event.packAt ?? event.wearAt) - from) / MINUTES_PER_DAY;
}

/** The coat that follows a sealer which is left over night waits as long. */
function afterTheNight(steps: readonly Step[]): Step[] {
  let waits = false;
  return steps.map((one) => {
    const isNext = waits && one.material !== undefined && one.kind !== 'seal';
    waits = one.kind === 'seal' ? one.waitFor === 'night' : waits && !isNext;
    return isNext && one.waitFor === undefined ? { ...one, waitFor: 'night' } : one;
  });
}

/** A colour that wants more coats than that wants another undercoat, or another paint. */
const MOST_MORE_COATS = 2;
/** On more than this a brush leaves its marks, and is no choice for the sake of the tape. */
const BRUSHED_UP_TO_CM2 = 600;

/** The colours and the weathering of all groups, in the order they are done. */
function coloursOf(
  writing: Writing,
  undercoats: ReadonlyMap<ZoneGroup, Step[]>,
  groundOf: GroundOf,
  freshId: (stem: string) => string,
): { middle: Step[]; zones: FinishPlan | undefined } {
  const { piece, groups, choices } = writing;
  const writer = new LookWriter(writing, groundOf);
  if (groups.length < 2) {
    const [colours, weathering] = coloursFirst(
      groups.flatMap((group) => writer.whole(group)),
      catalogueById,
    );
    const looked = colours.length > 0 ? writing.lookOver('coloured') : [];
    return { middle: [...colours, ...looked, ...weathering], zones: undefined };
  }
  const finishes = groups.map((group): ZoneFinish => {
    const below = undercoats.get(group) ?? [];
    const areaCm2 = piece.faces.outer.areaCm2 * group.zones.reduce((sum, { share }) => sum + share, 0);
    const byHand = areaCm2 <= BRUSHED_UP_TO_CM2 ? writer.wholeByHand(group) : undefined;
    return {
      zones: group.zones,
      steps: group.look ? [...below, ...writer.whole(group)] : [],
      // An undercoat that reaches over has to be taped for anyway.
      ...(byHand && below.length === 0 ? { byHand } : {}),
    };
  });
  const zones = finishAcrossZones(piece, finishes, {
    freshId,
    order: choices.order,
    lookOver: writing.lookOver,
    tapePlace: writing.owned.placeFor('hand'),
    materials: catalogueById,
    minutesOf: (steps, cutInMm) =>
      steps.reduce((sum, step) => {
        const { kind, method, material, coats = 1, film = 'normal', zones: own } = step;
        if (method === undefined || material === undefined) return sum;
        const edgeMm = isCutIn(step, catalogueById.get(material)) ? cutInMm : 0;
        return sum + writing.owned.minutes(kind, { material, method, coats, film }, own, edgeMm);
      }, 0),
  });
  return { middle: zones.steps, zones };
}

/** What colour a group of zones is before the colours of its look go on; undefined where that is not known. */
type GroundOf = (group: ZoneGroup) => string | undefined;

/** The colour of what some first steps leave on a group of zones. */
function groundColour(
  build: Build,
  piece: Piece,
  steps: readonly Step[],
  group: ZoneGroup,
): string | undefined {
  const [own] = group.zones;
  const over = { ...piece, steps: overLaid(build, piece, steps).steps };
  const spots = spotsOf(over, { build, materials: materialsOf(build.materials) });
  const spot = spots.find(({ face, zone }) => face === 'outer' && (!own || zone === own.id));
  return spot && seenColour(spot.layers, piece.substrate.colour);
}

/** Writes the steps of looks for groups of zones. */
export class LookWriter {
  /** @param groundOf what the colours have to cover; without it the usual coats are written */
  constructor(
    private readonly writing: Writing,
    private readonly groundOf: GroundOf = () => undefined,
  ) {}

  /** All of a look but what goes in with the prep and what is attached. */
  whole(group: ZoneGroup): Step[] {
    return this.inTurn(this.kept(group), group);
  }

  /** Steps of a look one after the other, each over what the ones before leave. */
  private inTurn(steps: readonly LookStep[], group: ZoneGroup): Step[] {
    let below = this.groundOf(group);
    return steps.flatMap((one) =>
      this.write(one, group, below).map((step) => {
        const material = step.material === undefined ? undefined : catalogueById.get(step.material);
        // What is to be chipped off again is one thin coat, whatever shows through it.
        if (material && binderOf(material).comesOff) below = undefined;
        else if (step.kind === 'base' && !step.placement && step.colour) below = step.colour;
        return step;
      }),
    );
  }

  /** The same by tools that keep to the edge; undefined where that is no other, or there is no such way. */
  wholeByHand(group: ZoneGroup): Step[] | undefined {
    const kept = this.kept(group);
    const colours = kept.filter(({ kind }) => kind === 'base' || kind === 'detail');
    const isAble = colours.every(
      ({ options }) =>
        options.length === 0 || options.some((way) => !spraysOver(way) && this.writing.owned.has(way.method)),
    );
    if (!isAble || colours.length === 0) return undefined;
    return this.inTurn(
      kept.map((one) =>
        colours.includes(one) ? { ...one, options: one.options.filter((way) => !spraysOver(way)) } : one,
      ),
      group,
    );
  }

  private kept({ look }: ZoneGroup): LookStep[] {
    const { quicker } = this.writing.choices;
    return (look?.steps ?? []).filter(
      (one) => !isPressed(one) && one.kind !== 'attach' && !(quicker && one.extra),
    );
  }

  /**
   * One step of a look, as it is done on a group; nothing where there is no tool for it and it can be done without.
   * @param below the colour it goes over, where that is known
   */
  write(one: LookStep, group: ZoneGroup, below?: string): Step[] {
    const { piece, choices, owned, step, tell } = this.writing;
    const { zones } = zonesOf(this.writing, [group]);
    // Loose powder stays where a mist of clear can be laid over it, and nowhere else.
    const canMist = owned.has('airbrush') || owned.has('aerosol');
    const way = owned.pick(
      one.kind,
      one.options.filter((option) => canMist || !isPowder(option)),
      zones,
    );
    if (!way && one.options.length > 0) {
      if (one.kind === 'weather' || one.extra) {
        tell('Washes and highlights want a brush or a sponge, so they are left out.');
        return [];
      }
      tell('Nothing at hand lays one of the colours: it is written with the tool it needs.');
    }
    const taken = way ?? one.options.at(-1);
    const method: Method = taken?.method ?? (one.kind === 'weather' ? 'wipe' : 'hand');
    const shade =
      group.colour && one.main
        ? group.colour
        : group.colour && one.tone
          ? wornColour(group.colour, one.tone)
          : one.colour;
    const usual = taken ? (choices.quicker && taken.coats > 2 ? taken.coats - 1 : taken.coats) : 1;
    const heaviest =
      piece.finestDetailMm !== undefined && piece.finestDetailMm < 1 ? ('light' as const) : undefined;
    const laid = taken && heaviest && taken.film === 'normal' ? { ...taken, film: heaviest } : taken;
    const coats = laid ? Math.max(usual, coatsToCover(one, laid, shade, below)) : usual;
    return [
      step(one.kind, method, {
        ...(laid ? { material: laid.material, coats, film: laid.film } : {}),
        ...(shade ? { colour: shade } : {}),
        ...(one.minutes ? { minutes: sizedMinutes(piece, one.minutes) } : {}),
        ...(one.note ? { note: one.note } : {}),
        ...(one.wanted ? { wanted: one.wanted } : {}),
        ...(one.waitFor ? { waitFor: one.waitFor } : {}),
        ...(one.placement ? { placement: one.placement } : {}),
        ...(one.coversPct ? { coversPct: one.coversPct } : {}),
        ...this.stirredIn(one, taken),
        ...(one.extra ? { optional: true } : {}),
        ...(one.kind === 'attach' ? { attaches: 'fabric' as const } : {}),
        ...(zones ? { zones } : {}),
      }),
    ];
  }

  /** What is stirred in: as the look says; in cloth, what keeps acrylic soft. */
  private stirredIn(one: LookStep, way: Way | undefined): Pick<Step, 'thinWith' | 'thinPct'> {
    if (one.thinWith) return { thinWith: one.thinWith, ...(one.thinPct ? { thinPct: one.thinPct } : {}) };
    const material = way && catalogueById.get(way.material);
    const isStiff = material?.role === 'paint' && material.binder === 'acrylic';
    return groundTable[this.writing.piece.substrate.kind].cloth && isStiff
      ? { thinWith: 'textile-medium', thinPct: 50 }
      : {};
  }
}

function mainLook(groups: readonly ZoneGroup[]): Look | undefined {
  const share = ({ zones }: ZoneGroup) => zones.reduce((sum, zone) => sum + zone.share, 0);
  return [...groups].filter(({ look }) => look).sort((a, b) => share(b) - share(a))[0]?.look;
}

/** The coats of a colour that keep what is below from plainly showing in their streaks, where a few do; 0 where it may show. */
function coatsToCover(one: LookStep, way: Way, shade: string | undefined, below: string | undefined): number {
  const material = catalogueById.get(way.material);
  const isLeft = one.wanted?.some((effect) => effect === 'patchy' || effect === 'undercoat-shows');
  const isCover = one.kind === 'base' && !one.placement && way.method !== 'dry-brush' && way.film !== 'dust';
  if (!material || !shade || below === undefined || !isCover || isLeft || has(material, 'mirror')) return 0;
  const laying = { coatUm: dryFilmUm(wetFilmUm(material, way.film), material), method: way.method };
  const most = way.coats + MOST_MORE_COATS;
  const coats = (isEnough: CoverGrades['wanted']) =>
    coatsToHide(below, shade, material, laying, most, isEnough);
  const { wanted, enough, slight } = coverGrades(material);
  return coats(wanted) ?? coats(enough) ?? coats(slight) ?? 0;
}
