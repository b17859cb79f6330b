import { parseRecoat, type RecoatWindow, touchLabelMinutes } from '../materials/material';
import type { EpochMinute } from '../model/wallTime';
import { earlyAid, reach, spansFor, type Span } from './clocks';
import { recoatFactor, touchFactor } from './filmTimes';
import type { Film } from './joinedFilms';
import type { CoatMilestones, LaidCoat, Stand } from './laidCoat';

/** The milestones of one coat, each worked out when it is first asked for; the later ones are those of its film. */
export class LazyCoat implements CoatMilestones {
  private early: Span[] | undefined;
  private windows: RecoatWindow[] | undefined;
  private readonly own: number;

  constructor(
    private readonly coat: LaidCoat,
    private readonly film: Film,
    private readonly stands: readonly Stand[],
  ) {
    this.own = coat.timeFactor ?? 1;
  }

  private reachEarly(need: number): EpochMinute {
    const { coat } = this;
    this.early ??= spansFor(coat.material, 'early', coat.laidAt, this.stands, [], earlyAid(coat));
    return reach(this.early, need);
  }

  /** How far it has come towards packable and wearable at a moment, 0 to 1. */
  curedShare(minute: EpochMinute): number {
    const { pack = 0, wear = 0 } = this.coat.material;
    return minute < this.coat.laidAt ? 0 : this.film.share(Math.max(pack, wear), minute);
  }

  get touchAt() {
    const { material, filmFactor } = this.coat;
    return this.reachEarly(touchLabelMinutes(material) * touchFactor(material, filmFactor) * this.own);
  }
  get recoat() {
    const factor = recoatFactor(this.coat.material, this.coat.filmFactor) * this.own;
    this.windows ??= parseRecoat(this.coat.material.recoat).map((window) => ({
      from: this.reachEarly(window.from * factor),
      to: window.to === Infinity ? Infinity : this.reachEarly(window.to * factor),
    }));
    return this.windows;
  }
  get tapeAt() {
    const { tape } = this.coat.material;
    return tape === undefined ? Math.max(this.handleAt, this.recoat[0]?.from ?? 0) : this.film.reach(tape);
  }
  get sandAt() {
    const { sand } = this.coat.material;
    return sand === undefined ? undefined : this.film.reach(sand);
  }
  get handleAt() {
    return this.film.reach(this.coat.material.handle);
  }
  get packAt() {
    return this.film.reach(this.coat.material.pack);
  }
  get wearAt() {
    return this.film.reach(this.coat.material.wear);
  }
}
