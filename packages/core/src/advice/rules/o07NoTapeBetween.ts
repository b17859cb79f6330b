import { orderedSteps } from '../../facts/spots';
import { isMaskedAt } from '../../facts/masking';
import { freshId } from '../freshId';
import { reachesOver } from '../../facts/tape';
import { methodWords } from '../../model/methods';
import { facesOf, methodOf } from '../../model/stepSpots';
import type { PatchStep } from '../../model/patch';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { stepPointer, type Rule } from '../rule';

const painted = new Set(['paint', 'texture', 'weather', 'detail', 'topcoat']);

/** O07: what is sprayed or laid with a foam brush beside a painted zone reaches over, and so does any coat at an edge that has to be sharp, unless it is taped. */
export const o07NoTapeBetween: Rule = {
  id: 'O07',
  severity: 'risk',
  title: 'No tape between zones',
  look(piece, context) {
    const zones = piece.zones ?? [];
    if (zones.length < 2) return [];
    const steps = orderedSteps(piece, context);
    return steps.flatMap(({ step, at, material }): RuleFinding[] => {
      const own = step.zones;
      const method = methodOf(step, material);
      if (!material || !own || own.length >= zones.length) return [];
      const edges = zones.filter(({ id }) => own.includes(id));
      // A clear does no harm beside.
      const open = zones.filter((zone) => {
        const { id } = zone;
        if (own.includes(id) || !reachesOver(step, material, [...edges, zone])) return false;
        const isPainted = steps.some(
          (other) =>
            other.at < at &&
            other.material !== undefined &&
            painted.has(other.material.role) &&
            (other.step.zones ?? [id]).includes(id) &&
            facesOf(other.step).some((face) => facesOf(step).includes(face)),
        );
        return isPainted && !isMaskedAt(piece, id, at);
      });
      if (open.length === 0 || !painted.has(material.role) || material.role === 'topcoat') return [];
      const names = open.map(({ name }) => name).join(', ');
      const mask = { id: freshId('mask', piece), kind: 'mask', zones: open.map(({ id }) => id) };
      const pull = { id: freshId('unmask', piece), kind: 'unmask', zones: open.map(({ id }) => id) };
      const change: PatchStep[] = [
        { op: 'add', path: stepPointer(context.build, piece, at), value: mask },
        { op: 'add', path: stepPointer(context.build, piece, at + 2), value: pull },
      ];
      return [
        about(this, piece, step, {
          message: `${material.name} by ${methodWords[method]} reaches over to ${names}, which is painted already and not taped.`,
          reason:
            'Spray drifts, a foam brush is wider than the line, and no hand keeps a sharp edge without a groove. Tape keeps it clean; so does a small brush along a groove.',
          ideas: [
            { label: `Tape ${names} for it`, change },
            ...(material.methods.includes('brush')
              ? [
                  {
                    label: 'By brush, along the edge',
                    change: [
                      {
                        op: 'add' as const,
                        path: `${stepPointer(context.build, piece, at)}/method`,
                        value: 'brush',
                      },
                    ],
                  },
                ]
              : []),
          ],
        }),
      ];
    });
  },
};
