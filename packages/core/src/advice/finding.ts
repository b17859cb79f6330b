import type { SpotName } from '../words/whereWords';
import type { PatchStep } from '../model/patch';
import type { Face, Swatch } from '../model/schema';

/** `stop`: it fails. `risk`: try it on an offcut or meet the condition. `note`: good to know. */
export type Severity = 'stop' | 'risk' | 'note';

/** From worst to mildest. */
export const severities: readonly Severity[] = ['stop', 'risk', 'note'];

/** A change that might settle a finding: a label, and the patch that makes it. Not tried yet. */
export interface Idea {
  label: string;
  change: PatchStep[];
  /** Whether the rule itself proposes it: its own cure. */
  isCure?: boolean;
}

/** How much a change shows on the finished piece. */
export type LookChange = 'same' | 'slight' | 'other';

/** A change that was tried: it settles its finding and brings no new stop. */
export interface WayOut extends Idea {
  /** How much later the piece is ready, minutes; negative when it is ready sooner, undefined when it never was before. */
  laterMinutes: number | undefined;
  /** Materials it needs that the build did not use and the shelf does not hold, by name. */
  buys: string[];
  /** How much more material it takes over all units, ml. */
  extraMl: number;
  look: LookChange;
  /** In what it shows, in a few words each: "matte in place of gloss". */
  shows: string[];
  /** Rules that speak as a risk once it is applied and did not before. */
  newRisks: string[];
  /** Other pieces that miss their date because of it, by id. */
  makesLate: string[];
}

/** What to lay on an offcut to learn whether a pair holds: no id yet, no result. */
export type SwatchDraft = Pick<Swatch, 'coats' | 'substrate' | 'bendRadiusMm'>;

/** What the user saw on an offcut of their own. */
export interface Evidence {
  swatch: string;
  result: 'good' | 'failed';
  judgedOn: string;
  note: string;
}

/** What a rule has to say about one step, with changes that it thinks would help. */
export interface RuleFinding {
  rule: string;
  severity: Severity;
  piece: string;
  zone?: string;
  face?: Face;
  /** All spots it is true of, where a rule looks at spots. */
  spots?: SpotName[];
  step?: string;
  /** Which step, zone and face it is about, in words; said by `judgeBuild`. */
  where?: string;
  /** The material underneath that it is about, by id; for bends the name of the flex spot. */
  below?: string;
  /** One plain sentence for anyone. */
  message: string;
  /** Why, for those who want to know. */
  reason: string;
  ideas: Idea[];
  /** The user's own swatch of the same pair in the same state, when it changed the verdict. */
  evidence?: Evidence;
  /** The offcut that would tell, for risks that an offcut can speak to. */
  test?: SwatchDraft;
}

/** A finding with the ways out that hold, best first, or with the reason why there are none. */
export interface Finding extends Omit<RuleFinding, 'ideas'> {
  waysOut: WayOut[];
  noWayOut?: string;
}
