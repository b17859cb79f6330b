import { bendStrainPct, flexingOf, isRigid, stretchesFar } from '../../facts/bends';
import { filmBuildUm } from '../../facts/spots';
import type { Meeting } from '../meetings';
import { flexibleInstead } from '../flexibleInstead';
import { pairRule } from '../pairs';

/** Films in fewer places than this break without anybody seeing it. */
const MOST_OF_IT = 0.5;

/** Whether a film that hardly stretches lies on one that stretches far. */
export const isRigidOnFlexible = ({ over, under }: Pick<Meeting, 'over' | 'under'>): boolean =>
  isRigid(over.material) && stretchesFar(under.material) && over.share >= MOST_OF_IT;

/** R14: a rigid film over a flexible one where the part flexes. Whether it cracks there for sure is told by R15. */
export const r14RigidOverFlexible = pairRule({
  id: 'R14',
  severity: 'risk',
  title: 'Rigid film over a flexible one on a part that flexes',
  reason:
    'The film below gives way and the one above does not, so every movement tears at the hard one. A dust coat breaks finer than a wet one; a film that bends does not break at all.',
  judge(meeting, piece, context) {
    const { over, under, below } = meeting;
    if (!isRigidOnFlexible(meeting)) return undefined;
    const [tightest] = [...flexingOf(piece)].sort((a, b) => a.bendRadiusMm - b.bendRadiusMm);
    if (!tightest) return undefined;
    const elongation = over.material.elongationPct ?? 0;
    const um = filmBuildUm([...below, over]);
    const strain = bendStrainPct(piece.substrate.thicknessMm, um, tightest.bendRadiusMm);
    const wanted = over.step.wanted?.includes('cracking') === true;
    const numbers = `${tightest.name} stretches it by ${strain.toFixed(1)} %, and it breaks at ${elongation} %`;
    return {
      severity: wanted ? 'note' : 'risk',
      message: wanted
        ? `${over.material.name} crazes over ${under.material.name}, as wanted: ${numbers}.`
        : `${over.material.name} is rigid on ${under.material.name}, which gives way, and may crack: ${numbers}. Test it on an offcut.`,
      ideas: wanted ? [] : flexibleInstead(over, piece, context),
    };
  },
});
