import { binderOf } from '../model/binders';
import type { LaidCoat } from './laidCoat';

/** What is covered keeps at least this share of its pace, or the lowest of the factors of what lies on it if that is less. */
const LEAST_PACE = 0.5;

/**
 * The pace that coats leave to what they cover, as they are laid one after the other: the product of the cover factors of the
 * films on it, each to the power of how closed that film is (its dry film over that of one normal coat, at most 1, times the share
 * of the spot it covers), and never
 * below its floor. A run of coats of one material is one film; further coats of the covered material itself are no cover
 * (docs/domain.md, "The drying model").
 */
export class Covering {
  /** Of the films that are done: another lies on them. */
  private below = 1;
  private lowest = 1;
  private run: { material: string; factor: number; closed: number; share: number } | undefined;

  /** @param covered the material that is covered */
  constructor(private readonly covered: string) {}

  /** Lays one more coat on it. */
  lay({ material, filmFactor, share = 1 }: Pick<LaidCoat, 'material' | 'filmFactor' | 'share'>): void {
    if (this.run?.material === material.id) {
      this.run.closed += filmFactor;
      this.run.share = Math.max(this.run.share, share);
      return;
    }
    if (this.run === undefined && material.id === this.covered) return;
    this.below *= this.ofRun();
    const factor = binderOf(material).coverFactor;
    this.lowest = Math.min(this.lowest, factor);
    this.run = { material: material.id, factor, closed: filmFactor, share };
  }

  private ofRun(): number {
    return this.run ? this.run.factor ** (Math.min(1, this.run.closed) * this.run.share) : 1;
  }

  /** The share of its pace that is left to what lies below. */
  get pace(): number {
    return Math.max(this.below * this.ofRun(), Math.min(LEAST_PACE, this.lowest));
  }
}
