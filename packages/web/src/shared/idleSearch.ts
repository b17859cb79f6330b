import type { Around, Build, PlanView, WarmStart } from '@fixatum/core';
import { useBattery, useDocumentVisibility, useIdle, useLocalStorage } from '@vueuse/core';
import { proxy } from 'comlink';
import { computed, ref, watch, type ComputedRef, type Ref, type ShallowRef } from 'vue';
import { openWorker, plain, type WorkerLink } from './offThread/workerLink';

/** It begins when nothing was pressed for this long, */
const IDLE_AFTER_MS = 4000;
/** goes on for this long at most, */
const SECONDS = 120;
/** and ends when so many seconds of work have found nothing. */
const QUIET_SECONDS = 12;

interface Planned {
  id: Ref<string | undefined>;
  build: ShallowRef<Build | undefined>;
  view: ShallowRef<PlanView | undefined>;
  warm: ShallowRef<WarmStart | undefined>;
  planning: Ref<boolean>;
  around: ComputedRef<Around>;
  /** Goes on from a better plan. */
  take: (better: WarmStart) => void;
}

const asText = ({ beginsAt, personOf }: WarmStart): string => JSON.stringify([[...beginsAt], [...personOf]]);

/**
 * Looks for a better plan by itself while the app is open and nothing is pressed: quietly, not in a hidden window, not on
 * battery where the browser tells, and only until nothing has turned up for a while. What was made step by step comes to be as
 * good as if it were made anew.
 */
export function idleSearch({ id, build, view, warm, planning, around, take }: Planned) {
  /** Whether it may; kept on this device. */
  const allowed = useLocalStorage('fixatum-idle-search', true);
  const { idle } = useIdle(IDLE_AFTER_MS);
  const visibility = useDocumentVisibility();
  const battery = useBattery();
  const looking = ref(false);
  /** The plan for which nothing better was found, as text. */
  let settled = '';
  let link: WorkerLink | undefined;
  let seed = 1;

  const mayLook = computed(
    () =>
      allowed.value &&
      idle.value &&
      visibility.value === 'visible' &&
      !(battery.isSupported.value && !battery.charging.value) &&
      !planning.value &&
      view.value !== undefined,
  );

  function stop(): void {
    link?.end();
    link = undefined;
    looking.value = false;
  }

  function look(): void {
    const from = warm.value;
    if (!build.value || !view.value || !from || asText(from) === settled) return;
    const own = openWorker('idle search');
    link = own;
    looking.value = true;
    let best: WarmStart | undefined;
    const request = {
      now: view.value.now,
      warm: from,
      seconds: SECONDS,
      quietSeconds: QUIET_SECONDS,
      // Another round looks elsewhere.
      seed: 1000 + seed++,
      ...plain({ build: build.value, around: around.value }),
    };
    const better = (plan: WarmStart) => {
      if (link === own) best = plan;
    };
    own
      .run((remote) =>
        remote.improve(
          request,
          proxy(better),
          proxy(() => undefined),
        ),
      )
      .then(() => {
        if (link !== own) return;
        if (!best) settled = asText(from);
        else take(best);
      })
      // Nobody asked for it, so nobody need hear that it failed; the plan there is stands.
      .catch(() => {
        if (link === own) settled = asText(from);
      })
      .finally(() => {
        if (link === own) stop();
      });
  }

  watch(
    [mayLook, id, build, warm],
    () => {
      stop();
      if (mayLook.value) look();
    },
    { flush: 'post' },
  );

  return { allowed, looking, stop };
}
