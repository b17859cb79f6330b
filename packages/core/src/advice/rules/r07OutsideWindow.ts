import { sayMoment } from '../../model/wallTime';
import { landingsOf, unitWords } from '../landings';
import { oncePerStep, type Rule } from '../rule';
import type { RuleFinding } from '../finding';

/** R07: some coats take the next one only within a window, such as within the hour or after two days. */
export const r07OutsideWindow: Rule = {
  id: 'R07',
  severity: 'stop',
  title: 'Coat outside its recoat window',
  look(piece, { plan }) {
    const laid = landingsOf(piece, plan)
      .filter(({ over, below }) => {
        const opensAt = below.recoat[0]?.from ?? Infinity;
        return (
          over.laidAt >= opensAt &&
          !below.recoat.some((window) => over.laidAt >= window.from && over.laidAt <= window.to)
        );
      })
      .map(({ unit, operation, over, under, below }): RuleFinding => {
        const reopens = below.recoat.find((window) => window.from > over.laidAt)?.from;
        return {
          rule: 'R07',
          severity: 'stop',
          piece: piece.id,
          step: operation.stepId,
          below: under.material.id,
          message:
            `${over.material.name} went on${unitWords(piece, unit)} after the ${under.material.name} below had closed its recoat window.` +
            (reopens === undefined
              ? ' Scuff it after full cure.'
              : ` It opens again ${sayMoment(reopens, plan.timeZone)}.`),
          reason:
            'Between the windows the film below is skinned over but still soft inside: the solvent of the next coat swells it and it wrinkles.',
          ideas: [],
        };
      });
    const shut = plan.operations
      .filter(
        (operation) =>
          operation.pieceId === piece.id && operation.status === 'unplaced' && operation.boundBy === 'window',
      )
      .map((operation): RuleFinding => {
        const state = plan.units.get(`${piece.id}/${operation.unit}`);
        const under = operation.cells.map((cell) => state?.top(cell)).find((top) => top !== undefined);
        return {
          rule: 'R07',
          severity: 'stop',
          piece: piece.id,
          step: operation.stepId,
          ...(under ? { below: under.coat.material.id } : {}),
          message: under
            ? `Nobody is free while the ${under.coat.material.name} below takes ${operation.material?.name ?? 'the next coat'}${unitWords(piece, operation.unit)}.`
            : 'Nobody is free while the coat below takes the next one.',
          reason:
            'The recoat windows of the coat below all close before anyone can lay this one. Scuff it after full cure, swap the material, or free an hour.',
          ideas: [],
        };
      });
    return oncePerStep([...laid, ...shut]);
  },
};
