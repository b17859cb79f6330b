import { deepFreeze } from 'deep-freeze-es6';
import { LRUCache } from 'lru-cache';
import type { StoredBuild } from './buildRows';

/** Builds that are read again and again while they are open somewhere; more than these are hardly worked on at once. */
const KEPT = 8;

/**
 * Builds as they are on disk, so that one more coat does not read all the others again. Only one server works on a data folder, and
 * it puts here what it has written, once it is written.
 * Invariant: what is kept never changes. It is frozen: whoever tried to change it in place would fail and not be believed.
 */
export class KeptBuilds {
  private readonly builds = new LRUCache<string, StoredBuild>({ max: KEPT });

  get(id: string): StoredBuild | undefined {
    return this.builds.get(id);
  }

  keep(stored: StoredBuild): StoredBuild {
    deepFreeze(stored.build);
    this.builds.set(stored.id, stored);
    return stored;
  }

  forget(id: string): void {
    this.builds.delete(id);
  }
}
