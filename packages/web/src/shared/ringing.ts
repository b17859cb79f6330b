import { drynessWords, timerState, type BenchTimer, type Build, type Dryness } from '@fixatum/core';
import { watch } from 'vue';
import { useAlarm } from './alarm';
import { useBuild } from './build';
import { dryingName, dryingOf, type Drying } from './drying';

/** Something to ring for: what to say, and whether it is an end or only a reminder on the way. */
export interface Ring {
  words: string;
  isEnd: boolean;
}

/** A timer that was over for longer than this when the app was opened is not rung for. */
const LONG_AGO_MINUTES = 2;

/**
 * What running timers ring for at a moment.
 * @param rung how often each has rung so far, by id; brought up to date
 */
export function timerRings(timers: readonly BenchTimer[], now: number, rung: Map<string, number>): Ring[] {
  const known = new Set(timers.map(({ id }) => id));
  for (const id of rung.keys()) if (!known.has(id)) rung.delete(id);
  return timers.flatMap((timer): Ring[] => {
    const { left, rings } = timerState(timer, now);
    const before = rung.get(timer.id);
    rung.set(timer.id, rings);
    const isFresh =
      before === undefined ? rings > 0 && left > -LONG_AGO_MINUTES && left <= 0 : rings > before;
    if (!isFresh) return [];
    return [{ words: `${left <= 0 ? 'Time is up' : 'Again'}: ${timer.label}`, isEnd: left <= 0 }];
  });
}

/**
 * Coats that have come to their next state since the last look.
 * @param states how each stood then, by unit and coat; brought up to date
 */
export function dryingRings(
  build: Build | undefined,
  drying: readonly Drying[],
  now: number,
  states: Map<string, Dryness>,
): Ring[] {
  const before = new Map(states);
  states.clear();
  const rings: Ring[] = [];
  for (const one of drying) {
    // Units of a set may stand differently, so each is followed by itself; those that come on together ring once.
    const moved = one.units.filter((unit) => {
      const key = `${one.pieceId} ${unit} ${one.face} ${one.stepId}`;
      states.set(key, one.state);
      const was = before.get(key);
      return was !== undefined && was !== one.state;
    });
    if (moved.length === 0 || one.laidAt >= now - 1) continue;
    const words = `${dryingName(build, { ...one, units: moved })}: ${drynessWords[one.state]}`;
    rings.push({ words, isEnd: true });
  }
  return rings;
}

/** Rings for timers and coats of the open build, wherever in the app one is, with its tab in the background too. */
export function useRinging(): void {
  const store = useBuild();
  const alarm = useAlarm();
  const rung = new Map<string, number>();
  const states = new Map<string, Dryness>();
  watch(
    () => store.id,
    () => {
      rung.clear();
      states.clear();
    },
  );
  const ring = (rings: readonly Ring[]) => {
    for (const { words, isEnd } of rings) alarm.ring(words, isEnd);
  };
  // Each by itself: a timer rings whatever becomes of the plan.
  watch(
    () => [store.now, store.build?.timers] as const,
    ([now, timers]) => ring(timerRings(timers ?? [], now, rung)),
    { immediate: true },
  );
  watch(
    () => [store.now, store.view] as const,
    ([now, view]) => {
      if (view) ring(dryingRings(store.build, dryingOf(view, now), now, states));
    },
    { immediate: true },
  );
}
