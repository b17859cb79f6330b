import type { AirAid } from '../model/schema';
import { dryingFamily, parseRecoat, type RecoatWindow, touchLabelMinutes } from '../materials/material';
import type { EpochMinute } from '../model/wallTime';
import { binderOf } from '../model/binders';
import type { PlaceAir } from './placeAir';
import type { RateTrack } from './rateTrack';
import type { Material } from '../model/materialSchema';

/** One coat as it was laid. `filmFactor` is its wet film over the material's normal one. */
export interface LaidCoat {
  material: Material;
  filmFactor: number;
  laidAt: EpochMinute;
  /** Hand-held warm air speeds touch and recoat of this coat only. */
  air: AirAid;
  /** How much longer than the label says this very coat takes, as touch tests have shown; 1 unless said otherwise. */
  timeFactor?: number;
}

/** Where a unit stands from a moment on, and whether a fan blows on it there. */
export interface Stand {
  from: EpochMinute;
  placeAir: PlaceAir;
  fan: boolean;
}

/** When one coat reaches each milestone, in epoch minutes; Infinity for never. */
export interface CoatMilestones {
  touchAt: EpochMinute;
  /** Windows in which the next coat may be laid. Empty: nothing goes over it. */
  recoat: RecoatWindow[];
  tapeAt: EpochMinute;
  /** Undefined for films that are never sanded. */
  sandAt: EpochMinute | undefined;
  handleAt: EpochMinute;
  packAt: EpochMinute;
  wearAt: EpochMinute;
}

/** The milestones of every coat, bottom first, and of the stack: the latest of its coats. */
export interface DryStack {
  coats: CoatMilestones[];
  handleAt: EpochMinute;
  tapeAt: EpochMinute;
  packAt: EpochMinute;
  wearAt: EpochMinute;
}

const FAN = 1.5;
const WARM_AIR = 3;

interface Span {
  from: EpochMinute;
  track: RateTrack;
  factor: number;
}

/** The minute at which `need` label minutes have passed, over spans that each run at their own speed. */
function reach(spans: readonly Span[], need: number): EpochMinute {
  let left = need;
  for (let at = 0; at < spans.length; at += 1) {
    const span = spans[at]!;
    const until = spans[at + 1]?.from ?? Infinity;
    const base = span.track.progressAt(span.from);
    const minute = left <= 0 ? span.from : span.track.minuteAt(base + left / span.factor);
    if (minute <= until) return minute;
    left -= (span.track.progressAt(until) - base) * span.factor;
  }
  return Infinity;
}

/**
 * When each coat of one stack, and the stack as a whole, reaches each milestone.
 *
 * `coats` lie bottom first in the order they were laid, all on the same spot; `stands` say where the unit stood
 * (sorted by time, the first not after the first coat). Model (docs/domain.md, "The drying model"):
 * - a milestone is reached when `∫ r dt` equals its label time, times `f` for touch, `f^1.5` for recoat and `f²`
 *   for the rest, with `f` the film factor;
 * - coats of one re-dissolving material, each laid before the one below was packable, are one film for tape-safe and
 *   later: their `f` add up and those clocks start with the last of them;
 * - while different films lie on a coat its later clocks run at the product of their cover factors, a run of coats of
 *   one material counting as one layer;
 * - a fan speeds every clock by 1.5; hand-held warm air touch and recoat by 3, but not two-part coats.
 *
 * Milestones are worked out when they are first asked for: a planner asks for few of them.
 */
export function dryStack(coats: readonly LaidCoat[], stands: readonly Stand[]): DryStack {
  return new LazyStack(coats, stands);
}

/**
 * How far each coat of a stack has come towards packable and wearable at each of some moments, 0 to 1; 0 before its
 * clock starts.
 * @returns one list a coat, in the order of the coats
 */
export function curedShares(
  coats: readonly LaidCoat[],
  stands: readonly Stand[],
  moments: readonly EpochMinute[],
): number[][] {
  return new LazyStack(coats, stands).coats.map((coat) => moments.map((moment) => coat.curedShare(moment)));
}

/** The milestones of a coat as a plain object, all of them worked out. */
export const plainMilestones = (coat: CoatMilestones): CoatMilestones => ({
  touchAt: coat.touchAt,
  recoat: coat.recoat,
  tapeAt: coat.tapeAt,
  sandAt: coat.sandAt,
  handleAt: coat.handleAt,
  packAt: coat.packAt,
  wearAt: coat.wearAt,
});

class LazyStack implements DryStack {
  readonly coats: LazyCoat[];
  private readonly known: Partial<Record<'handleAt' | 'tapeAt' | 'packAt' | 'wearAt', EpochMinute>> = {};

  constructor(laid: readonly LaidCoat[], stands: readonly Stand[]) {
    const films = joinFilms(laid, stands);
    let film = 0;
    this.coats = laid.map((_, at) => {
      while (at > films[film]!.last) film += 1;
      return new LazyCoat(laid, at, films[film]!, stands);
    });
  }

  private latest(key: 'handleAt' | 'tapeAt' | 'packAt' | 'wearAt'): EpochMinute {
    let latest = this.known[key];
    if (latest === undefined) {
      latest = -Infinity;
      for (const coat of this.coats) latest = Math.max(latest, coat[key]);
      this.known[key] = latest;
    }
    return latest;
  }

  get handleAt() {
    return this.latest('handleAt');
  }
  get tapeAt() {
    return this.latest('tapeAt');
  }
  get packAt() {
    return this.latest('packAt');
  }
  get wearAt() {
    return this.latest('wearAt');
  }
}

class LazyCoat implements CoatMilestones {
  private early: Span[] | undefined;
  private late: Span[] | undefined;
  private windows: RecoatWindow[] | undefined;
  private readonly coat: LaidCoat;
  private readonly own: number;
  private readonly lateByLabel = new Map<number, EpochMinute>();

  constructor(
    private readonly laid: readonly LaidCoat[],
    at: number,
    private readonly film: Film,
    private readonly stands: readonly Stand[],
  ) {
    this.coat = laid[at]!;
    this.own = this.coat.timeFactor ?? 1;
  }

  private reachEarly(need: number): EpochMinute {
    const { coat } = this;
    this.early ??= spansFor(coat.material, 'early', coat.laidAt, this.stands, [], earlyAid(coat));
    return reach(this.early, need);
  }

  private lateSpans(): Span[] {
    const { coat, film, laid } = this;
    this.late ??= spansFor(
      coat.material,
      'late',
      laid[film.last]!.laidAt,
      this.stands,
      coversOf(laid, film.last),
      1,
    );
    return this.late;
  }

  private lateNeed(label: number | undefined): number {
    return (label ?? 0) * this.film.factor ** 2 * this.film.timeFactor;
  }

  private reachLate(label: number | undefined): EpochMinute {
    const need = this.lateNeed(label);
    let minute = this.lateByLabel.get(need);
    if (minute === undefined) {
      minute = reach(this.lateSpans(), need);
      this.lateByLabel.set(need, minute);
    }
    return minute;
  }

  curedShare(minute: EpochMinute): number {
    const { pack = 0, wear = 0 } = this.coat.material;
    const need = this.lateNeed(Math.max(pack, wear));
    if (minute < this.coat.laidAt) return 0;
    return need <= 0 ? 1 : Math.min(1, passed(this.lateSpans(), minute) / need);
  }

  get touchAt() {
    const { material, filmFactor } = this.coat;
    return this.reachEarly(touchLabelMinutes(material) * filmFactor * this.own);
  }
  get recoat() {
    const factor = this.coat.filmFactor ** 1.5 * this.own;
    this.windows ??= parseRecoat(this.coat.material.recoat).map((window) => ({
      from: this.reachEarly(window.from * factor),
      to: window.to === Infinity ? Infinity : this.reachEarly(window.to * factor),
    }));
    return this.windows;
  }
  get tapeAt() {
    const { tape } = this.coat.material;
    return tape === undefined ? Math.max(this.handleAt, this.recoat[0]?.from ?? 0) : this.reachLate(tape);
  }
  get sandAt() {
    const { sand } = this.coat.material;
    return sand === undefined ? undefined : this.reachLate(sand);
  }
  get handleAt() {
    return this.reachLate(this.coat.material.handle);
  }
  get packAt() {
    return this.reachLate(this.coat.material.pack);
  }
  get wearAt() {
    return this.reachLate(this.coat.material.wear);
  }
}

/** The share of its way to touch-dry that a coat has come at a moment: 1 when it gets there. Time factor left out. */
export function touchShare(coat: LaidCoat, stands: readonly Stand[], minute: EpochMinute): number {
  const need = touchLabelMinutes(coat.material) * coat.filmFactor;
  if (need <= 0) return 1;
  return passed(spansFor(coat.material, 'early', coat.laidAt, stands, [], earlyAid(coat)), minute) / need;
}

/** The label minutes that have passed by a moment. */
function passed(spans: readonly Span[], minute: EpochMinute): number {
  return spans.reduce((sum, span, at) => {
    const until = Math.min(minute, spans[at + 1]?.from ?? Infinity);
    if (until <= span.from) return sum;
    return sum + (span.track.progressAt(until) - span.track.progressAt(span.from)) * span.factor;
  }, 0);
}

const earlyAid = (coat: LaidCoat) =>
  coat.air === 'warm' && dryingFamily(coat.material) !== 'two-part' ? WARM_AIR : 1;

/** Neighbouring coats that count as one film for the later milestones, by their first and last index. */
interface Film {
  first: number;
  last: number;
  factor: number;
  /** How much longer than the label it takes: what touch tests showed of each coat, by its share of the film. */
  timeFactor: number;
}

function joinFilms(coats: readonly LaidCoat[], stands: readonly Stand[]): Film[] {
  const films: Film[] = [];
  coats.forEach((coat, at) => {
    const below = films[films.length - 1];
    const under = coats[at - 1];
    if (below && under && under.material.id === coat.material.id && coat.material.redissolves) {
      const spans = spansFor(under.material, 'late', under.laidAt, stands, [], 1);
      const packableAt = reach(spans, (under.material.pack ?? 0) * below.factor ** 2 * below.timeFactor);
      if (coat.laidAt < packableAt) {
        const factor = below.factor + coat.filmFactor;
        below.timeFactor =
          (below.factor * below.timeFactor + coat.filmFactor * (coat.timeFactor ?? 1)) / factor;
        below.factor = factor;
        below.last = at;
        return;
      }
    }
    films.push({ first: at, last: at, factor: coat.filmFactor, timeFactor: coat.timeFactor ?? 1 });
  });
  return films;
}

/** The different films above a coat, lowest first: further coats of one material are one layer. */
const coversOf = (coats: readonly LaidCoat[], at: number): LaidCoat[] =>
  coats.slice(at + 1).filter((coat, n) => coat.material.id !== coats[at + n]!.material.id);

/** The spans over which one clock runs: cut wherever the unit is moved or another film is laid on top. */
function spansFor(
  material: Material,
  clock: 'early' | 'late',
  from: EpochMinute,
  stands: readonly Stand[],
  covers: readonly LaidCoat[],
  aid: number,
): Span[] {
  let stand = 0;
  while (stand + 1 < stands.length && stands[stand + 1]!.from <= from) stand += 1;
  let cover = 0;
  let covering = 1;
  const spans: Span[] = [];
  for (let cut = from; ;) {
    while (cover < covers.length && covers[cover]!.laidAt <= cut) {
      covering *= binderOf(covers[cover]!.material).coverFactor;
      cover += 1;
    }
    const here = stands[stand]!;
    spans.push({
      from: cut,
      track: here.placeAir.track(material, clock),
      factor: aid * (here.fan ? FAN : 1) * covering,
    });
    const moved = stands[stand + 1]?.from ?? Infinity;
    const covered = covers[cover]?.laidAt ?? Infinity;
    cut = Math.min(moved, covered);
    if (cut === Infinity) return spans;
    if (moved === cut) stand += 1;
  }
}
