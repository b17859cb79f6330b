import { bendStrainPct, faresAt } from '../facts/bends';
import { catalogueById } from '../materials/catalogue';
import { wetFilmUm } from '../materials/film';
import { methodTable, type Method } from '../model/methods';
import { airyPlace, placesOf, usualPlace } from '../model/places';
import type { Build, Piece, Step } from '../model/schema';
import { shareOf } from '../model/stepSpots';
import { substrateTable } from '../model/substrates';
import { lookAhead, warmestC } from '../drying/warmestAir';
import { toEpochMinute } from '../model/wallTime';
import { handsOn } from '../quantity/handsOn';
import type { LookStep } from './look';

/** One way to do a step of a look: with what, how, how often and how thick. */
export type Way = LookStep['options'][number];

/** What everybody has: hands, a cloth, sandpaper, hot air, something to stamp and to smooth with. */
const always: readonly Method[] = ['hand', 'tool', 'stamp', 'sand', 'hot-air', 'wipe'];
/** What can be done with brushes. */
const withBrushes: readonly Method[] = ['dry-brush', 'stipple'];
/** A way that takes less than this share of the time of the one the look names first is taken in its place. */
const WORTH_ANOTHER_TOOL = 0.6;

/** What cans want at least, °C. */
const CANS_WANT_C = 10;

/** Whether the place where cans are used gets warm enough for them at all before the date of a piece. */
function isWarmEnough(build: Build, { event }: Piece, now: string | undefined): boolean {
  const place = airyPlace(placesOf(build));
  if (!place) return false;
  const at = (moment: string) => toEpochMinute(moment, build.timeZone);
  const from = Math.max(at(build.start) ?? 0, (now === undefined ? undefined : at(now)) ?? 0);
  const due = build.events.find(({ id }) => id === event)?.wearAt;
  const until = Math.max(from, (due === undefined ? undefined : at(due)) ?? lookAhead(from));
  return warmestC(place, build.timeZone, from, until) >= CANS_WANT_C;
}

/** What a person can do here: with the tools at hand, in the places there are, on a piece of this stuff and size. */
export class Owned {
  readonly methods: ReadonlySet<Method>;
  /** A place with moving air, where spray is allowed, that gets warm enough for it before the date. */
  readonly canSpray: boolean;

  constructor(
    private readonly build: Build,
    private readonly piece: Piece,
    tools: readonly Method[],
    now?: string,
  ) {
    const own = new Set<Method>([...tools, ...always]);
    for (const method of withBrushes)
      if (own.has('brush')) own.add(method);
      else own.delete(method);
    this.methods = own;
    this.canSpray = own.has('aerosol') && isWarmEnough(build, piece, now);
  }

  /** Whether a method can be used at all: a can only where its mist goes off. */
  has(method: Method): boolean {
    return method === 'aerosol' ? this.canSpray : this.methods.has(method);
  }

  /** Where a method is used: spray where the air moves, all else where people live, if there is a choice. */
  placeFor(method: Method): string | undefined {
    return usualPlace(this.build.places, method)?.id;
  }

  /**
   * Which of some ways is taken: the first that can be used here and bends with the piece; spray where that is done in much less time, as
   * on large pieces and sets. Undefined where none can be used.
   * @param zones where it goes; the whole piece without any
   */
  pick(kind: Step['kind'], ways: readonly Way[], zones: readonly string[] | undefined): Way | undefined {
    const able = ways.filter(({ method }) => this.has(method));
    const [first, ...others] = able.some((way) => this.fits(way))
      ? able.filter((way) => this.fits(way))
      : able;
    if (!first) return undefined;
    const minutes = (way: Way) => this.minutes(kind, way, zones);
    // A look names the tool whose marks suit it first; only spray leaves none.
    return others
      .filter(({ method }) => methodTable[method].sprays)
      .reduce(
        (best, way) =>
          minutes(way) < WORTH_ANOTHER_TOOL * minutes(first) && minutes(way) < minutes(best) ? way : best,
        first,
      );
  }

  /** Hands-on minutes of a way on all units of the piece, all coats. */
  minutes(kind: Step['kind'], way: Way, zones: readonly string[] | undefined, cutInMm = 0): number {
    const { outer } = this.piece.faces;
    const areaCm2 = outer.areaCm2 * this.piece.quantity * (zones ? shareOf(this.piece, zones) : 1);
    const step: Step = { id: 'tried', kind, method: way.method };
    const { setUpMinutes, workMinutes, cleanUpMinutes } = handsOn(
      step,
      way.method,
      catalogueById.get(way.material),
      { areaCm2, cutInMm: cutInMm * this.piece.quantity },
    );
    return way.coats * (setUpMinutes + workMinutes + cleanUpMinutes);
  }

  /** Whether a film keeps whole where the piece bends, and does not glue cloth together. */
  private fits({ material: id, film, coats }: Way): boolean {
    const material = catalogueById.get(id);
    if (!material) return true;
    const { kind, thicknessMm } = this.piece.substrate;
    if (substrateTable[kind].isCloth && material.solvent > 0) return false;
    const { elongationPct } = material;
    if (elongationPct === undefined) return true;
    const filmUm = coats * wetFilmUm(material, film) * material.solids;
    return (this.piece.flex ?? []).every(
      ({ bendRadiusMm, use }) =>
        faresAt(bendStrainPct(thicknessMm, filmUm, bendRadiusMm), elongationPct, use) === 'holds',
    );
  }
}

/** Whether a way needs tape beside it. */
export const spraysOver = ({ method }: Way): boolean => methodTable[method].reachesOver;
