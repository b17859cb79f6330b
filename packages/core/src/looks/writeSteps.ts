import type { Build, Face, Piece, Place, Step, Zone } from '../model/schema';
import { binderOf } from '../model/binders';
import { catalogueById } from '../materials/catalogue';
import { isPorousFoam } from '../model/substrates';
import { finishAcrossZones, type FinishPlan } from './finishPlan';
import type { Clear, Look, LookStep } from './look';
import { schoolById } from './schools';
import type { StepKind } from '../model/stepKinds';
import type { Method } from '../model/methods';
import { type Choices, type WrittenSteps, usualTools } from './choices';
import { entryOf } from '../model/sure';

const clearMaterial: Record<Exclude<Clear, 'none'>, string> = {
  matte: 'matte-varnish',
  satin: 'satin-varnish',
  gloss: 'gloss-varnish',
};

/** What is sprayed from a can in their place where a brush would do harm. */
const sprayedClear: Partial<Record<Clear, string>> = {
  matte: 'matte-clear-spray',
  gloss: 'gloss-clear-spray',
};

/** Spray goes where there is moving air; all else where people live, if there is a choice. */
function placeFor(build: Build, method: Method): string | undefined {
  const airy = (place: Place) => place.ventilation === 'outdoor' || place.ventilation === 'extraction';
  const found =
    method === 'aerosol'
      ? build.places.find(airy)
      : build.places.find((place) => place.ventilation !== 'outdoor');
  return (found ?? build.places[0])?.id;
}

/** Gives ids that no step of this list has had. */
function idGiver(): (stem: string) => string {
  const counts = new Map<string, number>();
  return (stem) => {
    const count = (counts.get(stem) ?? 0) + 1;
    counts.set(stem, count);
    return count === 1 ? stem : `${stem}-${count}`;
  };
}

/**
 * Writes the whole list of steps for a piece from the looks chosen, as a seasoned finisher would: surface, heat, texture,
 * closures covered, sealing of both faces, undercoat, the zones in the order that needs the least tape, clear coat, what is
 * attached. Prep is fitted to the substrate, coats to how fine the detail is and whether the piece bends.
 */
export function writeSteps(build: Build, piece: Piece, choices: Choices): WrittenSteps {
  const freshId = idGiver();
  const tools = new Set<Method>([
    ...(choices.tools ?? usualTools),
    'hand',
    'tool',
    'stamp',
    'sand',
    'hot-air',
    'dry-brush',
    'wipe',
    'brush',
  ]);
  const faces: Face[] = piece.faces.inner ? ['inner', 'outer'] : ['outer'];
  const foam =
    isPorousFoam(piece.substrate.kind) &&
    piece.substrate.kind !== 'expanded-polystyrene' &&
    piece.substrate.kind !== 'foam-clay';
  const looks = choices.looks;
  const main = mainLook(piece, looks);
  const heaviestFilm = piece.finestDetailMm !== undefined && piece.finestDetailMm < 1 ? 'light' : undefined;
  const step = (kind: StepKind, method: Method, more: Partial<Step> = {}): Step => {
    const place = placeFor(build, method);
    return { id: freshId(kind), kind, method, ...(place === undefined ? {} : { place }), ...more };
  };

  const textures = looks.flatMap(({ look, zone }) =>
    look.steps.filter(isPressed).map((one) => ({ one, zone })),
  );
  const before: Step[] = [];
  before.push(
    step('prep', 'hand', {
      minutes: 10,
      note: 'Round the edges, clean off marker and glue, vacuum the dust.',
    }),
  );
  if (choices.fill) {
    before.push(step('fill', 'brush', { material: 'foam-filler-paste', film: 'light', minutes: 10 }));
    before.push(step('sand', 'sand', { note: '240 grit, then 400.' }));
  }
  if (foam && !piece.substrate.heatSealed) {
    before.push(
      step('heat-seal', 'hot-air', { faces, note: 'One even, moving pass until the skin shines a little.' }),
    );
  }
  for (const { one, zone } of textures) {
    before.push(
      step('texture', 'stamp', {
        ...(one.minutes ? { minutes: one.minutes } : {}),
        ...(one.note ? { note: one.note } : {}),
        ...(zone ? { zones: [zone] } : {}),
      }),
    );
  }
  if (piece.keepBare && piece.keepBare.length > 0) {
    before.push(
      step('mask', 'hand', {
        covers: piece.keepBare,
        minutes: 8,
        note: `Cover: ${piece.keepBare.join(', ')}.`,
      }),
    );
  }

  const school = entryOf(schoolById, choices.sealer ?? main?.school ?? 'pva');
  if (school.step && isPorousFoam(piece.substrate.kind)) {
    const wanted = main?.steps.find((one) => one.wanted?.includes('cracking'))
      ? { wanted: ['cracking' as const] }
      : {};
    before.push(step('seal', school.step.method!, { ...school.step, faces, ...wanted }));
  }
  const undercoat = choices.undercoat ?? main?.undercoat ?? 'grey';
  if (undercoat !== 'none') {
    const method: Method = tools.has('airbrush')
      ? 'airbrush'
      : tools.has('foam-brush')
        ? 'foam-brush'
        : 'brush';
    before.push(
      step('prime', method, {
        material: `acrylic-pu-primer-${undercoat}`,
        coats: undercoat === 'white' ? 2 : 1,
        film: 'light',
      }),
    );
  }

  const write = (one: LookStep, zone: string | undefined, colour: string | undefined): Step => {
    const option =
      one.options.find((candidate) => tools.has(candidate.method)) ?? one.options[one.options.length - 1];
    const method: Method = option?.method ?? (one.kind === 'weather' ? 'wipe' : 'hand');
    const coats = option ? (choices.quicker && option.coats > 2 ? option.coats - 1 : option.coats) : 1;
    const shade = one.main ? (colour ?? one.colour) : one.colour;
    return step(one.kind, method, {
      ...(option
        ? {
            material: option.material,
            coats,
            film: option.film === 'normal' && heaviestFilm ? heaviestFilm : option.film,
          }
        : {}),
      ...(shade ? { colour: shade } : {}),
      ...(one.minutes ? { minutes: one.minutes } : {}),
      ...(one.note ? { note: one.note } : {}),
      ...(one.wanted ? { wanted: one.wanted } : {}),
      ...(one.waitFor ? { waitFor: one.waitFor } : {}),
      ...(one.placement ? { placement: one.placement } : {}),
      ...(one.coversPct ? { coversPct: one.coversPct } : {}),
      ...(one.thinWith ? { thinWith: one.thinWith } : {}),
      ...(one.thinPct ? { thinPct: one.thinPct } : {}),
      ...(one.extra ? { optional: true } : {}),
      ...(one.kind === 'attach' ? { attaches: 'fabric' as const } : {}),
      ...(zone ? { zones: [zone] } : {}),
    });
  };
  const kept = (look: Look) =>
    look.steps.filter((one) => !isPressed(one) && one.kind !== 'attach' && !(choices.quicker && one.extra));
  const whiteUnder = (zone: Zone, look: Look): Step[] =>
    look.undercoat === 'white' && undercoat !== 'white' && undercoat !== 'none'
      ? [
          step('prime', 'brush', {
            material: 'acrylic-pu-primer-white',
            coats: 2,
            film: 'light',
            zones: [zone.id],
            note: 'So that the colour above stays bright.',
          }),
        ]
      : [];

  let middle: Step[];
  let zones: FinishPlan | undefined;
  const byZone = (piece.zones ?? []).map((zone) => ({
    zone,
    pick: looks.find((pick) => pick.zone === zone.id) ?? looks.find((pick) => pick.zone === undefined),
  }));
  if (byZone.length > 1 && looks.some((pick) => pick.zone !== undefined)) {
    zones = finishAcrossZones(
      byZone.map(({ zone, pick }) => ({
        zone,
        steps: pick
          ? [
              ...whiteUnder(zone, pick.look),
              ...kept(pick.look).map((one) => write(one, zone.id, pick.colour)),
            ]
          : [],
      })),
      freshId,
      choices.order,
    );
    middle = zones.steps;
  } else {
    middle = looks
      .slice(0, 1)
      .flatMap(({ look, colour }) => kept(look).map((one) => write(one, undefined, colour)));
  }

  const after: Step[] = [];
  const clear = choices.clear ?? main?.clear ?? 'none';
  if (clear !== 'none') {
    // Over powder the clear is dusted on, twice, so that it neither moves it nor beads; a brush would drag it along.
    const overPowder = middle.some(({ material }) => {
      const known = catalogueById.get(material ?? '');
      return known !== undefined && binderOf(known).loose === true;
    });
    const sprayed =
      overPowder && !tools.has('airbrush') && tools.has('aerosol') ? sprayedClear[clear] : undefined;
    const how = overPowder && tools.has('airbrush') ? 'airbrush' : sprayed ? 'aerosol' : 'brush';
    after.push(
      step('topcoat', how, {
        material: sprayed ?? clearMaterial[clear],
        film: overPowder ? 'dust' : 'light',
        coats: overPowder ? 2 : 1,
        note: overPowder ? 'Barely mist the powder with the first coat.' : 'Stir; thin and even.',
      }),
    );
  }
  if (piece.keepBare && piece.keepBare.length > 0)
    after.push(step('unmask', 'hand', { covers: piece.keepBare }));
  for (const { look } of looks) {
    for (const one of look.steps.filter((candidate) => candidate.kind === 'attach'))
      after.push(write(one, undefined, undefined));
  }
  if (choices.straps)
    after.push(step('attach', 'hand', { attaches: 'strap', note: 'Straps and closures on the bare tabs.' }));
  after.push(
    step('inspect', 'hand', {
      note:
        piece.flex && piece.flex.length > 0
          ? 'Bend it as it will bend when worn; look for cracks.'
          : 'Look it over in daylight; touch up.',
    }),
  );
  return { steps: [...before, ...middle, ...after], zones };
}

/** Texture pressed into the foam goes in with the prep, not over the paint. */
const isPressed = (one: LookStep) => one.kind === 'texture' && one.options.length === 0;

/** The look that decides what all zones share: that of the largest zone. */
function mainLook(piece: Piece, looks: Choices['looks']): Look | undefined {
  const share = (zone: string | undefined) =>
    zone === undefined ? 1 : (piece.zones?.find((candidate) => candidate.id === zone)?.share ?? 0);
  return [...looks].sort((a, b) => share(b.zone) - share(a.zone))[0]?.look;
}
