import Papa from 'papaparse';
import { catalogueTable } from './catalogueTable';
import { materialSchema, type Material } from '../model/materialSchema';

type Row = Record<string, string>;

const optionalNumber = (text: string | undefined) => (text ? Number(text) : undefined);

function toMaterial(row: Row): Material {
  return materialSchema.parse({
    id: row.id,
    name: row.name,
    role: row.role,
    binder: row.binder,
    carrier: row.carrier,
    solvent: Number(row.solvent),
    wftUm: Number(row.wft_um),
    solids: Number(row.solids),
    elongationPct: optionalNumber(row.elong_pct),
    sheenGu: optionalNumber(row.sheen_gu),
    hideUm: optionalNumber(row.hide_um),
    touch: optionalNumber(row.touch),
    recoat: row.recoat || undefined,
    tape: optionalNumber(row.tape),
    sand: optionalNumber(row.sand),
    handle: optionalNumber(row.handle),
    pack: optionalNumber(row.pack),
    wear: optionalNumber(row.wear),
    minC: Number(row.tmin),
    maxC: Number(row.tmax),
    maxRhPct: Number(row.rhmax),
    potLife: optionalNumber(row.potlife),
    mix: row.mix || undefined,
    methods: (row.methods ?? '').split('|').filter(Boolean),
    redissolves: row.redissolves === 'yes',
    shelfMonths: optionalNumber(row.shelf_months),
    hazards: (row.hazards ?? '')
      .split(';')
      .map((hazard) => hazard.trim())
      .filter(Boolean),
    traits: (row.traits ?? '').split('|').filter(Boolean),
    colour: row.colour,
    note: row.note ?? '',
  });
}

/** Every material that ships with the program, in catalogue order. */
export const catalogue: readonly Material[] = Papa.parse<Row>(catalogueTable.trim(), {
  header: true,
}).data.map(toMaterial);

/** The shipped materials by id. */
export const catalogueById: ReadonlyMap<string, Material> = new Map(
  catalogue.map((material) => [material.id, material]),
);
