import { pairRule, ways } from '../pairs';

/** R12: plain PVA goes soft again under a wet wash. */
export const r12PlainPvaUnderWash = pairRule({
  id: 'R12',
  severity: 'risk',
  title: 'Plain PVA under a heavy wash',
  reason: 'Plain PVA never becomes waterproof. A wet wash sits on it long enough to soften and lift it.',
  judge({ over, under }, piece, context) {
    if (
      under.material.id !== 'pva-thinned' ||
      over.material.role !== 'weather' ||
      over.material.carrier !== 'water'
    )
      return undefined;
    return {
      message: `${over.material.name} softens plain PVA again.`,
      ideas: [
        ways.barrier('A primer over the PVA first', piece, context, over, {
          kind: 'prime',
          material: 'acrylic-pu-primer-grey',
        }),
      ],
    };
  },
});
