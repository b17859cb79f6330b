import { inPalette } from '../model/palette';
import { filmsAtBends } from '../facts/bends';
import { spotsOf } from '../facts/spots';
import { placesOf } from '../model/places';
import type { Build, Piece, Step, Zone } from '../model/schema';
import { methodOf } from '../model/stepSpots';
import { substrateNames } from '../model/substrates';
import { materialsOf } from '../materials/ownMaterials';
import { linkTarget } from '../model/stepLinks';
import { usualTools, type Choices } from './choices';
import { groundTable, type GroundNeeds } from './ground';
import { groundworkOf } from './groundwork';
import type { Look, Recipe } from './look';
import { groundKinds, overLaid, overWords } from './overLaid';
import { roleOf } from './saveLook';
import { schools } from './schools';
import { writingFor } from './writeSteps';

/** Which zone of the recipe each zone of the piece is, by ids; the whole piece is `''` where it has no zones. */
export type ZoneMap = Readonly<Record<string, string | undefined>>;

/** A recipe as it is done on a piece, and what of it was changed to fit. */
export interface WrittenRecipe {
  steps: Step[];
  notes: string[];
}

/** Which zone of a recipe each zone of a piece most likely is: of the same id, the same name, the same role, or else the nearest in size. */
export function matchZones(recipe: Recipe, piece: Piece): Record<string, string | undefined> {
  const zones = piece.zones ?? [];
  if (recipe.zones.length === 0) return {};
  const largest = [...recipe.zones].sort((a, b) => b.share - a.share)[0]?.id;
  if (zones.length === 0) return { '': largest };
  const free = new Set(recipe.zones.map(({ id }) => id));
  const map: Record<string, string | undefined> = {};
  const tries: ((zone: Zone, known: Recipe['zones'][number]) => boolean)[] = [
    (zone, known) => known.id === zone.id,
    (zone, known) => known.name.toLowerCase() === zone.name.toLowerCase(),
    (zone, known) => roleOf(zone, zones) === known.role,
    () => true,
  ];
  const bySize = [...zones].sort((a, b) => b.share - a.share);
  for (const fits of tries)
    for (const zone of bySize) {
      if (map[zone.id] !== undefined) continue;
      const found = recipe.zones
        .filter((known) => free.has(known.id) && fits(zone, known))
        .sort((a, b) => Math.abs(a.share - zone.share) - Math.abs(b.share - zone.share))[0];
      if (!found) continue;
      map[zone.id] = found.id;
      free.delete(found.id);
    }
  return map;
}

/**
 * Does a recipe again on a piece: its steps on the zones that they belong to there, fitted to what the piece is made of, its faces,
 * its closures, its size, its detail and the places there are. Says what was changed.
 * Invariant: on the very piece it was made from it writes the very same steps.
 */
export function writeRecipe(
  build: Build,
  piece: Piece,
  look: Look & { recipe: Recipe },
  map: ZoneMap,
): WrittenRecipe {
  const fitting = new Fitting(build, piece, look, map);
  const bare = fitting.steps().map((step) => inPalette(step, build.palette));
  const { steps, over } = overLaid(build, piece, bare);
  return { steps, notes: [...overWords(over), ...fitting.notes, ...bendsTold(build, { ...piece, steps })] };
}

/** Films of a stack that crack where the piece bends; the recipe's own piece may have bent less. */
function bendsTold(build: Build, piece: Piece): string[] {
  const materials = materialsOf(build.materials);
  const worst = new Map<string, string>();
  for (const { layers } of spotsOf(piece, { materials, build: {} }))
    for (const { layer, spot, fares } of filmsAtBends(piece, layers))
      if (fares !== 'holds' && !layer.step.wanted?.includes('cracking')) worst.set(layer.material.name, spot);
  return [...worst].map(
    ([name, spot]) => `${name} may crack at the ${spot}: this piece bends further than the film goes.`,
  );
}

class Fitting {
  readonly notes = new Set<string>();
  private readonly recipe: Recipe;

  constructor(
    private readonly build: Build,
    private readonly piece: Piece,
    { recipe }: { recipe: Recipe },
    private readonly map: ZoneMap,
  ) {
    this.recipe = recipe;
  }

  steps(): Step[] {
    const own = this.onItsGround(this.recipe.steps);
    return own.flatMap((step) => {
      const zoned = this.onItsZones(step);
      const faced = zoned && this.onItsFaces(zoned);
      const closed = faced && this.overItsClosures(faced);
      return closed ? [this.inItsPlace(this.inItsSize(this.withItsLinks(closed)))] : [];
    });
  }

  private get isSame(): boolean {
    const { from } = this.recipe;
    return from.piece === this.piece.id && from.name === this.piece.name;
  }

  /** What comes before the colours is written anew where the piece is of other stuff. */
  private onItsGround(steps: readonly Step[]): Step[] {
    const { substrate } = this.piece;
    const [needs, known] = [groundTable[substrate.kind], groundTable[this.recipe.substrate]];
    if (JSON.stringify(needs) === JSON.stringify(known)) return this.heatSealed(steps);
    this.notes.add(
      `Made on: ${substrateNames[this.recipe.substrate]}. What comes before the colours is written anew, for: ${substrateNames[substrate.kind]}.`,
    );
    const at = steps.findIndex(
      ({ kind, material }) => !groundKinds.has(kind) || (kind === 'texture' && material),
    );
    const colours = at < 0 ? [] : steps.slice(at);
    const sealing = steps.find(({ kind }) => kind === 'seal');
    const sealer = schools.find(({ step }) => step?.material === sealing?.material)?.id;
    const lookOvers = steps.some(
      ({ looksOver }) => looksOver === 'bare' || looksOver === 'sealed' || looksOver === 'felt',
    );
    const choices: Choices = {
      looks: [],
      tools: usualTools,
      lookOvers,
      ...(sealer && needs.sealed ? { sealer } : {}),
    };
    const writing = writingFor(this.build, this.piece, choices, (note) => this.notes.add(note));
    const before = groundworkOf(writing).map((step, n) => ({ ...step, id: `ground-${n + 1}` }));
    return [...before, ...this.primed(colours, needs)];
  }

  private primed(colours: readonly Step[], { cloth, primerCoats = 0 }: GroundNeeds): Step[] {
    if (cloth) {
      const materials = materialsOf(this.build.materials);
      return colours
        .filter(({ kind, looksOver }) => kind !== 'prime' && looksOver !== 'primed')
        .map((step) => {
          const material = materials.get(step.material ?? '');
          return material?.role === 'paint' && material.binder === 'acrylic' && step.thinWith === undefined
            ? { ...step, thinWith: 'textile-medium' as const, thinPct: 50 }
            : step;
        });
    }
    const primers = colours.filter(({ kind }) => kind === 'prime');
    if (primers.length === 0 && primerCoats > 0)
      return [
        {
          id: 'ground-prime',
          kind: 'prime',
          material: 'acrylic-pu-primer-grey',
          method: 'brush',
          coats: primerCoats,
          film: 'light',
        },
        ...colours,
      ];
    return colours.map((step) =>
      step.kind === 'prime' && (step.coats ?? 1) < primerCoats ? { ...step, coats: primerCoats } : step,
    );
  }

  private heatSealed(steps: readonly Step[]): Step[] {
    const isSealed = this.piece.substrate.heatSealed === true;
    if (isSealed === this.recipe.heatSealed) return [...steps];
    if (isSealed) {
      this.notes.add('Heat-sealed already: that step is left out.');
      return steps.filter(({ kind }) => kind !== 'heat-seal');
    }
    if (
      groundTable[this.piece.substrate.kind].opens !== 'heat' ||
      steps.some(({ kind }) => kind === 'heat-seal')
    )
      return [...steps];
    this.notes.add('Heat-sealing is added, as this piece is not heat-sealed yet.');
    const after = steps.findLastIndex(({ kind }) => kind === 'prep') + 1;
    return [
      ...steps.slice(0, after),
      {
        id: 'ground-heat',
        kind: 'heat-seal',
        method: 'hot-air',
        note: 'One even, moving pass until the skin shines a little.',
      },
      ...steps.slice(after),
    ];
  }

  private onItsZones(step: Step): Step | undefined {
    if (!step.zones || this.recipe.zones.length === 0) return step;
    const zones = this.piece.zones ?? [];
    if (zones.length === 0) {
      const { zones: on, ...rest } = step;
      const isTape = (step.kind === 'mask' || step.kind === 'unmask') && !step.covers;
      return !isTape && on.includes(this.map[''] ?? '') ? rest : undefined;
    }
    const on = step.zones.flatMap((id) =>
      zones.filter((zone) => this.map[zone.id] === id).map((zone) => zone.id),
    );
    if (on.length > 0) return { ...step, zones: on };
    const names = this.recipe.zones.filter(({ id }) => step.zones?.includes(id)).map(({ name }) => name);
    this.notes.add(`Nothing here is ${names.join(' or ')}, so its steps are left out.`);
    return undefined;
  }

  private onItsFaces(step: Step): Step | undefined {
    if (!step.faces) return step;
    if (!this.piece.faces.inner) {
      const faces = step.faces.filter((face) => face === 'outer');
      if (faces.length === 0) return undefined;
      return faces.length === step.faces.length ? step : { ...step, faces };
    }
    if (this.recipe.inner || step.kind !== 'seal') return step;
    this.notes.add('The inner face is sealed too, as this piece has one.');
    return { ...step, faces: ['inner', ...step.faces] };
  }

  /** Closures are covered by the names they have here. */
  private overItsClosures(step: Step): Step | undefined {
    if (!step.covers) return step;
    const { keepBare = [] } = this.piece;
    if (step.covers.every((name) => keepBare.includes(name))) return step;
    if (keepBare.length === 0) {
      this.notes.add('Nothing here stays bare, so nothing is covered.');
      return undefined;
    }
    return { ...step, covers: keepBare };
  }

  /** Waits for other pieces, and parts that are joined, belong to the piece it comes from. */
  private withItsLinks(step: Step): Step {
    if (this.isSame) return step;
    const { after, parts, ...rest } = step;
    if (parts) this.notes.add('Parts that were joined to the first piece are not joined to this one.');
    const of = { ...this.piece, steps: this.recipe.steps };
    const own = after?.filter((link) => linkTarget([of], of, link)?.piece === this.piece.id);
    return { ...rest, ...(own && (own.length > 0 || after?.length === 0) ? { after: own } : {}) };
  }

  private inItsSize(step: Step): Step {
    const { areaCm2 } = this.piece.faces.outer;
    const isFine = this.piece.finestDetailMm !== undefined && this.piece.finestDetailMm < 1;
    const thin: Partial<Step> =
      isFine &&
      !this.isSame &&
      step.material !== undefined &&
      (step.film ?? 'normal') === 'normal' &&
      step.kind !== 'fill'
        ? { film: 'light' }
        : {};
    if (thin.film) this.notes.add('Coats are laid light, for the fine detail here.');
    if (step.minutes === undefined || areaCm2 === this.recipe.areaCm2) return { ...step, ...thin };
    const minutes = Math.min(1440, Math.max(1, Math.round(step.minutes * (areaCm2 / this.recipe.areaCm2))));
    if (minutes !== step.minutes) this.notes.add('Minutes that were said are scaled to the area.');
    return { ...step, ...thin, minutes };
  }

  private inItsPlace(step: Step): Step {
    const places = placesOf(this.build);
    if (step.place === undefined || places.some(({ id }) => id === step.place)) return step;
    const { place: _gone, ...rest } = step;
    const materials = materialsOf(this.build.materials);
    const writing = writingFor(this.build, this.piece, { looks: [] }, () => undefined);
    const place = writing.owned.placeFor(methodOf(step, materials.get(step.material ?? '')));
    this.notes.add('Places are those of this build.');
    return { ...rest, ...(place === undefined ? {} : { place }) };
  }
}
