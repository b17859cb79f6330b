import { inWorkshop, openBuild, takenBack, type Build, type ThingChanged } from '@fixatum/core';
import jsonpatch from 'fast-json-patch';
import { unusable } from '../http/problem';
import type { ChangeRow } from '../storage/models';

/**
 * A build as it was before a change, but for what of its workshop others have changed since; says how many things that are.
 * @throws Problem when what it was before can't be used any more
 */
export function undone(
  now: Build,
  { back, shared }: Pick<ChangeRow, 'back' | 'shared'>,
): { build: Build; stayed: number } {
  const own = jsonpatch.applyPatch(jsonpatch.deepClone(now) as Build, JSON.parse(back)).newDocument;
  const things: ThingChanged[] = shared === null ? [] : JSON.parse(shared);
  const { parts, stayed } = takenBack(own, things);
  // It was there before, so it is taken as what was saved is.
  const parsed = openBuild(inWorkshop(own, parts));
  if (parsed.ok) return { build: parsed.value, stayed };
  // What the change had put into the workshop is used elsewhere by now: it stays.
  const without = openBuild(own);
  if (things.length > 0 && without.ok) return { build: without.value, stayed: things.length };
  throw unusable(parsed.faults);
}
