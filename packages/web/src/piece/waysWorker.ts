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

/** Gives the build that findings are about; what was asked about an older one is dropped. */
export interface WaysSetting {
  setting: number;
  build: Build;
  now: number;
  readings: ReadingsByPlace;
  /** The plan on screen, which the findings are about. */
  warm: WarmStart | undefined;
}

/** Asks for the ways out of one finding. */
export interface WaysQuestion {
  setting: number;
  ticket: number;
  finding: RuleFinding;
}

export type WaysAnswer = { ticket: number; ways: WaysOut } | { ticket: number; error: string };

let setting: WaysSetting | undefined;
let plan: Plan | undefined;
const waiting: WaysQuestion[] = [];

function next(): void {
  const question = waiting.shift();
  if (!question) return;
  if (setting && question.setting === setting.setting) {
    try {
      plan ??= planBuild(setting.build, {
        now: setting.now,
        readings: setting.readings,
        latestStarts: false,
        ...(setting.warm ? { search: { warm: setting.warm, keep: true, starts: 'none' } } : {}),
      });
      const ways = searchWaysOut(setting.build, question.finding, plan);
      self.postMessage({ ticket: question.ticket, ways } satisfies WaysAnswer);
    } catch (error) {
      self.postMessage({ ticket: question.ticket, error: (error as Error).message } satisfies WaysAnswer);
    }
  }
  // A newer build that came in meanwhile is read before the next question.
  if (waiting.length > 0) setTimeout(next);
}

self.onmessage = ({ data }: MessageEvent<WaysSetting | WaysQuestion>) => {
  if ('build' in data) {
    setting = data;
    plan = undefined;
    return;
  }
  waiting.push(data);
  if (waiting.length === 1) setTimeout(next);
};
