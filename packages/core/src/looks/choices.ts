import type { Step } from '../model/schema';
import { type FinishPlan } from './finishPlan';
import type { Clear, Look, SealerSchool, Undercoat } from './look';
import type { Method } from '../model/methods';

/** What a person decides; everything else follows from the piece. */
export interface Choices {
  /** One look for the whole piece, or one a zone. */
  looks: { zone?: string; look: Look; colour?: string }[];
  sealer?: SealerSchool;
  undercoat?: Undercoat;
  clear?: Clear;
  /** Tools at hand; brushes, foam brush, sponge and spray cans if not said. */
  tools?: readonly Method[];
  /** Leaves out what the looks call extra, and one coat where there are three or more. */
  quicker?: boolean;
  /** What is filled first: hairline seams and pores with filler that is sanded, gaps with caulk, or both. */
  seams?: 'hairline' | 'gaps' | 'both';
  /** Glue strings or marker are wiped off with a solvent first. */
  wipe?: boolean;
  /** Panel lines and damage that are burned or ground into foam first. */
  lines?: 'burned' | 'ground';
  /** Straps or closures to put on at the end. */
  straps?: boolean;
  /** Stops to look the work over before it goes on; they are put in unless that is false. The quicker variant has the first and the last. */
  lookOvers?: boolean;
  /** Tries it on before paint. */
  tryOn?: boolean;
  /** When the steps are written, as wall time, where the build has begun long before. */
  now?: string;
  /** Zones in the order the user wants them painted. */
  order?: readonly string[];
}

/** A list of steps, and how the zones were brought into order. */
export interface WrittenSteps {
  steps: Step[];
  zones: FinishPlan | undefined;
  /** What was written otherwise than asked for, and why: one sentence each. */
  notes: string[];
}

export const usualTools: readonly Method[] = [
  'brush',
  'foam-brush',
  'sponge',
  'stipple',
  'dry-brush',
  'wipe',
  'aerosol',
];
