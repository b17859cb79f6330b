import { compareScores, type RescueAnswer, type Score, type WarmStart } from '@fixatum/core';
import { proxy } from 'comlink';
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { openWorker, plain, type WorkerLink } from '../shared/offThread/workerLink';
import { useBuild } from '../shared/build';
import { useForecastStore } from '../shared/forecast';
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
  const forecast = useForecastStore();
  const notice = useNotice();

  /** 0 to 1 while it looks; undefined when it does not. */
  const share = ref<number>();
  const tried = ref(0);
  let improver: WorkerLink | undefined;
  let seed = 1;

  function stopLooking(): void {
    improver?.end();
    improver = undefined;
    share.value = undefined;
  }

  /** @param quietly as nobody pressed for it: says nothing when it is over, and takes nothing that leaves less time to spare */
  function look(seconds = SECONDS, quietly = false): void {
    const { build, view } = store;
    if (!build || !view) return;
    stopLooking();
    share.value = 0;
    tried.value = 0;
    let best: Score = view.score;
    let found = false;
    const own = openWorker('better plan');
    improver = own;
    const request = {
      now: view.now,
      warm: store.warm,
      seconds,
      // Another press looks elsewhere.
      seed: seed++,
      ...plain({ build, around: store.around }),
    };
    const better = (plan: WarmStart, score: Score) => {
      if (improver !== own || compareScores(score, best) >= 0) return;
      // Unasked, nobody's days to spare are given for fewer set-ups.
      if (quietly && score.tightness > view.score.tightness) return;
      best = score;
      found = true;
      store.takePlan(plan);
    };
    const told = (done: number, orders: number) => {
      if (improver !== own) return;
      share.value = Math.min(1, done);
      tried.value = orders;
    };
    own
      .run((remote) => remote.improve(request, proxy(better), proxy(told)))
      .then((orders) => {
        if (improver !== own || quietly) return;
        notice.say(
          found
            ? 'A better plan was found.'
            : `${orders} other orders were tried; none is better than this plan.`,
        );
      })
      .catch((error: unknown) => {
        if (improver === own) notice.complain(error, { label: 'Try again', run: () => look() });
      })
      .finally(() => {
        if (improver === own) stopLooking();
      });
  }

  const rescue = shallowRef<RescueAnswer>();
  const rescueShare = ref<number>();
  let rescuer: WorkerLink | undefined;

  function stopRescue(): void {
    rescuer?.end();
    rescuer = undefined;
    rescueShare.value = undefined;
  }

  function lookForRescue(): void {
    const { build, view } = store;
    if (!build || !view) return;
    stopRescue();
    rescue.value = undefined;
    rescueShare.value = 0;
    const own = openWorker('rescue');
    rescuer = own;
    const request = {
      now: view.now,
      warm: store.warm,
      chances: new Map([...forecast.byPiece].map(([id, one]) => [id, one.chance])),
      ...plain({ build, around: store.around }),
    };
    const told = (done: number, of: number) => {
      if (rescuer === own) rescueShare.value = done / of;
    };
    own
      .run((remote) => remote.rescue(request, proxy(told)))
      .then((answer) => {
        if (rescuer === own) rescue.value = answer;
      })
      .catch((error: unknown) => {
        if (rescuer === own) notice.complain(error, { label: 'Try again', run: lookForRescue });
      })
      .finally(() => {
        if (rescuer === own) stopRescue();
      });
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
