import type { PatchStep } from '@fixatum/core';
import jsonpatch from 'fast-json-patch';
import { LRUCache } from 'lru-cache';
import type { StoredBuild } from './buildRows';

/** What changed in a build between two versions of it. */
export interface BuildNews {
  /** The version it is a change of. */
  since: number;
  change: PatchStep[];
}

/** So many changes of a build are known; who is further behind gets it whole. */
const KEPT_CHANGES = 100;
/** A change of more steps than this is hardly smaller than the build, and is not kept. */
const MOST_STEPS = 2000;

interface Step {
  version: number;
  change: PatchStep[];
}

/**
 * The last changes of builds, so that a screen that has one of their versions hears of no more than what it has not. Kept in memory only:
 * after a restart the first answer is whole.
 */
export class NewsDesk {
  private readonly builds = new LRUCache<string, Step[]>({ max: 8 });

  add(before: StoredBuild, after: StoredBuild): void {
    // fast-json-patch types every step it can make; `compare` makes these three only.
    const change = jsonpatch.compare(before.build, after.build) as PatchStep[];
    const known = this.builds.get(after.id) ?? [];
    const follows = known.at(-1)?.version === before.version || known.length === 0;
    if (change.length > MOST_STEPS) this.builds.delete(after.id);
    else
      this.builds.set(
        after.id,
        [...(follows ? known : []), { version: after.version, change }].slice(-KEPT_CHANGES),
      );
  }

  /** What changed in a build since a version; undefined where that is not known any more, or never was. */
  since({ id, version }: StoredBuild, since: number): BuildNews | undefined {
    if (since === version) return { since, change: [] };
    const known = this.builds.get(id) ?? [];
    const from = known.findIndex((step) => step.version === since + 1);
    if (from < 0 || known.at(-1)?.version !== version) return undefined;
    return { since, change: known.slice(from).flatMap((step) => step.change) };
  }
}
