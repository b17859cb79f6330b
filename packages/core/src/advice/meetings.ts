import { exposedOf } from '../facts/closure';
import { scuffedBetween } from '../facts/sheen';
import { meet } from '../facts/stepOrder';
import { spotsOf, type Layer, type Spot } from '../facts/spots';
import { throughAt } from '../drying/milestoneOf';
import type { CoatMilestones } from '../drying/laidCoat';
import { restMinutes } from '../model/fields';
import { placementsMeet } from '../model/placements';
import type { Piece } from '../model/schema';
import type { EpochMinute } from '../model/wallTime';
import type { Plan } from '../schedule/answers/plan';
import type { RuleContext } from './rule';
import { nth } from '../model/sure';

/** One unit on which a film comes over another: when it is laid, and how the coats of the other dry. */
export interface MeetingTime {
  laidAt: EpochMinute;
  /** When the last coat of the other was laid. */
  underAt: EpochMinute | undefined;
  under: CoatMilestones[];
}

/**
 * What a step puts on what, on one spot: the film above, and one that it touches. A coat touches the film right below it, and
 * through what is thin, wiped, brushed nearly dry or laid in places all that lies open below that
 * (docs/domain.md, "What a film is").
 */
export class Meeting {
  private known: MeetingTime[] | undefined;

  constructor(
    private readonly piece: Piece,
    private readonly plan: Plan,
    readonly spot: Spot,
    readonly over: Layer,
    readonly under: Layer,
    /** Everything below `over`, bottom first. */
    readonly below: Layer[],
    /** What lies open between the two. */
    readonly between: Layer[],
  ) {}

  /** Whether the spot is cleaned in between: what lies there loose or greasy is gone then. */
  get cleaned(): boolean {
    return this.piece.steps
      .slice(this.under.at + 1, this.over.at)
      .some((step) => step.cleans !== undefined && meet(this.piece, step, this.over.step));
  }

  /** Whether `under` is sanded before `over` comes. */
  get scuffed(): boolean {
    return scuffedBetween(this.piece, this.under.at, this.over.at, this.spot.cell);
  }

  /** Whether `under` is packable and wearable when `over` is laid, on every unit the plan has placed. */
  get cured(): boolean {
    return this.every((coat, laidAt) => throughAt(coat, false) <= laidAt);
  }

  /** Whether nothing leaves `under` any more that a coat on it would trap: it is tape-safe. */
  get through(): boolean {
    return this.every((coat, laidAt) => coat.tapeAt <= laidAt);
  }

  /** Whether `under` was laid a day before `over`, and can be handled. */
  get isDayOld(): boolean {
    return (
      this.every((coat, laidAt) => coat.handleAt <= laidAt) &&
      this.times.every(({ laidAt, underAt = laidAt }) => laidAt - underAt >= restMinutes.day)
    );
  }

  /** Whether `under` is packable when `over` is laid. */
  get packable(): boolean {
    return this.every((coat, laidAt) => coat.packAt <= laidAt);
  }

  /** Whether `over` is laid after the first recoat window of `under` has closed. */
  get isAfterFirstWindow(): boolean {
    return this.times.some(({ laidAt, under }) => {
      const first = under.at(-1)?.recoat[0];
      return first !== undefined && laidAt > first.to;
    });
  }

  private every(holds: (coat: CoatMilestones, laidAt: EpochMinute) => boolean): boolean {
    return (
      this.times.length > 0 &&
      this.times.every(({ laidAt, under }) => under.every((coat) => holds(coat, laidAt)))
    );
  }

  /** The units of this spot that the plan has placed. */
  get times(): MeetingTime[] {
    this.known ??= this.spot.units.flatMap((unit): MeetingTime[] => {
      const state = this.plan.units.get(`${this.piece.id}/${unit}`);
      const coats = state?.cells.get(this.spot.cell);
      const stack = state?.dry(this.spot.cell);
      const laidAt = coats?.find((coat) => coat.stepId === this.over.step.id)?.laidAt;
      if (!coats || !stack || laidAt === undefined) return [];
      const under = coats.flatMap((coat, at) =>
        coat.stepId === this.under.step.id ? [nth(stack.coats, at)] : [],
      );
      const underAt = coats.findLast((coat) => coat.stepId === this.under.step.id)?.laidAt;
      return [{ laidAt, underAt, under }];
    });
    return this.known;
  }
}

const known = new WeakMap<RuleContext, Meeting[]>();

/** Every meeting of two films in the stacks of a piece, nearest first. Coats of one step are one film. Found once for a context. */
export function meetingsOf(piece: Piece, context: RuleContext): Meeting[] {
  let meetings = known.get(context);
  if (!meetings) {
    meetings = findMeetings(piece, context);
    known.set(context, meetings);
  }
  return meetings;
}

function findMeetings(piece: Piece, context: RuleContext): Meeting[] {
  return spotsOf(piece, context).flatMap((spot) =>
    spot.layers.slice(1).flatMap((over, n): Meeting[] => {
      const below = spot.layers.slice(0, n + 1);
      const exposed = exposedOf(below).layers;
      return exposed.flatMap((under, at) =>
        placementsMeet(over.placement, under.placement)
          ? [new Meeting(piece, context.plan, spot, over, under, below, exposed.slice(0, at))]
          : [],
      );
    }),
  );
}
