import { usualUndercoat } from '../colour/undercoat';
import { has } from '../model/traits';
import { catalogueById } from '../materials/catalogue';
import { substrateTable } from '../model/substrates';
import type { Step } from '../model/schema';
import { entryOf } from '../model/sure';
import { groundTable } from './ground';
import type { Look, Undercoat } from './look';
import { spraysOver, type Way } from './owned';
import { zonesOf, type Writing } from './writing';
import { byCommon, type ZoneGroup } from './zoneGroups';

/** Undercoats for the groups of zones of a piece. */
export interface Undercoats {
  /** What goes on before any colour: one for all, or each brushed on its own zones. */
  common: Step[];
  /** What goes on with a group's own colours, under the same tape, as no tool at hand keeps to the edge. */
  byGroup: ReadonlyMap<ZoneGroup, Step[]>;
}

/** The primer that an undercoat is laid with by brush. */
export const primerOf = (undercoat: Exclude<Undercoat, 'none'>): string => `acrylic-pu-primer-${undercoat}`;

/**
 * The undercoat a group of zones wants: as was asked for, or as its look says, unless its colour was swapped for one that finishers lay over
 * another; smooth things want one in any case, cloth none.
 */
export function undercoatOf({ piece, choices, main }: Writing, { look, colour }: ZoneGroup): Undercoat {
  const { cloth, primerCoats = 0 } = groundTable[piece.substrate.kind];
  if (cloth) return 'none';
  const wanted = choices.undercoat ?? forColour(look, colour) ?? look?.undercoat ?? main?.undercoat ?? 'grey';
  return wanted === 'none' && primerCoats > 0 ? 'grey' : wanted;
}

/** The undercoat for a swapped colour; undefined where the look's own does, or is meant to be seen. */
function forColour(look: Look | undefined, colour: string | undefined): Undercoat | undefined {
  const main = look?.steps.find((one) => one.main);
  const isSeen = main?.wanted?.some((effect) => effect === 'undercoat-shows' || effect === 'patchy');
  if (!look || !main?.colour || colour === undefined || look.undercoat === 'none' || isSeen) return undefined;
  const isMetallic = main.options.some(({ material }) => has(entryOf(catalogueById, material), 'metallic'));
  const usual = usualUndercoat(colour, isMetallic);
  return usual === usualUndercoat(main.colour, isMetallic) ? undefined : usual;
}

/**
 * The undercoat of each zone: joined where zones agree, brushed up to the edge or laid with the zone's own colours where they do not; never one
 * zone's over all. Smooth things are primed everywhere, whatever the looks say; cloth nowhere.
 */
export function undercoatsFor(writing: Writing): Undercoats {
  const { piece, groups, owned, step, tell } = writing;
  const needs = groundTable[piece.substrate.kind];
  const wantedBy = (group: ZoneGroup) => undercoatOf(writing, group);
  const classes = byCommon(groups, wantedBy);
  const common: Step[] = [];
  // It is primed within the half hour, which several undercoats one after the other are not: the scuffed surface holds those by itself.
  if (needs.promoter && owned.has('aerosol') && classes.size === 1)
    common.push(
      step('prime', 'aerosol', {
        material: 'adhesion-promoter',
        film: 'light',
        note: 'One mist coat; primer within the half hour.',
      }),
    );
  const waysFor = (undercoat: Exclude<Undercoat, 'none'>): Way[] => {
    const material = primerOf(undercoat);
    const coats = Math.max(needs.primerCoats ?? 1, undercoat === 'white' ? 2 : 1);
    const water = (['airbrush', 'foam-brush', 'brush'] as const).map((method): Way => ({
      material,
      method,
      coats,
      film: 'light',
    }));
    return [...water, { material: 'lacquer-primer-spray', method: 'aerosol', coats, film: 'light' }];
  };
  const prime = (way: Way, undercoat: Exclude<Undercoat, 'none'>, on: readonly ZoneGroup[]): Step => {
    const { material, method, coats, film } = way;
    // A can comes in many colours; a tin is what it is called.
    const colour = entryOf(catalogueById, primerOf(undercoat)).colour;
    return step('prime', method, {
      material,
      coats,
      film,
      ...(material === 'lacquer-primer-spray' ? { colour } : {}),
      ...zonesOf(writing, on),
    });
  };
  const byGroup = new Map<ZoneGroup, Step[]>();
  for (const [undercoat, on] of classes) {
    if (undercoat === 'none') continue;
    const isAlone = on.length === groups.length;
    const ways = waysFor(undercoat);
    const toTheEdge = ways.filter((way) => isAlone || !spraysOver(way));
    const { zones } = zonesOf(writing, on);
    const way = owned.pick('prime', toTheEdge, zones);
    if (way) {
      common.push(prime(way, undercoat, on));
      continue;
    }
    const taped = owned.pick('prime', ways, zones);
    if (!taped) {
      tell(
        substrateTable[piece.substrate.kind].isSmooth
          ? 'Nothing at hand lays a primer; without one paint chips off.'
          : 'Nothing at hand lays the undercoat, so it is left out.',
      );
      continue;
    }
    for (const group of on) byGroup.set(group, [prime(taped, undercoat, [group])]);
  }
  return { common, byGroup };
}
