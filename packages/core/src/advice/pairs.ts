import { binderOf } from '../model/binders';
import type { Piece, Step } from '../model/schema';
import { scuffedBetween } from '../facts/sheen';
import { spotsOf, type Layer, type Spot } from '../facts/spots';
import type { RuleFinding, Severity, Idea } from './finding';
import { freshId } from './freshId';
import { oncePerStep, stepPointer, type Rule, type RuleContext } from './rule';
import type { Material } from '../model/materialSchema';
import type { Plan } from '../schedule/answers/plan';
import type { PatchStep } from '../model/patch';
import { nth } from '../model/sure';

/** What a step puts on what: the film above, all films below it (nearest last), and how they stand. */
export interface Meeting {
  spot: Spot;
  over: Layer;
  under: Layer;
  /** Everything below `over`, bottom first; `under` is the last of it. */
  below: Layer[];
  /** Whether `under` is packable and wearable when `over` is laid, by the plan. */
  cured: boolean;
  /** Whether `under` is sanded before `over` comes. */
  scuffed: boolean;
}

const known = new WeakMap<RuleContext, Meeting[]>();

/** Every meeting of two films in the stacks of a piece. Coats of one step are one film. Found once for a context. */
export function meetingsOf(piece: Piece, context: RuleContext): Meeting[] {
  let meetings = known.get(context);
  if (!meetings) {
    meetings = findMeetings(piece, context);
    known.set(context, meetings);
  }
  return meetings;
}

function findMeetings(piece: Piece, context: RuleContext): Meeting[] {
  const { plan } = context;
  const stepOf = new Map(plan.operations.map((operation) => [operation.id, operation.stepId]));
  return spotsOf(piece, context).flatMap((spot) =>
    spot.layers.slice(1).map((over, n): Meeting => {
      const under = nth(spot.layers, n);
      return {
        spot,
        over,
        under,
        below: spot.layers.slice(0, n + 1),
        cured: curedBefore(piece, plan, stepOf, spot.cell, under, over),
        scuffed: scuffedBetween(piece, under.at, over.at),
      };
    }),
  );
}

/** Whether all coats of one step are cured when the first of another is laid, on every unit the plan has placed. */
function curedBefore(
  piece: Piece,
  plan: Plan,
  stepOf: ReadonlyMap<string, string>,
  cell: string,
  under: Layer,
  over: Layer,
): boolean {
  let seen = false;
  for (let unit = 1; unit <= piece.quantity; unit += 1) {
    const state = plan.units.get(`${piece.id}/${unit}`);
    const coats = state?.cells.get(cell);
    if (!state || !coats) continue;
    const laidAt = coats.find((coat) => stepOf.get(coat.operationId) === over.step.id)?.laidAt;
    const stack = state.dry(cell);
    if (laidAt === undefined || !stack) continue;
    seen = true;
    const soft = coats.some(
      (coat, at) =>
        stepOf.get(coat.operationId) === under.step.id &&
        Math.max(nth(stack.coats, at).packAt, nth(stack.coats, at).wearAt) > laidAt,
    );
    if (soft) return false;
  }
  return seen;
}

/** Ways out that most pair rules share. */
export const ways = {
  /** Lays something between, before the step that causes trouble. */
  barrier(
    label: string,
    piece: Piece,
    context: RuleContext,
    over: Layer,
    barrier: Partial<Step> & Pick<Step, 'kind' | 'material'>,
  ): Idea {
    const { step } = over;
    const value = {
      id: freshId('barrier', piece),
      coats: 1,
      film: 'light',
      method: 'brush',
      ...(step.faces ? { faces: step.faces } : {}),
      ...(step.zones ? { zones: step.zones } : {}),
      ...barrier,
    };
    return { label, change: [{ op: 'add', path: stepPointer(context.build, piece, over.at), value }] };
  },
  /** Sets one field of a step. */
  set(label: string, piece: Piece, context: RuleContext, at: number, fields: Partial<Step>): Idea {
    const change = Object.entries(fields).map(([key, value]): PatchStep => ({
      op: 'add',
      path: `${stepPointer(context.build, piece, at)}/${key}`,
      value,
    }));
    return { label, change };
  },
  /** Waits for the film below to cure. */
  waitForCure(piece: Piece, context: RuleContext, over: Layer): Idea {
    return ways.set('Wait until what lies below is cured', piece, context, over.at, { waitFor: 'cured' });
  },
  /** Leaves the step out. */
  drop(label: string, piece: Piece, context: RuleContext, at: number): Idea {
    return { label, change: [{ op: 'remove', path: stepPointer(context.build, piece, at) }] };
  },
};

/** What a pair rule has to say about one meeting; undefined for nothing. */
export type Verdict = { message: string; ideas?: Idea[]; severity?: Severity } | undefined;

/** A rule that judges each meeting of two films by itself, and speaks once a step and cause. */
export function pairRule(
  rule: Omit<Rule, 'look'> & {
    reason: string;
    judge(meeting: Meeting, piece: Piece, context: RuleContext): Verdict;
  },
): Rule {
  const { id, severity, title } = rule;
  return {
    id,
    severity,
    title,
    look(piece, context) {
      const found = meetingsOf(piece, context).flatMap((meeting): RuleFinding[] => {
        const verdict = rule.judge(meeting, piece, context);
        if (!verdict) return [];
        return [
          {
            rule: id,
            severity: verdict.severity ?? severity,
            piece: piece.id,
            step: meeting.over.step.id,
            face: meeting.spot.face,
            below: meeting.under.material.id,
            message: verdict.message,
            reason: rule.reason,
            ideas: verdict.ideas ?? [],
          },
        ];
      });
      return oncePerStep(found);
    },
  };
}

/** Films that are enamels: alkyd binders. */
export const isAlkyd = (material: Material): boolean => binderOf(material).curesByAir === true;
/** A clear coat to protect or set the sheen. */
export const isClear = (material: Material): boolean => material.role === 'topcoat';
