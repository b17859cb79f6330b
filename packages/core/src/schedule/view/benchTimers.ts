import { standsAfter } from '../../quantity/handsOn';
import type { Operation } from '../plan/operations';

/** A timer that goes with a pass: what for, how long, and whether it rings on the way. */
export interface TimerIdea {
  label: string;
  minutes: number;
  everyMinutes?: number;
}

/** Washes are wiped back while they are wet. */
const WIPE_BACK_MINUTES = 3;
/** Panel-line washes are cleaned up with spirit once they have set. */
const CLEAN_UP_MINUTES = 30;
/** Epoxy levels itself: texture is worked in again and again. */
const REWORK_EVERY_MINUTES = 4;

/**
 * The timers that a pass is likely to want: pot life with reminders to rework, tack of cement, wiping a wash back, the
 * flash-off before the next spray pass.
 * @example timersFor(epoxyPass) // [{ label: 'Pot life: Clear epoxy 1:1', minutes: 30, everyMinutes: 4 }]
 */
export function timersFor(
  operation: Pick<Operation, 'material' | 'method' | 'filmFactor'> &
    Partial<Pick<Operation, 'reworkEveryMinutes'>>,
): TimerIdea[] {
  const { material, method, filmFactor, reworkEveryMinutes } = operation;
  if (!material) return [];
  const ideas: TimerIdea[] = [];
  if (material.potLife !== undefined && reworkEveryMinutes !== undefined)
    ideas.push({
      label: `Work it over: ${material.name}`,
      minutes: standsAfter(material.potLife),
      everyMinutes: reworkEveryMinutes,
    });
  if (material.potLife !== undefined)
    ideas.push({
      label: `Pot life: ${material.name}`,
      minutes: material.potLife,
      ...(material.binder === 'epoxy' && reworkEveryMinutes === undefined
        ? { everyMinutes: REWORK_EVERY_MINUTES }
        : {}),
    });
  if (material.role === 'bond' && material.touch !== undefined && material.carrier === 'solvent')
    ideas.push({ label: `Tack: ${material.name}`, minutes: material.touch });
  if (material.role === 'weather' && material.methods.includes('wipe') && material.carrier === 'water')
    ideas.push({ label: `Wipe back: ${material.name}`, minutes: WIPE_BACK_MINUTES });
  if (material.role === 'weather' && material.methods.includes('wipe') && material.binder === 'alkyd')
    ideas.push({ label: `Clean up: ${material.name}`, minutes: CLEAN_UP_MINUTES });
  if (method === 'aerosol' && material.touch !== undefined)
    ideas.push({
      label: `Flash-off: ${material.name}`,
      minutes: Math.max(1, Math.round(material.touch * filmFactor)),
    });
  return ideas;
}

/** How a running timer stands at a moment, in minutes since 1970 with seconds as a fraction. */
export interface TimerState {
  /** Minutes left; negative once it is over. */
  left: number;
  /** Minutes to the next ring on the way, or to the end. */
  toNextRing: number;
  /** How many times it should have rung by now, the end included. */
  rings: number;
}

/** A timer at a moment, by the instant it began: what happens to the screen meanwhile makes no difference. */
export function timerState(
  timer: { startedAt: string; minutes: number; everyMinutes?: number | undefined },
  now: number,
): TimerState {
  const passed = Math.max(0, now - Date.parse(timer.startedAt) / 60_000);
  const left = timer.minutes - passed;
  const every = timer.everyMinutes;
  const within = Math.min(passed, timer.minutes);
  // A ring on the way that falls on the end is the end.
  const onTheWay = every ? Math.min(Math.floor(within / every), Math.ceil(timer.minutes / every) - 1) : 0;
  const toNext = every ? Math.min(left, (onTheWay + 1) * every - passed) : left;
  return { left, toNextRing: left <= 0 ? 0 : toNext, rings: onTheWay + (left <= 0 ? 1 : 0) };
}
