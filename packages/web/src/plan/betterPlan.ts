import { compareScores, type RescueAnswer, type Score } from '@fixatum/core';
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import type { ImproveAnswer, ImproveRequest } from './improveWorker';
import { plain } from '../shared/planner';
import type { RescueMessage, RescueRequest } from './rescueWorker';
import { useBuild } from '../shared/build';
import { useForecast } from '../shared/forecast';
import { useNotice } from '../shared/notice';

const SECONDS = 5;

/** A plan put aside to hold another against it. */
interface StoredPlan {
  at: number;
  sessions: number;
  /** When each piece was ready; undefined for never. */
  ready: Record<string, number | undefined>;
}

/** Long work on the plan, each in a worker of its own that can be stopped: looking for a better one, and ways to catch up. */
export const useBetterPlan = defineStore('better-plan', () => {
  const store = useBuild();
  const forecast = useForecast();
  const notice = useNotice();

  /** 0 to 1 while it looks; undefined when it does not. */
  const share = ref<number>();
  const tried = ref(0);
  let improver: Worker | undefined;
  let seed = 1;

  function stopLooking(): void {
    improver?.terminate();
    improver = undefined;
    share.value = undefined;
  }

  function look(): void {
    const { build, view } = store;
    if (!build || !view) return;
    stopLooking();
    share.value = 0;
    tried.value = 0;
    let best: Score = view.score;
    let found = false;
    improver = new Worker(new URL('./improveWorker.ts', import.meta.url), { type: 'module' });
    improver.onmessage = ({ data }: MessageEvent<ImproveAnswer>) => {
      if ('better' in data) {
        if (compareScores(data.score, best) < 0) {
          best = data.score;
          found = true;
          store.takePlan(data.better);
        }
      } else if ('share' in data) {
        share.value = Math.min(1, data.share);
        tried.value = data.tried;
      } else {
        if ('error' in data) notice.complain(new Error(data.error));
        else
          notice.say(
            found
              ? 'A better plan was found.'
              : `${data.tried} other orders were tried; none is better than this plan.`,
          );
        stopLooking();
      }
    };
    improver.postMessage({
      now: view.now,
      warm: store.warm,
      seconds: SECONDS,
      // Another press looks elsewhere.
      seed: seed++,
      ...plain({ build, readings: store.readingsByPlace }),
    } satisfies ImproveRequest);
  }

  const rescue = shallowRef<RescueAnswer>();
  const rescueShare = ref<number>();
  let rescuer: Worker | undefined;

  function stopRescue(): void {
    rescuer?.terminate();
    rescuer = undefined;
    rescueShare.value = undefined;
  }

  function lookForRescue(): void {
    const { build, view } = store;
    if (!build || !view) return;
    stopRescue();
    rescue.value = undefined;
    rescueShare.value = 0;
    rescuer = new Worker(new URL('./rescueWorker.ts', import.meta.url), { type: 'module' });
    rescuer.onmessage = ({ data }: MessageEvent<RescueMessage>) => {
      if ('done' in data) rescueShare.value = data.done / data.of;
      else {
        if ('answer' in data) rescue.value = data.answer;
        else notice.complain(new Error(data.error));
        stopRescue();
      }
    };
    rescuer.postMessage({
      now: view.now,
      warm: store.warm,
      chances: new Map([...forecast.byPiece].map(([id, one]) => [id, one.chance])),
      ...plain({ build, readings: store.readingsByPlace }),
    } satisfies RescueRequest);
  }

  const kept = shallowRef<StoredPlan>();
  function keep(): void {
    const { view } = store;
    if (!view) return;
    kept.value = {
      at: view.now,
      sessions: view.sessions.length,
      ready: Object.fromEntries(
        view.pieces.map(({ pieceId, packableAt, wearableAt }) => [
          pieceId,
          packableAt === undefined || wearableAt === undefined ? undefined : Math.max(packableAt, wearableAt),
        ]),
      ),
    };
  }
  watch(
    () => store.id,
    () => (kept.value = undefined),
  );

  // What was found for one build need not fit the next.
  watch(
    () => store.build,
    () => {
      stopLooking();
      stopRescue();
      rescue.value = undefined;
    },
  );

  return { kept, keep, share, tried, look, stopLooking, rescue, rescueShare, lookForRescue, stopRescue };
});
