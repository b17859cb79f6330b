import { nth } from '../model/sure';
import type { EpochMinute } from '../model/wallTime';
import { passed, reach, spansFor, type Span } from './clocks';
import { throughFactor } from './filmTimes';
import type { LaidCoat, Stand } from './laidCoat';
import { residue } from './residue';

/**
 * Neighbouring coats that dry through as one film, by their first and last index; mostly it is but one coat.
 * Invariants: a film is never through sooner than each of its coats would be by itself, nor than it was before its last coat came.
 */
export class Film {
  /** The film that counts, over one normal coat: the last coat, and what those below still held when it came. */
  readonly factor: number;
  /** How much longer than the label it takes: what touch tests showed of each coat, by its share of the film. */
  readonly timeFactor: number;
  private spans: Span[] | undefined;
  private others: Film[] | undefined;
  private readonly reached = new Map<number, EpochMinute>();

  /** @param covers the coats above it, in order; none while it is asked whether another joins it */
  constructor(
    private readonly laid: readonly LaidCoat[],
    readonly first: number,
    readonly last: number,
    private readonly stands: readonly Stand[],
    private readonly covers: readonly LaidCoat[] = [],
    /** The same film as it was before it was covered: what it holds is known. */
    before?: Film,
    /** The film that its last coat joined; none for a film of one. */
    private readonly inner?: Film,
  ) {
    if (before || first === last) {
      this.factor = before?.factor ?? nth(laid, last).filmFactor;
      this.timeFactor = before?.timeFactor ?? nth(laid, last).timeFactor ?? 1;
      return;
    }
    const top = nth(laid, last);
    let factor = top.filmFactor;
    let told = factor * (top.timeFactor ?? 1);
    for (const coat of laid.slice(first, last)) {
      const held = residue(coat, stands, top.laidAt) * coat.filmFactor;
      factor += held;
      told += held * (coat.timeFactor ?? 1);
    }
    this.factor = factor;
    this.timeFactor = told / factor;
  }

  /** The same film with other coats laid over it. */
  under(covers: readonly LaidCoat[]): Film {
    return new Film(this.laid, this.first, this.last, this.stands, covers, this, this.inner?.under(covers));
  }

  private get material() {
    return nth(this.laid, this.last).material;
  }

  private clock(): Span[] {
    const { material, laidAt } = nth(this.laid, this.last);
    this.spans ??= spansFor(material, 'late', laidAt, this.stands, this.covers, 1);
    return this.spans;
  }

  /** What it can't be sooner than: the film its last coat joined, and that coat by itself; nothing for a film of one. */
  private bounds(): Film[] {
    this.others ??= this.inner
      ? [this.inner, new Film(this.laid, this.last, this.last, this.stands, this.covers)]
      : [];
    return this.others;
  }

  private need(label: number): number {
    return label * throughFactor(this.material, this.factor) * this.timeFactor;
  }

  /** When a late milestone of so many label minutes is reached; Infinity for never. */
  reach(label = 0): EpochMinute {
    let at = this.reached.get(label);
    if (at === undefined) {
      at = reach(this.clock(), this.need(label));
      for (const film of this.bounds()) at = Math.max(at, film.reach(label));
      this.reached.set(label, at);
    }
    return at;
  }

  /** The share of its way to that milestone that has passed at a moment, 0 to 1. */
  share(label: number, minute: EpochMinute): number {
    const need = this.need(label);
    let share = need <= 0 ? 1 : Math.min(1, passed(this.clock(), minute) / need);
    for (const film of this.bounds()) share = Math.min(share, film.share(label, minute));
    return share;
  }

  /** When tape may go on it: by its own time, or else when it can be handled and coated. */
  get tapeAt(): EpochMinute {
    return this.reach(this.material.tape ?? this.material.handle);
  }
}

/** The films of a stack, bottom first: coats of one material that re-dissolves join as long as the one below is not tape-safe. */
export function joinFilms(coats: readonly LaidCoat[], stands: readonly Stand[]): Film[] {
  const films: Film[] = [];
  coats.forEach((coat, at) => {
    const below = films.at(-1);
    const joins =
      below !== undefined &&
      coat.material.redissolves &&
      coats[at - 1]?.material.id === coat.material.id &&
      coat.laidAt < below.tapeAt;
    if (joins) films[films.length - 1] = new Film(coats, below.first, at, stands, [], undefined, below);
    else films.push(new Film(coats, at, at, stands));
  });
  return films.map((film) =>
    film.last === coats.length - 1 ? film : film.under(coats.slice(film.last + 1)),
  );
}
