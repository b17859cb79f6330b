import { spotsOf } from '../../facts/spots';
import { isSanding } from '../../facts/stepOrder';
import { has } from '../../model/traits';
import { cellsOf } from '../../model/stepSpots';
import { substrateNames, substrateTable } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';
import { inText } from '../../model/inText';

/** R47: the first film on smooth plastic, resin or metal peels unless it was scuffed, or a promoter lies below. */
export const r47SmoothNotKeyed: Rule = {
  id: 'R47',
  severity: 'risk',
  title: 'Smooth plastic, metal or resin not scuffed',
  look(piece, context) {
    const { kind, surface } = piece.substrate;
    if (!substrateTable[kind].isSmooth || surface === 'opened') return [];
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const first = spot.layers.find(({ material }) => material.role !== 'fill');
      if (!first || has(first.material, 'promotes')) return [];
      const isScuffed = piece.steps.some(
        (step, at) => at < first.at && isSanding(step) && cellsOf(piece, step).includes(spot.cell),
      );
      if (isScuffed) return [];
      const name = substrateNames[kind];
      const isNeverDry = substrateTable[kind].isNeverHeated === true;
      return [
        about(
          this,
          piece,
          first.step,
          {
            message: `${first.material.name} holds badly to smooth ${inText(name)}: ${substrateTable[kind].isSeeThrough ? '' : 'scuff it, or '}lay an adhesion promoter first.`,
            reason:
              'There is nothing for the film to bite into; a fingernail or a strap takes it off in sheets.',
            ideas: [
              // Grit clouds what is to be seen through.
              ...(substrateTable[kind].isSeeThrough
                ? []
                : [
                    ways.scuff('Scuff it first', piece, context, first, {
                      note: isNeverDry
                        ? 'Fine pad, wet: the dust is not to be breathed.'
                        : 'Fine pad, until the shine is gone; wipe the dust off.',
                    }),
                  ]),
              ways.barrier('Adhesion promoter first', piece, context, first, {
                kind: 'prime',
                material: 'adhesion-promoter',
                method: 'aerosol',
                film: 'light',
              }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
