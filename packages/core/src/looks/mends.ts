import { lookingTable, type Check, type Mend } from '../model/lookOverChecks';
import type { Build, Piece, Step } from '../model/schema';
import { Mending, type FailedOn } from './mending';

export type { FailedOn } from './mending';

/** One way to put right what failed a look: steps to do before it is looked at again, or only time. */
export interface MendOffer {
  mend: Mend;
  label: string;
  steps: Step[];
  /** It is looked at again after so long, with nothing done. */
  waitMinutes?: number;
}

/** A film that has not hardened is looked at again a day later: there is then another evening in between. */
const WAIT_MINUTES = 1440;

const labels: Record<Mend, string> = {
  'clean-glue': 'Take it off with white spirit',
  'fill-seams': 'Brush filler in and sand it',
  'caulk-seams': 'Smooth flexible caulk into it',
  'dust-off': 'Dust it and wipe it',
  'heat-again': 'Go over it with hot air once more',
  trim: 'Trim it to fit',
  'seal-again': 'Seal those spots once more',
  'fill-pinholes': 'Fill the pinholes and seal them',
  'fill-and-prime': 'Fill, sand, and prime the spots',
  'prime-again': 'Rub it smooth and prime it once more',
  'coat-again': 'One more coat',
  'touch-up': 'Touch up by brush',
  'sand-and-touch-up': 'Sand the spots smooth and touch up',
  'clear-again': 'Another coat of clear',
  wait: 'Give it a day and look again',
};

/**
 * What can be done about something that failed a look-over, the usual way first: steps in the materials the piece already has, small,
 * by hand and without tape. Nothing where its work so far offers no way.
 * @param stepId the look-over that failed
 */
export function mendOffers(
  build: Build,
  piece: Piece,
  stepId: string,
  check: Check,
  on: FailedOn = {},
): MendOffer[] {
  return check.mends.flatMap((mend): MendOffer[] => {
    if (mend === 'wait') return [{ mend, label: labels.wait, steps: [], waitMinutes: WAIT_MINUTES }];
    const steps = new Mending(build, piece, stepId, on).steps(mend);
    return steps.length > 0 ? [{ mend, label: labels[mend], steps }] : [];
  });
}

/** The steps of a piece with some put in before a look-over, which comes again after them. */
export const mended = (piece: Piece, stepId: string, steps: readonly Step[]): Step[] =>
  piece.steps.flatMap((step) => (step.id === stepId ? [...steps, step] : [step]));

/**
 * The steps of a piece after tape that was pulled took paint along: sanded at the edge and touched up, right after the pull. As they
 * were where its work so far offers no way.
 * @param stepId the pull
 */
export function afterTornPull(build: Build, piece: Piece, stepId: string, on: FailedOn = {}): Step[] {
  const check = lookingTable.pulled.checks.find(({ id }) => id === 'lifted');
  const zones = piece.steps.find(({ id }) => id === stepId)?.zones;
  const [offer] = check
    ? mendOffers(build, piece, stepId, check, { ...(zones ? { zones } : {}), ...on })
    : [];
  return piece.steps.flatMap((step) => (step.id === stepId && offer ? [step, ...offer.steps] : [step]));
}
