import { binderOf } from '../model/binders';
import type { Piece, Step } from '../model/schema';
import type { Layer } from '../facts/spots';
import { meetingsOf, type Meeting } from './meetings';
import type { RuleFinding, Severity, Idea } from './finding';
import { freshId } from './freshId';
import { oncePerStep, stepPointer, type Rule, type RuleContext } from './rule';
import type { Material } from '../model/materialSchema';
import type { PatchStep } from '../model/patch';

/** A step that has no id yet. */
export type NewStep = Partial<Step> & Pick<Step, 'kind'>;

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
      film: 'normal',
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
  waitForCure(piece: Piece, context: RuleContext, over: { at: number }): Idea {
    return ways.set('Wait until what lies below is cured', piece, context, over.at, { waitFor: 'cured' });
  },
  /** Waits for a day, and until the film below can be handled. */
  waitADay(piece: Piece, context: RuleContext, over: { at: number }): Idea {
    return ways.set('Wait a day', piece, context, over.at, { waitFor: 'day' });
  },
  /** Puts a step of its own before another. */
  insert(label: string, piece: Piece, context: RuleContext, at: number, step: NewStep): Idea {
    const value = { id: freshId(step.kind, piece), ...step };
    return { label, change: [{ op: 'add', path: stepPointer(context.build, piece, at), value }] };
  },
  /** Puts a step somewhere else in the list. */
  move(label: string, piece: Piece, context: RuleContext, from: number, to: number): Idea {
    return {
      label,
      change: [
        {
          op: 'move',
          from: stepPointer(context.build, piece, from),
          path: stepPointer(context.build, piece, to),
        },
      ],
    };
  },
  /** Takes the shine off what lies where a step goes, before it. */
  scuff(
    label: string,
    piece: Piece,
    context: RuleContext,
    over: { at: number; step: Step },
    more: Partial<Step> = {},
  ): Idea {
    return ways.insert(label, piece, context, over.at, {
      kind: 'sand',
      method: 'sand',
      note: 'Fine pad, until the shine is gone.',
      ...(over.step.faces ? { faces: over.step.faces } : {}),
      ...(over.step.zones ? { zones: over.step.zones } : {}),
      ...more,
    });
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
            zone: meeting.spot.zone,
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
/** A wash of oil or enamel, which stays in the recesses and cures by taking up oxygen. */
export const isOilyWash = ({ material }: Layer): boolean =>
  material.role === 'weather' && (isAlkyd(material) || material.binder === 'oil');
/** Laid so that it stands wet: a normal or a heavy coat. */
export const isWet = ({ film }: Layer): boolean => film === 'normal' || film === 'heavy';
