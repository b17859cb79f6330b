import { binderFor } from '../model/binders';
import { catalogue, catalogueById } from './catalogue';
import type { OwnMaterial } from '../model/schema';
import { materialFigures, type Material } from '../model/materialSchema';

/** What an own tin that stands on no catalogue material has until its figures are typed in. */
const missingFigures = {
  carrier: 'water',
  binder: 'unknown',
  solvent: 0,
  wftUm: 80,
  solids: 0.3,
  minC: 10,
  maxC: 35,
  maxRhPct: 75,
  methods: ['brush'],
  redissolves: false,
  hazards: [],
  traits: [],
  colour: '#9a9a98',
  note: '',
} as const;

/**
 * The materials a build may use, by id: the catalogue, then the build's own tins laid over it. An own tin keeps
 * every figure of what it `extends` that it does not name itself.
 */
export function materialsOf(own: readonly OwnMaterial[] = []): Map<string, Material> {
  const known = new Map<string, Material>(catalogue.map((material) => [material.id, material]));
  const pending = [...own];
  // An own tin may stand on another own tin; take them in whatever order lets every base come first.
  for (let progress = true; progress && pending.length > 0;) {
    progress = false;
    for (const tin of [...pending]) {
      const base = tin.extends === undefined ? undefined : known.get(tin.extends);
      if (tin.extends !== undefined && !base) continue;
      const figures = materialFigures.parse({
        ...missingFigures,
        ...base,
        ...tin,
        role: tin.role ?? base?.role ?? 'paint',
        // A hide figure that was written down is that of this very paint, whatever it is made of.
        ...(tin.hideUm !== undefined && tin.pigments === undefined ? { pigments: [] } : {}),
      });
      known.set(tin.id, { ...figures, binder: binderFor(figures), id: tin.id });
      pending.splice(pending.indexOf(tin), 1);
      progress = true;
    }
  }
  return known;
}

/** Whether an id belongs to the shipped catalogue. */
export const isCatalogueId = (id: string): boolean => catalogueById.has(id);
