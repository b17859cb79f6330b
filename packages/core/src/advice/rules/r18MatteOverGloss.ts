import { binderOf } from '../../model/binders';
import { inText } from '../../model/inText';
import { coatsOf, faceLayer, FLATTENING_COATS, FLATTENING_GU, STRONG_GLOSS_GU } from '../../facts/sheen';
import { isClear, pairRule, ways } from '../pairs';

/** R18: a matte clear does not take a strong gloss down all the way. */
export const r18MatteOverGloss = pairRule({
  id: 'R18',
  severity: 'risk',
  title: 'Matte clear over a strong gloss',
  reason: 'A thin matte film follows the mirror-smooth face below and keeps part of its shine.',
  judge(meeting, piece, context) {
    const { over, under, below } = meeting;
    if (!isClear(over.material) || (over.material.sheenGu ?? 100) > FLATTENING_GU) return undefined;
    // What lies in places covers too little to change the face.
    const face = faceLayer(below);
    if (!face || face !== under || meeting.scuffed || (face.material.sheenGu ?? 0) <= STRONG_GLOSS_GU)
      return undefined;
    // As many as it takes, in one step or several.
    const onFace = meeting.spot.layers.slice(meeting.spot.layers.indexOf(face) + 1);
    if (coatsOf(onFace, over.material) >= FLATTENING_COATS) return undefined;
    const matte = [...context.materials.values()].find(
      (other) =>
        other.role === face.material.role &&
        other.binder === face.material.binder &&
        other.carrier === face.material.carrier &&
        (other.sheenGu ?? 100) <= FLATTENING_GU &&
        other.elongationPct === face.material.elongationPct,
    );
    return {
      message: `So little ${inText(over.material.name)} leaves ${face.material.name} (${face.material.sheenGu} gloss units) satin: two normal coats bring it down.`,
      ideas: [
        // Whole coats would drag along what lies loose on the gloss.
        ...(onFace.some(({ material }) => binderOf(material).loose)
          ? []
          : [
              ways.set('Two normal coats', piece, context, over.at, {
                coats: FLATTENING_COATS,
                film: 'normal',
              }),
            ]),
        // Right on the gloss, and not on what is weathered over it.
        ways.scuff('Scuff it first', piece, context, { at: face.at + 1, step: over.step }),
        ...(matte
          ? [
              ways.set(`${matte.name} in place of ${face.material.name}`, piece, context, face.at, {
                material: matte.id,
                ...(face.step.colour === undefined ? { colour: face.material.colour } : {}),
              }),
            ]
          : []),
      ],
    };
  },
});
