import Papa from 'papaparse';
import type { TinLevel } from '../advice/shop/shelf';
import type { ShopLine } from '../advice/shop/shopBuild';
import type { Fault, Result } from '../model/fault';
import { tinDatesFault } from '../model/tinDates';
import type { Material } from '../model/materialSchema';
import type { Build, Tin } from '../model/schema';
import { toWallTime } from '../model/wallTime';
import { sayMl } from '../model/sayMeasure';
import { fromTableText, tableText } from './tableText';

/** What a table of the shelf has, in this order; only the first, the third and the fourth are needed to read one. */
const columns = [
  'material',
  'colour',
  'holds_ml',
  'left_ml',
  'opened_on',
  'best_before',
  'here_on',
  'lot',
  'price',
] as const;
type Row = Record<(typeof columns)[number], string>;

const write = (fields: readonly string[], data: readonly (readonly (string | number)[])[]): string =>
  Papa.unparse(
    { fields: [...fields], data: data.map((row) => [...row]) },
    { escapeFormulae: true, newline: '\r\n' },
  );

/** The shelf as a table, with what is in each tin now. */
export function shelfCsv(levels: readonly TinLevel[], materials: ReadonlyMap<string, Material>): string {
  return write(
    columns,
    levels.map(({ tin, ml }) => [
      tableText(materials.get(tin.material)?.name ?? tin.material),
      tin.colour ?? '',
      tin.containerMl,
      Math.round(ml * 10) / 10,
      tin.openedOn ?? '',
      tin.bestBefore ?? '',
      tin.arrivesOn ?? '',
      tableText(tin.lot ?? ''),
      tin.price ?? '',
    ]),
  );
}

/** What is to be bought as a table. */
export function shoppingCsv(build: Build, lines: readonly ShopLine[]): string {
  const wall = (minute: number | undefined) =>
    minute === undefined ? '' : toWallTime(Math.floor(minute), build.timeZone).replace('T', ' ');
  const nameOf = (id: string) => build.pieces.find((piece) => piece.id === id)?.name ?? id;
  return write(
    [
      'material',
      'colour',
      'buy',
      'cost',
      'needed_ml',
      'enough_ml',
      'on_the_shelf_ml',
      'on_order_ml',
      'by',
      'for',
    ],
    lines.map((line) => [
      tableText(line.name),
      line.colour ?? '',
      line.buy.containers.map(({ count, containerMl }) => `${count} x ${sayMl(containerMl)}`).join(' + '),
      line.buy.cost?.toFixed(2) ?? '',
      Math.round(line.needMl),
      Math.round(line.enoughMl),
      Math.round(line.shelfMl),
      Math.round(line.onOrderMl),
      wall(line.buyBy),
      tableText([...new Set(line.steps.map(({ pieceId }) => nameOf(pieceId)))].join(', ')),
    ]),
  );
}

const heading = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, '_');

/**
 * Tins from a table as `shelfCsv` writes it, with commas, semicolons or tabs between, and points or commas in numbers. Either every row can be
 * used, or none is taken and each that can't is told with its number.
 * @param ids gives each tin its id
 * @param levelAt the moment that the levels are of
 */
export function readShelfCsv(
  text: string,
  materials: ReadonlyMap<string, Material>,
  levelAt: string,
  ids: () => string,
): Result<Tin[]> {
  const { data, meta } = Papa.parse<Partial<Row>>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: heading,
    transform: (value) => fromTableText(value.trim()),
  });
  const fault = (message: string): Fault => ({ code: 'table', path: [], message });
  const missing = (['material', 'holds_ml', 'left_ml'] as const).filter(
    (name) => !meta.fields?.includes(name),
  );
  if (missing.length > 0)
    return { ok: false, faults: [fault(`The table has no column ${missing.join(', ')}.`)] };
  if (data.length === 0) return { ok: false, faults: [fault('The table has no rows.')] };
  const byName = new Map<string, Material>();
  for (const material of materials.values()) {
    byName.set(material.name.toLowerCase(), material);
    byName.set(material.id.toLowerCase(), material);
  }
  const faults: Fault[] = [];
  const tins = data.map((row, n): Tin => {
    const say = (message: string) => faults.push(fault(`Row ${n + 1}: ${message}`));
    const number = (name: keyof Row, word: string): number | undefined => {
      const written = (row[name] ?? '').replace(',', '.');
      if (written === '') return undefined;
      const value = Number(written);
      if (!Number.isFinite(value) || value < 0) say(`"${row[name]}" is no ${word}.`);
      return value;
    };
    const date = (name: keyof Row): string | undefined => {
      const written = row[name] ?? '';
      if (written === '') return undefined;
      if (!/^\d{4}-\d{2}-\d{2}$/.test(written) || Number.isNaN(Date.parse(written)))
        say(`"${written}" is no date; write it as 2027-03-05.`);
      return written;
    };
    const material = byName.get((row.material ?? '').toLowerCase());
    if (!material) say(`no material is called "${row.material ?? ''}".`);
    const containerMl = number('holds_ml', 'size in ml');
    const remainingMl = number('left_ml', 'amount in ml');
    if (!containerMl) say('it holds nothing; say how much it holds when it is full.');
    if (remainingMl === undefined) say('say what is left in it.');
    if (containerMl !== undefined && remainingMl !== undefined && remainingMl > containerMl)
      say(`there is more left than the ${sayMl(containerMl)} that it holds.`);
    const colour = row.colour ?? '';
    if (colour !== '' && !/^#[0-9a-f]{6}$/i.test(colour))
      say(`"${colour}" is no colour; write it as #8a6f3b.`);
    const [openedOn, bestBefore, arrivesOn] = [date('opened_on'), date('best_before'), date('here_on')];
    const wrong = tinDatesFault(
      { ...(openedOn ? { openedOn } : {}), ...(arrivesOn ? { arrivesOn } : {}) },
      levelAt.slice(0, 10),
    );
    if (wrong !== undefined) say(`it ${wrong}.`);
    const price = number('price', 'price');
    const lot = (row.lot ?? '').slice(0, 60);
    return {
      id: ids(),
      material: material?.id ?? '',
      ...(colour ? { colour: colour.toLowerCase() } : {}),
      containerMl: containerMl ?? 0,
      remainingMl: remainingMl ?? 0,
      levelAt,
      ...(openedOn ? { openedOn } : {}),
      ...(bestBefore ? { bestBefore } : {}),
      ...(arrivesOn ? { arrivesOn } : {}),
      ...(lot ? { lot } : {}),
      ...(price === undefined ? {} : { price }),
    };
  });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: tins };
}
