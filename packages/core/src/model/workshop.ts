import { z } from 'zod';
import { name } from './fields';
import type { Build } from './schema';
import { sharedFields } from './workshopSchema';

/**
 * What outlasts a build: the people and their free time, the places with their racks and air, own tins, the shelf, what was measured, paid and
 * tried out. It serves every build in it. A build file carries a copy of it, so that it can be opened by itself.
 */
export const WORKSHOP_FORMAT = 'fixatum-workshop/1';

export const workshopSchema = z.looseObject({ format: z.literal(WORKSHOP_FORMAT), name, ...sharedFields });
export type Workshop = z.infer<typeof workshopSchema>;

export type SharedKey = keyof typeof sharedFields;
export const sharedKeys = Object.keys(sharedFields) as readonly SharedKey[];
const isShared = (key: string): key is SharedKey => Object.hasOwn(sharedFields, key);

/** What a build has from its workshop, as its file carries it. */
export type SharedParts = Pick<Build, SharedKey>;

/** What a build has from its workshop. */
export const sharedParts = (build: SharedParts): SharedParts => {
  const all: [string, unknown][] = Object.entries(build);
  const own = all.filter(([key, value]) => isShared(key) && value !== undefined);
  return Object.fromEntries(own) as unknown as SharedParts;
};

/** What of a build is its own, as plain data. */
export const ownParts = (build: object): Record<string, unknown> =>
  Object.fromEntries(Object.entries(build).filter(([key]) => !isShared(key)));

/**
 * A build in a workshop: its own parts, and all that is shared from there.
 * Invariant: `inWorkshop(ownParts(build), sharedParts(build))` is the build.
 * @param build a build, or its own parts
 */
export const inWorkshop = (build: object, workshop: SharedParts): Build =>
  ({ ...ownParts(build), ...sharedParts(workshop) }) as Build;

/** A workshop in which all that builds share is another; its name and whatever else is its own stays. */
export const withShared = (workshop: Workshop, parts: SharedParts): Workshop =>
  ({ ...ownParts(workshop), ...sharedParts(parts) }) as Workshop;

/** A workshop with what a build carries, under a name. */
export const workshopOf = (build: SharedParts, called: string): Workshop => ({
  format: WORKSHOP_FORMAT,
  name: called,
  ...sharedParts(build),
});
