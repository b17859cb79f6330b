import { keptWorker } from './offThread/workerLink';

/** Works something out about colours beside the screen. */
export const inColourWorker = keptWorker('colour');
