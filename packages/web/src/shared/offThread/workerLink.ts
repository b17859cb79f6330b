import { measureSystem, momentStyle } from '@fixatum/core';
import { wrap, type Remote } from 'comlink';
import type { CoreWork } from './coreWorker';

/** A worker that could not be loaded, or broke down; what it was doing is lost, and a new one may do it. */
export class WorkerBroken extends Error {}

/** A worker of one's own, for one kind of work. */
export interface WorkerLink<Work = CoreWork> {
  /** Does some work over there. Rejects with what that threw, or with WorkerBroken when the worker itself fails. */
  run<T>(work: (remote: Remote<Work>) => Promise<T>): Promise<T>;
  /** Stops it at once, whatever it is doing; promises of `run` stay open. */
  end(): void;
}

/**
 * Starts a worker.
 * @param name what it is for, as developer tools show it
 */
export function openWorker(name: string): WorkerLink {
  const link = linkTo<CoreWork>(
    new Worker(new URL('./coreWorker.ts', import.meta.url), { type: 'module', name }),
  );
  // Its sentences have moments and measures in them, and it knows nothing of what the device is set to.
  const style = momentStyle();
  if (style.monthFirst || style.hours === 12)
    link.run((remote) => remote.speakMomentsAs(style)).catch(() => undefined);
  const system = measureSystem();
  if (system !== 'metric') link.run((remote) => remote.speakMeasuresAs(system)).catch(() => undefined);
  return link;
}

/** The way to a worker that was started, and back from it. */
export function linkTo<Work>(worker: Worker): WorkerLink<Work> {
  const remote = wrap<Work>(worker);
  const broken = new Promise<never>((_, refuse) => {
    const fail = () =>
      refuse(new WorkerBroken('A part of the app could not be loaded. Check the connection to the server.'));
    worker.onerror = fail;
    worker.onmessageerror = fail;
  });
  // Nobody may be waiting when it breaks; whoever asks next hears of it.
  broken.catch(() => undefined);
  return { run: (work) => Promise.race([work(remote), broken]), end: () => worker.terminate() };
}

/** Runs work in one worker that is started when it is first wanted; one that broke down is replaced the next time. */
export function keptWorker(name: string): WorkerLink['run'] {
  let link: WorkerLink | undefined;
  return async (work) => {
    const own = (link ??= openWorker(name));
    try {
      return await own.run(work);
    } catch (error) {
      if (error instanceof WorkerBroken) {
        own.end();
        if (link === own) link = undefined;
      }
      throw error;
    }
  };
}

/** A copy without reactivity, which can be sent to a worker. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
