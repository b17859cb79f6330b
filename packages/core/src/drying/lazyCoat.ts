import { parseRecoat, type RecoatWindow, touchLabelMinutes } from '../materials/material';
import type { EpochMinute } from '../model/wallTime';
import type { CoatMilestones, LaidCoat, Stand } from './laidCoat';
import { type Film, coversOf } from './joinedFilms';
import { spansFor, earlyAid, reach, passed, type Span } from './clocks';
import { nth } from '../model/sure';

export class LazyCoat implements CoatMilestones {
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
    this.coat = nth(laid, at);
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
      nth(laid, film.last).laidAt,
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
