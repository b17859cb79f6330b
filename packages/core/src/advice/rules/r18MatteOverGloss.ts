import { isClear, pairRule, ways } from '../pairs';

/** R18: a matte clear does not take a strong gloss down all the way. */
export const r18MatteOverGloss = pairRule({
  id: 'R18',
  severity: 'risk',
  title: 'Matte clear over a strong gloss',
  reason: 'A thin matte film follows the mirror-smooth face below and keeps part of its shine.',
  judge({ over, below, scuffed }, piece, context) {
    if (!isClear(over.material) || (over.material.sheenGu ?? 100) > 15 || scuffed) return undefined;
    // Washes and dry-brushing cover too little to change the face.
    const face = [...below]
      .reverse()
      .find((layer) => layer.material.role !== 'weather' && layer.material.role !== 'detail');
    if (!face || (face.material.sheenGu ?? 0) <= 70) return undefined;
    return {
      message: `${over.material.name} will not fully flatten ${face.material.name} (${face.material.sheenGu} gloss units): it stays satin.`,
      ideas: [
        {
          label: 'Scuff it first',
          change: [
            {
              op: 'add',
              path: `/pieces/${context.build.pieces.indexOf(piece)}/steps/${over.at}`,
              value: {
                id: `scuff-${over.step.id}`,
                kind: 'sand',
                method: 'sand',
                note: 'Fine pad, until the shine is gone.',
                ...(over.step.zones ? { zones: over.step.zones } : {}),
              },
            },
          ],
        },
        ...(face.material.id === 'flex-acrylic-gloss'
          ? [
              ways.set('Use the matte paint of that kind', piece, context, face.at, {
                material: 'flex-acrylic',
              }),
            ]
          : []),
      ],
    };
  },
});
