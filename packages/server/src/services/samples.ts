import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseBuildText, pathText, shiftBuild, type Build } from '@fixatum/core';
import { z } from 'zod';
import type { BuildStore } from './buildStore';
import type { StoredBuild } from './buildRows';
import type { Clock } from './clock';

/** What a sample says of itself: the day it was written for. */
const writtenFor = z.object({ authoredAt: z.string() });

/** The sample builds in a folder, moved so that the day they were written for is today. */
export async function readSamples(folder: string, clock: Clock): Promise<Build[]> {
  const files = (await readdir(folder)).filter((name) => name.endsWith('.json')).sort();
  return Promise.all(
    files.map(async (name) => {
      const parsed = parseBuildText(await readFile(join(folder, name), 'utf8'));
      if (!parsed.ok)
        throw new Error(
          `${name}: ${parsed.faults.map((fault) => `${pathText(fault.path)} ${fault.message}`).join(' ')}`,
        );
      const { authoredAt } = writtenFor.parse(parsed.value.sample);
      const { sample: _sample, ...build } = parsed.value;
      const now = clock.minuteIn(build.timeZone);
      return shiftBuild(build, authoredAt, now);
    }),
  );
}

/** Stores all sample builds as new builds. */
export async function loadSamples(store: BuildStore, folder: string, clock: Clock): Promise<StoredBuild[]> {
  const stored: StoredBuild[] = [];
  for (const build of await readSamples(folder, clock)) stored.push(await store.create(build));
  return stored;
}
