import {
  planBuild,
  searchWaysOut,
  type Build,
  type Plan,
  type ReadingsByPlace,
  type RuleFinding,
  type WarmStart,
  type WaysOut,
} from '@fixatum/core';

/** The build that findings are about, and the plan on screen; counted, so that what is asked about an older one is dropped. */
export interface WaysSetting {
  setting: number;
  build: Build;
  now: number;
  readings: ReadingsByPlace;
  warm: WarmStart | undefined;
}

let setting: WaysSetting | undefined;
let plan: Plan | undefined;

/** Gives the build that the questions from now on are about. */
export function setBuild(next: WaysSetting): void {
  setting = next;
  plan = undefined;
}

/** The ways out of one finding; undefined when another build was given meanwhile. */
export async function waysOut(of: number, finding: RuleFinding): Promise<WaysOut | undefined> {
  // A newer build that came in meanwhile is heard first.
  await new Promise((go) => setTimeout(go));
  if (setting?.setting !== of) return undefined;
  const { build, now, readings, warm } = setting;
  plan ??= planBuild(build, {
    now,
    readings,
    latestStarts: false,
    ...(warm ? { search: { warm, keep: true, starts: 'none' } } : {}),
  });
  return searchWaysOut(build, finding, plan);
}
