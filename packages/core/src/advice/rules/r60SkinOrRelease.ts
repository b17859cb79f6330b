import { orderedSteps } from '../../facts/spots';
import { isHeat, isSanding, laysFilm } from '../../facts/stepOrder';
import { substrateNames, substrateTable } from '../../model/substrates';
import { about } from '../about';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { inText } from '../../model/inText';

/** R60: a factory skin or what a mould was greased with lies between the piece and its first film. */
export const r60SkinOrRelease: Rule = {
  id: 'R60',
  severity: 'risk',
  title: 'Factory skin or mould release not opened',
  look(piece, context) {
    const { kind, heatSealed, surface } = piece.substrate;
    const state = surface ?? (substrateTable[kind].hasRelease ? 'release' : undefined);
    if (state === undefined || state === 'opened' || heatSealed) return [];
    const steps = orderedSteps(piece, context);
    const first = steps.find(laysFilm);
    if (!first) return [];
    const before = steps.filter(({ at }) => at < first.at).map(({ step }) => step);
    const isOpened =
      state === 'release'
        ? before.some(({ cleans }) => cleans === 'washed' || cleans === 'degreased')
        : before.some((step) => isHeat(step) || isSanding(step) || step.cleans !== undefined);
    if (isOpened) return [];
    const name = substrateNames[kind];
    return [
      about(this, piece, first.step, {
        message:
          state === 'release'
            ? `Mould release still lies on the ${inText(name)}: wash it off, then scuff, before the ${first.material.name}.`
            : `The factory skin of the ${inText(name)} is still closed: wipe it, and heat or scuff it, before the ${first.material.name}.`,
        reason: 'It is there to keep things from sticking, and does so with paint as well.',
        ideas:
          state === 'release'
            ? [
                ways.insert('Wash it first', piece, context, first.at, {
                  kind: 'prep',
                  cleans: 'washed',
                  minutes: 10,
                  note: 'Warm water and soap, a soft brush, let it dry.',
                }),
              ]
            : [
                ways.insert('Heat-seal and wipe first', piece, context, first.at, {
                  kind: 'heat-seal',
                  method: 'hot-air',
                  faces: piece.faces.inner ? ['inner', 'outer'] : ['outer'],
                }),
                ways.scuff('Scuff and wipe first', piece, context, first),
              ],
      }),
    ];
  },
};
