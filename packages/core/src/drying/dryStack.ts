import type { AirAid } from '../build/schema';
import { dryingFamily, parseRecoat, type Material, type RecoatWindow } from '../materials/material';
import type { EpochMinute } from '../time/wallTime';
import { coverFactor } from './cover';
import type { PlaceAir } from './placeAir';
import type { RateTrack } from './rateTrack';

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
 */
export function dryStack(coats: readonly LaidCoat[], stands: readonly Stand[]): DryStack {
  const films = joinFilms(coats, stands);
  const milestones = coats.map((coat, at): CoatMilestones => {
    const film = films.find((candidate) => at >= candidate.first && at <= candidate.last)!;
    const early = spansFor(coat.material, 'early', coat.laidAt, stands, [], earlyAid(coat));
    const late = spansFor(
      coat.material,
      'late',
      coats[film.last]!.laidAt,
      stands,
      coats.slice(film.last + 1),
      1,
    );
    const { material, filmFactor: f, timeFactor: own = 1 } = coat;
    const f2 = film.factor ** 2 * film.timeFactor;
    const windows = parseRecoat(material.recoat);
    const firstRecoat = windows[0]?.from ?? 0;
    const lateAt = (label: number | undefined) => reach(late, (label ?? 0) * f2);
    const recoat = windows.map((window) => ({
      from: reach(early, window.from * f ** 1.5 * own),
      to: window.to === Infinity ? Infinity : reach(early, window.to * f ** 1.5 * own),
    }));
    const handleAt = lateAt(material.handle);
    return {
      touchAt: reach(early, (material.touch ?? firstRecoat) * f * own),
      recoat,
      tapeAt: material.tape === undefined ? Math.max(handleAt, recoat[0]?.from ?? 0) : lateAt(material.tape),
      sandAt: material.sand === undefined ? undefined : lateAt(material.sand),
      handleAt,
      packAt: lateAt(material.pack),
      wearAt: lateAt(material.wear),
    };
  });
  const latest = (pick: (coat: CoatMilestones) => number) =>
    milestones.reduce((max, coat) => Math.max(max, pick(coat)), -Infinity);
  return {
    coats: milestones,
    handleAt: latest((coat) => coat.handleAt),
    tapeAt: latest((coat) => coat.tapeAt),
    packAt: latest((coat) => coat.packAt),
    wearAt: latest((coat) => coat.wearAt),
  };
}

/** The share of its way to touch-dry that a coat has come at a moment: 1 when it gets there. Time factor left out. */
export function touchShare(coat: LaidCoat, stands: readonly Stand[], minute: EpochMinute): number {
  const need = (coat.material.touch ?? parseRecoat(coat.material.recoat)[0]?.from ?? 0) * coat.filmFactor;
  if (need <= 0) return 1;
  const spans = spansFor(coat.material, 'early', coat.laidAt, stands, [], earlyAid(coat));
  const passed = spans.reduce((sum, span, at) => {
    const until = Math.min(minute, spans[at + 1]?.from ?? Infinity);
    if (until <= span.from) return sum;
    return sum + (span.track.progressAt(until) - span.track.progressAt(span.from)) * span.factor;
  }, 0);
  return passed / need;
}

const earlyAid = (coat: LaidCoat) =>
  coat.air === 'warm' && dryingFamily(coat.material) !== 'two-part' ? WARM_AIR : 1;

/** Neighbouring coats that count as one film for the later milestones, by their first and last index. */
interface Film {
  first: number;
  last: number;
  factor: number;
  /** The time factor of its last coat, which is the one that was touched. */
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
        below.last = at;
        below.factor += coat.filmFactor;
        below.timeFactor = coat.timeFactor ?? 1;
        return;
      }
    }
    films.push({ first: at, last: at, factor: coat.filmFactor, timeFactor: coat.timeFactor ?? 1 });
  });
  return films;
}

/** The spans over which one clock runs: cut wherever the unit is moved or another film is laid on top. */
function spansFor(
  material: Material,
  clock: 'early' | 'late',
  from: EpochMinute,
  stands: readonly Stand[],
  above: readonly LaidCoat[],
  aid: number,
): Span[] {
  // A further coat of the same material is not a different film, and a run of one material is one layer.
  const covers = above.filter((coat, at) => coat.material.id !== (above[at - 1]?.material ?? material).id);
  const cuts = new Set<number>([from]);
  for (const stand of stands) if (stand.from > from) cuts.add(stand.from);
  for (const coat of covers) if (coat.laidAt > from) cuts.add(coat.laidAt);
  return [...cuts]
    .sort((a, b) => a - b)
    .map((cut) => {
      let stand = stands[0]!;
      for (const candidate of stands) if (candidate.from <= cut) stand = candidate;
      let factor = aid * (stand.fan ? FAN : 1);
      for (const coat of covers) if (coat.laidAt <= cut) factor *= coverFactor(coat.material);
      return { from: cut, track: stand.placeAir.track(material, clock), factor };
    });
}
