import { buildSchema, parseBuild, type Build } from '@fixatum/core';
import { z } from 'zod';
import { unusable } from '../http/problem';
import type { SeenWorkshop } from '../services/workshopRows';

/** A build as it is in a workshop that is here, and the version of that which the caller has seen. */
export const joinedSchema = z.object({
  workshop: z.string(),
  workshopEtag: z.string().optional(),
  build: buildSchema,
  /** What its places are called there, by what they were called in it. */
  placeIds: z.record(z.string().max(80), z.string().max(80)).default({}),
});

export interface JoinedBuild {
  into: SeenWorkshop;
  build: Build;
  placeIds: Record<string, string>;
}

/** What was sent, checked; undefined where no workshop was named. @throws Problem for a build that can't be used */
export function joinedOf(sent: Partial<z.infer<typeof joinedSchema>>): JoinedBuild | undefined {
  const { workshop, workshopEtag: etag, build, placeIds = {} } = sent;
  if (workshop === undefined) return undefined;
  const parsed = parseBuild(build);
  if (!parsed.ok) throw unusable(parsed.faults);
  return { into: { id: workshop, etag }, build: parsed.value, placeIds };
}
