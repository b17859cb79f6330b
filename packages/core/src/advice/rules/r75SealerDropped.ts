import { isPorousFoam } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { oncePerStep, type Rule } from '../rule';

/** R75: a sealing step that the work went on without. */
export const r75SealerDropped: Rule = {
  id: 'R75',
  severity: 'risk',
  title: 'Sealer left out',
  look(piece, { plan }) {
    if (!isPorousFoam(piece.substrate.kind)) return [];
    const found = plan.operations.flatMap((operation): RuleFinding[] => {
      const { pieceId, status, material, stepId } = operation;
      if (pieceId !== piece.id || status !== 'skipped' || material?.role !== 'seal') return [];
      // Some of its coats were laid: thin, but closed.
      const isLaid = plan.operations.some(
        (one) =>
          one.pieceId === piece.id &&
          one.unit === operation.unit &&
          one.stepId === stepId &&
          one.status === 'done',
      );
      if (isLaid) return [];
      return [
        about(
          this,
          piece,
          { id: stepId },
          {
            message: `The ${material.name} was never laid, and the work went on without it: pores show, and paint sinks in.`,
            reason:
              'What is painted on open foam looks dull and cracks first. Log it if it was laid; else seal before more goes on.',
          },
        ),
      ];
    });
    return oncePerStep(found);
  },
};
