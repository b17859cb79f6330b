import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseBuildText, pathText, shiftBuild, type Build } from '@fixatum/core';
import type { BuildStore, StoredBuild } from './buildStore';
import type { Clock } from './clock';

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
      const { sample, ...build } = parsed.value as Build & { sample: { authoredAt: string } };
      const now = clock.minuteIn(build.timeZone);
      return shiftBuild(build, sample.authoredAt, now);
    }),
  );
}

/** Stores all sample builds as new builds. */
export async function loadSamples(store: BuildStore, folder: string, clock: Clock): Promise<StoredBuild[]> {
  const stored: StoredBuild[] = [];
  for (const build of await readSamples(folder, clock)) stored.push(await store.create(build));
  return stored;
}
