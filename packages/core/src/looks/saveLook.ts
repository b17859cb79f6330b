import { z } from 'zod';
import { passedOver, stepAsLogged } from '../facts/laid';
import type { Material } from '../model/materialSchema';
import type { LogEntry, Piece, Step, Zone, ZoneRole } from '../model/schema';
import type { StepKind } from '../model/stepKinds';
import { lookSchema, type Look, type LookStep, type Recipe, type SealerSchool } from './look';
import { schools } from './schools';
import { lookMinutes } from './writing';

/** The format of a look that is shared as a file. */
export const LOOK_FORMAT = 'fixatum-look/1';

/** A look as it is kept in a file of its own, with its pictures as data addresses by their names. */
export const lookFileSchema = z.looseObject({
  format: z.literal(LOOK_FORMAT),
  look: lookSchema,
  pictures: z
    .record(z.string(), z.string().regex(/^data:image\/(jpeg|png|webp);base64,/, 'a picture belongs here'))
    .optional(),
});

/** Zones that are less than this of a piece are accents, which make it no other finish. */
const ACCENT_SHARE = 0.12;

/** What gives a piece its look, beside what lies below it. */
const finishKinds: ReadonlySet<StepKind> = new Set(['base', 'detail', 'weather', 'topcoat']);

/** What a zone is in its piece: as it says, or as far as its size tells. */
export function roleOf(zone: Pick<Zone, 'share' | 'role'>, zones: readonly Pick<Zone, 'share'>[]): ZoneRole {
  if (zone.role) return zone.role;
  const largest = Math.max(...zones.map(({ share }) => share));
  return zone.share === largest ? 'field' : zone.share < ACCENT_SHARE ? 'accent' : 'trim';
}

/**
 * The finish of a piece as a recipe: every step as it stands, with what it was fitted to. With a log, as it was really laid: with the
 * tins, films and places of the first unit that was begun, and without what the work went on without.
 */
export function recipeOf(
  piece: Piece,
  laid?: { log: readonly LogEntry[]; materials: ReadonlyMap<string, Material> },
): Recipe {
  const zones = piece.zones ?? [];
  return {
    from: { piece: piece.id, name: piece.name },
    substrate: piece.substrate.kind,
    heatSealed: piece.substrate.heatSealed ?? false,
    areaCm2: piece.faces.outer.areaCm2,
    inner: piece.faces.inner !== undefined,
    zones: zones.map((zone) => ({
      id: zone.id,
      name: zone.name,
      share: zone.share,
      role: roleOf(zone, zones),
      ...(zone.colour ? { colour: zone.colour } : {}),
    })),
    keepBare: piece.keepBare ?? [],
    // What put a fault right is no part of the finish, nor is the colour of a look that was given up for this one.
    steps: (laid ? stepsAsLaid(piece, laid.log, laid.materials) : piece.steps)
      .filter(({ mends, ended, kind }) => !mends && !(ended && finishKinds.has(kind)))
      // A palette is one build's own, and so is where a step was broken off.
      .map(({ palette: _palette, ended: _ended, ...step }) => step),
  };
}

function stepsAsLaid(
  piece: Piece,
  log: readonly LogEntry[],
  materials: ReadonlyMap<string, Material>,
): Step[] {
  const own = log.filter(({ piece: id, outcome }) => id === piece.id && outcome !== 'failed');
  const unit = own[0]?.unit;
  const entries = own.filter((entry) => entry.unit === unit);
  const over = passedOver(piece, new Set(entries.map(({ step }) => step)));
  return piece.steps.flatMap((step) => {
    const entry = entries.findLast((one) => one.step === step.id);
    if (!entry) return over.has(step.id) ? [] : [step];
    return [stepAsLogged(step, entry, materials)];
  });
}

/**
 * Makes a look of a piece's own steps, so that the same finish can be put on another: all of it as a recipe, and its coats by themselves for
 * where it is one zone's look among others. Of several zones the given one counts for those, or else the largest.
 */
export function lookFromPiece(
  piece: Piece,
  name: string,
  id: string,
  zone?: string,
  recipe = recipeOf(piece),
): Look {
  const largest = [...(piece.zones ?? [])].sort((a, b) => b.share - a.share)[0]?.id;
  return { ...coatsOf({ ...piece, steps: recipe.steps }, name, id, zone ?? largest), recipe };
}

/** The coats of a piece, or of one of its zones, without prep, tape and what is attached, which are written for each piece anew. */
function coatsOf(piece: Piece, name: string, id: string, zone: string | undefined): Look {
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
  // The sealing may be one step a face.
  const sealAt = belongs.findLastIndex(
    ({ kind, material }) => kind === 'seal' && material === sealing?.material,
  );
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
    smooth: belongs.some(
      ({ kind }, at) => kind === 'sand' && belongs.slice(0, at).some((one) => one.kind === 'prime'),
    ),
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
      ...(step.minutes ? { minutes: lookMinutes(piece, step.minutes) } : {}),
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
