import { z } from 'zod';
import type { Piece } from '../model/schema';
import { lookSchema, type Look, type LookStep, type SealerSchool } from './look';
import { schools } from './schools';

/** The format of a look that is shared as a file. */
export const LOOK_FORMAT = 'fixatum-look/1';

/** A look as it is kept in a file of its own. */
export const lookFileSchema = z.looseObject({ format: z.literal(LOOK_FORMAT), look: lookSchema });

/**
 * Makes a look of a piece's own steps, so that the same finish can be put on another. Prep, tape and what is attached are
 * left out, as they are written for each piece anew; of several zones the given one counts.
 */
export function lookFromPiece(piece: Piece, name: string, id: string, zone?: string): Look {
  const belongs = piece.steps.filter(
    (step) => zone === undefined || step.zones === undefined || step.zones.includes(zone),
  );
  const sealing = belongs.find((step) => step.kind === 'seal');
  const school: SealerSchool = schools.find((one) => one.step?.material === sealing?.material)?.id ?? 'pva';
  const primer = belongs
    .find((step) => step.kind === 'prime')
    ?.material?.match(/^acrylic-pu-primer-(black|white|grey|oxide)$/)?.[1];
  const clearing = [...belongs].reverse().find((step) => step.kind === 'topcoat')?.material;
  const clear = clearing?.match(/^(matte|satin|gloss)-varnish$/)?.[1];
  const sealAt = sealing ? belongs.indexOf(sealing) : -1;
  const steps = belongs
    .filter(
      (step, at) =>
        at > sealAt &&
        ['base', 'detail', 'weather', 'texture', 'topcoat', 'prime', 'seal'].includes(step.kind),
    )
    .filter((step) => !(step.kind === 'prime' && primer !== undefined && step.material?.endsWith(primer)))
    .filter((step) => !(step.kind === 'topcoat' && clear !== undefined && step.material === clearing));
  const firstBase = steps.find((step) => step.kind === 'base');
  return lookSchema.parse({
    id,
    name,
    about: `Made from ${piece.name}.`,
    school,
    undercoat: primer ?? 'none',
    clear: clear ?? 'none',
    colour: firstBase?.colour ?? '#8b8d8e',
    steps: steps.map((step): Partial<LookStep> & Pick<LookStep, 'kind'> => ({
      kind: step.kind,
      main: step === firstBase,
      extra: step.optional ?? false,
      ...(step.material
        ? {
            options: [
              {
                material: step.material,
                method: step.method ?? 'brush',
                coats: step.coats ?? 1,
                film: step.film ?? 'normal',
              },
            ],
          }
        : {}),
      ...(step.colour ? { colour: step.colour } : {}),
      ...(step.minutes ? { minutes: step.minutes } : {}),
      ...(step.note ? { note: step.note } : {}),
      ...(step.wanted ? { wanted: step.wanted } : {}),
      ...(step.waitFor ? { waitFor: step.waitFor } : {}),
      ...(step.placement ? { placement: step.placement } : {}),
      ...(step.coversPct ? { coversPct: step.coversPct } : {}),
      ...(step.thinWith ? { thinWith: step.thinWith } : {}),
      ...(step.thinPct ? { thinPct: step.thinPct } : {}),
    })),
  });
}
