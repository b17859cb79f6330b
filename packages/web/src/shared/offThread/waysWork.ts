import {
  insteadOf,
  planBuild,
  searchWaysOut,
  startCost,
  type Around,
  type Build,
  type Instead,
  type Plan,
  type RuleFinding,
  type ShopLine,
  type StartCost,
  type WarmStart,
  type WaysOut,
} from '@fixatum/core';

/** The build that questions are about, and the plan on screen; counted, so that what is asked about an older one is dropped. */
export interface WaysSetting {
  setting: number;
  build: Build;
  now: number;
  around: Around;
  warm: WarmStart | undefined;
}

let setting: WaysSetting | undefined;
let plan: Plan | undefined;

/** Gives the build that the questions from now on are about. */
export function setBuild(next: WaysSetting): void {
  setting = next;
  plan = undefined;
}

/** The build and the plan that a question is about; undefined when another build was given meanwhile. */
async function settingOf(of: number): Promise<{ build: Build; plan: Plan } | undefined> {
  // A newer build that came in meanwhile is heard first.
  await new Promise((go) => setTimeout(go));
  if (setting?.setting !== of) return undefined;
  const { build, now, around, warm } = setting;
  plan ??= planBuild(build, {
    now,
    ...around,
    latestStarts: false,
    ...(warm ? { search: { warm, keep: true, starts: 'none' } } : {}),
  });
  return { build, plan };
}

/** The ways out of one finding; undefined when another build was given meanwhile. */
export async function waysOut(of: number, finding: RuleFinding): Promise<WaysOut | undefined> {
  const known = await settingOf(of);
  return known && searchWaysOut(known.build, finding, known.plan);
}

/** What it costs to begin some passes at a moment; undefined when another build was given meanwhile. */
export async function costOfStart(
  of: number,
  operationIds: string[],
  now: number,
): Promise<StartCost | undefined> {
  const known = await settingOf(of);
  return known && startCost(known.build, known.plan, operationIds, now);
}

/** What would do in place of a tin of which little is used; undefined when nothing would, or another build was given meanwhile. */
export async function instead(
  of: number,
  line: ShopLine,
  lines: readonly ShopLine[],
): Promise<Instead | undefined> {
  const known = await settingOf(of);
  // Copied to this thread, the line is in its list no more.
  const own = lines.find(
    ({ materialId, colour }) => materialId === line.materialId && colour === line.colour,
  );
  return known && own && insteadOf(known.build, known.plan, own, { lines: [...lines] });
}
