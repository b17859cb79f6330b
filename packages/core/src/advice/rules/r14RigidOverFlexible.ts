import { pairRule } from '../pairs';
import { r15BendCracks } from './r15BendCracks';

/** R14: a rigid film over a flexible one cracks where the part flexes, even where the bend itself is mild. */
export const r14RigidOverFlexible = pairRule({
  id: 'R14',
  severity: 'stop',
  title: 'Rigid film over a flexible one on a part that flexes',
  reason: 'The film below gives way and the one above does not, so every movement tears at the hard one.',
  judge({ over, under }, piece, context) {
    if (!piece.flex || piece.flex.length === 0) return undefined;
    if ((over.material.elongationPct ?? 100) >= 10 || (under.material.elongationPct ?? 0) <= 100)
      return undefined;
    // Where the numbers of R15 speak already, once is enough.
    if (r15BendCracks.look(piece, context).some((finding) => finding.step === over.step.id)) return undefined;
    return {
      message: `${over.material.name} is rigid and ${under.material.name} below is not: it cracks where the piece flexes.`,
    };
  },
});
