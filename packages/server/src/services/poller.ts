import type { EpochMinute } from '@fixatum/core';
import type { Hygrometers } from './hygrometers';
import type { Clock } from './clock';
import { askHygrometer, SensorSilent } from './hygrometer';
import type { ReadingStore, StoredReading } from './readingStore';

/** Asks the hygrometer of one place and keeps what it says. */
export async function readHygrometer(
  readings: ReadingStore,
  { workshopId, placeId, port, at }: { workshopId: string; placeId: string; port: number; at: EpochMinute },
): Promise<StoredReading> {
  return readings.add(workshopId, placeId, { at, ...(await askHygrometer(port)) });
}

export interface Poller {
  /** Asks every hygrometer once; one that is silent is a gap. */
  round(): Promise<void>;
  /** Stops asking, and waits for a round that has begun. */
  stop(): Promise<void>;
}

interface Parts {
  hygrometers: Pick<Hygrometers, 'all'>;
  readings: ReadingStore;
  clock: Clock;
  /** Told of what nobody expected. */
  onError: (error: unknown) => void;
}

/** Old readings are thinned when the server starts and then once a day. */
const THIN_EVERY_ROUNDS = 24 * 60;

/** Reads every hygrometer once a minute, by the ports that the workshops name. */
export function pollHygrometers({ hygrometers, readings, clock, onError }: Parts, everyMs = 60_000): Poller {
  let rounds = 0;
  const once = async () => {
    if (rounds % THIN_EVERY_ROUNDS === 0) await readings.thin(clock.minuteIn('UTC'));
    rounds += 1;
    // All at once, so that one which takes its time holds up no other.
    await Promise.all(
      (await hygrometers.all()).map(({ workshopId, placeId, port, timeZone }) =>
        readHygrometer(readings, { workshopId, placeId, port, at: clock.minuteIn(timeZone) }).catch(
          (error: unknown) => {
            if (!(error instanceof SensorSilent)) onError(error);
          },
        ),
      ),
    );
  };
  let running: Promise<void> | undefined;
  const round = () => {
    running ??= once()
      .catch(onError)
      .finally(() => (running = undefined));
    return running;
  };
  const timer = setInterval(() => void round(), everyMs);
  timer.unref();
  void round();
  return {
    round,
    async stop() {
      clearInterval(timer);
      await running;
    },
  };
}
