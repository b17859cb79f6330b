import type { Request } from 'express';
import type { ChangeNote } from '../services/changeLog';
import type { Clock } from '../services/clock';
import { callerOf } from './admit';

/** Notes of a change that a request makes: what it is called, when it was made, and on which device. */
export const noteMaker =
  (clock: Clock) =>
  (request: Request, label: ChangeNote['label']): ChangeNote => {
    const { device } = callerOf(request);
    return { label, at: clock.iso(), ...(device ? { by: device } : {}) };
  };
