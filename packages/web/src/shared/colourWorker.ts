import type { Remote } from 'comlink';
import type { CoreWork } from './offThread/coreWorker';
import { openWorker, WorkerBroken, type WorkerLink } from './offThread/workerLink';

let link: WorkerLink | undefined;

/** Works something out about colours beside the screen; a worker that broke down is replaced the next time. */
export async function inColourWorker<T>(work: (remote: Remote<CoreWork>) => Promise<T>): Promise<T> {
  const own = (link ??= openWorker('colour'));
  try {
    return await own.run(work);
  } catch (error) {
    if (error instanceof WorkerBroken) {
      own.end();
      if (link === own) link = undefined;
    }
    throw error;
  }
}
