import { stat } from 'node:fs/promises';

/** It is looked so often whether there is something to fold in. */
const LOOK_EVERY_MS = 5000;
/** A log of this size is folded in without waiting for a quiet moment: a copy of the file alone would miss all of it. */
const LARGEST_LOG_BYTES = 4_000_000;

interface Folded {
  /** Where the log of writes lies. */
  logFile: string;
  fold: () => Promise<boolean>;
  onError: (error: unknown) => void;
  /** In place of the usual pause between two looks. */
  everyMs?: number;
}

/**
 * Keeps the database file whole by itself: what was written into its log is folded in once nothing has been written from one look to the next, or
 * the log has grown large.
 */
export function keepFolded({ logFile, fold, onError, everyMs = LOOK_EVERY_MS }: Folded): {
  stop(): Promise<void>;
} {
  let size = 0;
  let looking: Promise<unknown> = Promise.resolve();
  const look = async () => {
    const now = await stat(logFile).then(
      (found) => found.size,
      () => 0,
    );
    if (now > 0 && (now === size || now > LARGEST_LOG_BYTES)) await fold();
    size = now;
  };
  const timer = setInterval(() => {
    looking = look().catch(onError);
  }, everyMs);
  timer.unref();
  return {
    async stop() {
      clearInterval(timer);
      await looking;
    },
  };
}
