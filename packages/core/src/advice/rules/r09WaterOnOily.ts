import { isAlkyd, pairRule, ways } from '../pairs';

/** R09: water-borne coats bead on alkyd, wax and graphite. */
export const r09WaterOnOily = pairRule({
  id: 'R09',
  severity: 'risk',
  title: 'Water-borne on alkyd, wax or graphite',
  reason: 'Water draws back from oily and waxy faces: the coat beads, dries in islands and rubs off.',
  judge({ over, under, cured, scuffed }, piece, context) {
    if (over.material.carrier !== 'water') return undefined;
    if (under.material.binder === 'wax') {
      return {
        severity: 'stop',
        message: `${over.material.name} beads on ${under.material.name}: wax is the last thing on a piece.`,
        ideas: [
          {
            label: 'Wax last',
            change: [
              {
                op: 'move',
                from: `/pieces/${context.build.pieces.indexOf(piece)}/steps/${under.at}`,
                path: `/pieces/${context.build.pieces.indexOf(piece)}/steps/${over.at}`,
              },
            ],
          },
        ],
      };
    }
    if (isAlkyd(under.material) && !(cured && scuffed)) {
      return {
        message: `${over.material.name} grips ${under.material.name} badly: let it cure, and scuff it.`,
        ideas: [],
      };
    }
    if (under.material.id === 'graphite-powder' && over.film !== 'dust') {
      return {
        message: `${over.material.name} beads on ${under.material.name}: dust the first coat on.`,
        ideas: [ways.set('Dust it on', piece, context, over.at, { film: 'dust' })],
      };
    }
    return undefined;
  },
});
