import { isClear, pairRule, ways } from '../pairs';

/** R21: a solvent clear makes alcohol marker and ink bleed. */
export const r21SolventOverMarker = pairRule({
  id: 'R21',
  severity: 'stop',
  title: 'Solvent clear over alcohol marker or ink',
  reason: 'The dye has no binder of its own; any strong solvent carries it off into the clear.',
  judge({ over, under }, piece, context) {
    if (!isClear(over.material) || over.material.carrier !== 'solvent' || under.material.binder !== 'dye')
      return undefined;
    return {
      message: `${over.material.name} makes the ${under.material.name} below bleed.`,
      ideas: [
        ways.barrier('A water-borne clear first', piece, context, over, {
          kind: 'topcoat',
          material: 'satin-varnish',
        }),
      ],
    };
  },
});
