import { binderOf } from '../../model/binders';
import { throughAt } from '../../drying/milestoneOf';
import { inText } from '../../model/inText';
import { sayMoment } from '../../model/sayMoment';
import { scuffedBetween } from '../../facts/sheen';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { landingsOf, unitWords } from '../landings';
import { ways } from '../pairs';
import { oncePerStep, type Rule, type RuleContext } from '../rule';
import type { UnitView } from '../../schedule/state/unitView';

/** ", between Sat 20 Feb, 10:40 and Sat 20 Feb, 11:30", for the first window; nothing where that is not known. */
function windowWords(under: ReturnType<UnitView['top']>, { timeZone }: RuleContext['plan']): string {
  const window = under?.milestones.recoat[0];
  if (!window || !Number.isFinite(window.from) || !Number.isFinite(window.to)) return '';
  return `, between ${sayMoment(Math.ceil(window.from), timeZone)} and ${sayMoment(Math.floor(window.to), timeZone)}`;
}

/** R07: some coats take the next one only within a window, such as within the hour or after two days. */
export const r07OutsideWindow: Rule = {
  id: 'R07',
  severity: 'stop',
  title: 'Coat outside its recoat window',
  look(piece, context) {
    const { plan } = context;
    const indexOf = new Map(piece.steps.map((step, at) => [step.id, at]));
    const laid = landingsOf(piece, plan).flatMap(
      ({ unit, cell, operation, over, under, below }): RuleFinding[] => {
        const opensAt = below.recoat[0]?.from ?? Infinity;
        const isOutside =
          over.laidAt >= opensAt &&
          !below.recoat.some((window) => over.laidAt >= window.from && over.laidAt <= window.to);
        if (!isOutside) return [];
        const from = indexOf.get(under.stepId) ?? 0;
        const isCured = throughAt(below, false) <= over.laidAt;
        // Scuffed on a film that has cured, the next coat holds by the scratches.
        if (isCured && scuffedBetween(piece, from, operation.stepIndex, cell)) return [];
        const reopens = below.recoat.find((window) => window.from > over.laidAt)?.from;
        return [
          about(
            this,
            piece,
            { id: operation.stepId },
            {
              below: under.material.id,
              message:
                `${over.material.name} went on${unitWords(piece, unit)} after the ${under.material.name} below had closed its recoat window.` +
                (reopens === undefined
                  ? ' Scuff it after full cure.'
                  : ` It opens again ${sayMoment(reopens, plan.timeZone)}.`),
              reason:
                reopens === undefined
                  ? 'Once it has gone hard it is too smooth and closed for the next coat to bite into.'
                  : 'Between the windows the film below is skinned over but still soft inside: the solvent of the next coat swells it and it wrinkles.',
            },
          ),
        ];
      },
    );
    const shut = plan.operations
      .filter(
        (operation) =>
          operation.pieceId === piece.id && operation.status === 'unplaced' && operation.boundBy === 'window',
      )
      .flatMap((operation): RuleFinding[] => {
        const state = plan.units.get(`${piece.id}/${operation.unit}`);
        const tops = operation.cells.flatMap((cell) => state?.top(cell) ?? []);
        const under = tops.find((top) => top.milestones.recoat.length === 0) ?? tops[0];
        const material = under?.coat.material;
        // What nothing sticks to has a rule of its own, with its own cure.
        if (material && binderOf(material).repels) return [];
        const never = under?.milestones.recoat.length === 0;
        const over = operation.material?.name ?? 'the next coat';
        return [
          about(
            this,
            piece,
            { id: operation.stepId },
            {
              ...(material ? { below: material.id } : {}),
              message:
                never && material
                  ? `${material.name} never takes another coat, so ${over} can’t go on${unitWords(piece, operation.unit)}.`
                  : material
                    ? `The plan finds no time for ${inText(over)} while the ${material.name} below takes it${unitWords(piece, operation.unit)}${windowWords(under, plan)}.`
                    : 'The plan finds no time for it while the coat below takes the next one.',
              reason: never
                ? 'Its label gives no time after which it can be coated. Another material below, or this step left out, settles it.'
                : 'Its label lets the next coat go on only so long after it. Free an hour in that time, let it cure and scuff it, or take another material.',
              ideas: [
                ways.scuff(
                  'Let it cure, then scuff it',
                  piece,
                  context,
                  { at: operation.stepIndex, step: piece.steps[operation.stepIndex]! },
                  { waitFor: 'cured' },
                ),
              ],
            },
          ),
        ];
      });
    return oncePerStep([...laid, ...shut]);
  },
};
