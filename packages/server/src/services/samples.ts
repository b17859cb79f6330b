import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { inWorkshop, parseBuildText, pathText, sharedParts, shiftBuild, type Build } from '@fixatum/core';
import { z } from 'zod';
import type { BuildStore } from './buildStore';
import type { StoredBuild } from './buildRows';
import type { Clock } from './clock';

/** What a sample says of itself: the day it was written for, and the workshop it is of. */
const aboutSample = z.object({ authoredAt: z.string(), workshop: z.string() });

/** A sample build, and the name of the workshop it is of. */
interface Sample {
  build: Build;
  workshop: string;
}

/** The sample builds in a folder, moved so that the day they were written for is today. */
export async function readSamples(folder: string, clock: Clock): Promise<Sample[]> {
  const files = (await readdir(folder)).filter((name) => name.endsWith('.json')).sort();
  return Promise.all(
    files.map(async (name) => {
      const parsed = parseBuildText(await readFile(join(folder, name), 'utf8'));
      if (!parsed.ok)
        throw new Error(
          `${name}: ${parsed.faults.map((fault) => `${pathText(fault.path)} ${fault.message}`).join(' ')}`,
        );
      const { authoredAt, workshop } = aboutSample.parse(parsed.value.sample);
      const { sample: _sample, ...build } = parsed.value;
      const now = clock.minuteIn(build.timeZone);
      return { build: shiftBuild(build, authoredAt, now), workshop };
    }),
  );
}

/** Stores all sample builds as new builds; those of one workshop share a new one of that name. */
export async function loadSamples(store: BuildStore, folder: string, clock: Clock): Promise<StoredBuild[]> {
  const stored: StoredBuild[] = [];
  const known = new Map<string, StoredBuild>();
  for (const { build, workshop } of await readSamples(folder, clock)) {
    const first = known.get(workshop);
    // The first says what the workshop is like; the others carry a copy of it.
    const made = first
      ? await store.create(inWorkshop(build, sharedParts(first.build)), { id: first.workshopId })
      : await store.create(build, { name: workshop });
    known.set(workshop, first ?? made);
    stored.push(made);
  }
  return stored;
}
