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
export interface WaysGround {
  ground: number;
  build: Build;
  now: number;
  readings: ReadingsByPlace;
  /** The plan on screen, which the findings are about. */
  warm: WarmStart | undefined;
}

/** Asks for the ways out of one finding. */
export interface WaysQuestion {
  ground: number;
  ticket: number;
  finding: RuleFinding;
}

export type WaysAnswer = { ticket: number; ways: WaysOut } | { ticket: number; error: string };

let ground: WaysGround | undefined;
let plan: Plan | undefined;
const waiting: WaysQuestion[] = [];

function next(): void {
  const question = waiting.shift();
  if (!question) return;
  if (ground && question.ground === ground.ground) {
    try {
      plan ??= planBuild(ground.build, {
        now: ground.now,
        readings: ground.readings,
        latestStarts: false,
        ...(ground.warm ? { search: { warm: ground.warm, keep: true, starts: 'none' } } : {}),
      });
      const ways = searchWaysOut(ground.build, question.finding, plan);
      self.postMessage({ ticket: question.ticket, ways } satisfies WaysAnswer);
    } catch (error) {
      self.postMessage({ ticket: question.ticket, error: (error as Error).message } satisfies WaysAnswer);
    }
  }
  // A newer build that came in meanwhile is read before the next question.
  if (waiting.length > 0) setTimeout(next);
}

self.onmessage = ({ data }: MessageEvent<WaysGround | WaysQuestion>) => {
  if ('build' in data) {
    ground = data;
    plan = undefined;
    return;
  }
  waiting.push(data);
  if (waiting.length === 1) setTimeout(next);
};
