import type { RuleFinding } from '../finding';
import { stepPointer, type Rule } from '../rule';
import { softensInHeat } from './r33HeatingPaintedPlastic';
import { isHeat, laysFilm, meet, type FilmStep } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';

/** R27: hot air, flame or hot glue once a film is on: it blisters, softens, and seams open. */
export const r27HeatAfterFilm: Rule = {
  id: 'R27',
  severity: 'risk',
  title: 'Heat after a film',
  look(piece, { build, materials }) {
    // PVC is never heated at all, and plastics that soften have a rule of their own.
    if (piece.substrate.kind === 'pvc-pipe' || softensInHeat(piece.substrate.kind)) return [];
    const steps = orderedSteps(piece, { build, materials });
    const findings: RuleFinding[] = [];
    for (const hot of steps) {
      const glue = hot.material?.id === 'hot-glue';
      if (!isHeat(hot.step) && !glue) continue;
      const film = steps.find(
        (other): other is FilmStep =>
          other.at < hot.at && laysFilm(other) && meet(piece, other.step, hot.step),
      );
      if (!film) continue;
      // Tabs kept bare are where hot glue belongs.
      if (glue && piece.keepBare && piece.keepBare.length > 0) continue;
      findings.push({
        rule: 'R27',
        severity: 'risk',
        piece: piece.id,
        step: hot.step.id,
        below: film.material.id,
        message: glue
          ? `Hot glue on ${film.material.name}: it softens the film and lets go with it. Glue on bare tabs, at low heat.`
          : `Heat after ${film.material.name} is on: the film blisters and glued seams can open.`,
        reason:
          'Films soften long before foam does, and air trapped under them swells. All heating is done before the first coat.',
        ideas: glue
          ? []
          : [
              {
                label: 'Heat before the first coat',
                change: [
                  {
                    op: 'move',
                    from: stepPointer(build, piece, hot.at),
                    path: stepPointer(build, piece, film.at),
                  },
                ],
              },
            ],
      });
    }
    return findings;
  },
};
