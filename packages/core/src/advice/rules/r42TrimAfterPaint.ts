import type { Step } from '../../model/schema';
import type { RuleFinding } from '../finding';
import { stepPointer, type Rule } from '../rule';
import { laysFilm } from '../../facts/stepOrder';
import type { PatchStep } from '../../model/patch';
import { methodOf } from '../../model/stepSpots';
import { orderedSteps } from '../../facts/spots';

/** R42: trimming to fit after painting bares foam, which wants sealing, priming and painting again. */
export const r42TrimAfterPaint: Rule = {
  id: 'R42',
  severity: 'note',
  title: 'Foam trimmed after paint',
  look(piece, context) {
    const { build } = context;
    const steps = orderedSteps(piece, context);
    return steps.flatMap(({ step, at }): RuleFinding[] => {
      if (!step.trims) return [];
      const before = steps.slice(0, at).filter(laysFilm);
      if (before.length === 0 || steps.some((other) => other.step.touchUpOf === step.id)) return [];
      const again = ['seal', 'prime', 'paint'].flatMap((role) =>
        before.filter((other) => other.material.role === role).slice(0, 1),
      );
      const touchUps = again.map(({ step: first, material }, n): Step => {
        const place = first.place === undefined ? {} : { place: first.place };
        const colour = first.colour === undefined ? {} : { colour: first.colour };
        return {
          id: `${step.id}-touch-up-${n + 1}`,
          kind: first.kind,
          material: first.material,
          method: material.methods.includes('brush') ? 'brush' : methodOf(first, material),
          coats: 1,
          film: 'light',
          placement: 'edges',
          minutes: 5,
          touchUpOf: step.id,
          note: 'Only the raw edge.',
          ...place,
          ...colour,
        };
      });
      const change = touchUps.map((value, n): PatchStep => ({
        op: 'add',
        path: stepPointer(build, piece, at + 1 + n),
        value,
      }));
      return [
        {
          rule: 'R42',
          severity: 'note',
          piece: piece.id,
          step: step.id,
          message: 'Trimming here bares raw foam at the edge: seal, prime and paint that edge again.',
          reason:
            'The cut opens fresh pores. Left bare, the edge soaks up water and glue and shows as a pale line.',
          ideas:
            change.length > 0
              ? [{ label: `Add ${change.length} touch-up ${change.length === 1 ? 'step' : 'steps'}`, change }]
              : [],
        },
      ];
    });
  },
};
