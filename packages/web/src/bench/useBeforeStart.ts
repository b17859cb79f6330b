import { severities, type LaterPiece, type PlannedOperation, type RuleFinding } from '@fixatum/core';
import { computed, watch, type ComputedRef } from 'vue';
import { useBuild } from '../shared/build';
import { useWays } from '../shared/ways';
import { ON_TIME_MINUTES } from './ticking';

/** What to know before some passes are begun. */
export interface BeforeStart {
  /** What the rules say of their steps as planned, and what they would say if they were begun now; worst first. */
  findings: ComputedRef<RuleFinding[]>;
  stops: ComputedRef<RuleFinding[]>;
  /** Pieces that are ready later if they are begun now. */
  later: ComputedRef<LaterPiece[]>;
  /** Pieces of these passes that miss their date as it stands, by id, with by how much; undefined when they never get there. */
  late: ComputedRef<{ pieceId: string; byMinutes: number | undefined }[]>;
}

/**
 * @param chosen the passes that would be begun
 * @param isUnderway whether they have been, so that nothing is left to ask
 */
export function useBeforeStart(
  chosen: ComputedRef<readonly PlannedOperation[]>,
  isUnderway: () => boolean,
): BeforeStart {
  const store = useBuild();
  const ways = useWays();

  /** The passes and the moment to ask about; undefined where beginning now is what is planned. */
  const asked = computed(() => {
    const { view } = store;
    const [first] = chosen.value;
    if (!view || !first || isUnderway()) return undefined;
    const isOnTime = first.start !== undefined && Math.abs(first.start - store.minute) <= ON_TIME_MINUTES;
    return isOnTime ? undefined : { ids: chosen.value.map(({ id }) => id), now: view.now };
  });
  watch(
    asked,
    (question) => {
      if (question) ways.askStart(question.ids, question.now);
    },
    { immediate: true },
  );
  const cost = computed(() => asked.value && ways.costOf(asked.value.ids, asked.value.now));

  const ifBegunNow = computed(() =>
    (cost.value?.findings ?? []).map((one) => ({ ...one, message: `Begun now: ${one.message}` })),
  );
  const findings = computed(() =>
    [...store.findingsOn(chosen.value), ...ifBegunNow.value].sort(
      (a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity),
    ),
  );
  return {
    findings,
    stops: computed(() => findings.value.filter(({ severity }) => severity === 'stop')),
    later: computed(() => cost.value?.later ?? []),
    late: computed(() =>
      [...new Set(chosen.value.map(({ pieceId }) => pieceId))].flatMap((pieceId) => {
        const plan = store.planOf(pieceId);
        if (plan?.readiness !== 'late' && plan?.readiness !== 'stuck') return [];
        const byMinutes = plan.readiness === 'late' ? -(plan.slackMinutes ?? 0) : undefined;
        return [{ pieceId, byMinutes }];
      }),
    ),
  };
}
