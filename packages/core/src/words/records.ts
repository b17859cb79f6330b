import type { Build, LogEntry, Piece, Step, Tin } from '../model/schema';
import type { Material } from '../model/materialSchema';
import { dryFilmUm, wetFilmUm } from '../materials/film';
import { facesOf, methodOf } from '../model/stepSpots';
import { materialsOf } from '../materials/ownMaterials';
import { DateTime } from 'luxon';
import type { Face } from '../model/fields';
import type { Method } from '../model/methods';
import { substrateTable } from '../model/substrates';
import { describeStep } from './describeStep';
import { journalOf } from './journal';
import { workWord } from './workWord';
import { compareLogged } from '../model/wallTime';

/** One thing that can be found again: what it is, where it stands, and all the words it is found by. */
export interface FoundThing {
  kind: 'build' | 'piece' | 'step' | 'done' | 'tin';
  /** Its own id: of a line of the journal, a step, a tin. */
  id: string;
  pieceId?: string;
  /** When it happened, as wall time. */
  at?: string;
  /** What is shown of it. */
  title: string;
  /** What it is found by, the title and more. */
  text: string;
}

/** A day in the ways people write it. */
const dayWords = (wall: string): string =>
  DateTime.fromISO(wall, { zone: 'utc' }).setLocale('en-GB').toFormat('yyyy-MM-dd d LLL LLLL yyyy cccc');

const tinName = (tin: Tin | undefined, materials: ReadonlyMap<string, Material>): string =>
  tin
    ? [materials.get(tin.material)?.name ?? tin.material, tin.colour, tin.lot && `lot ${tin.lot}`]
        .filter(Boolean)
        .join(', ')
    : '';

/**
 * Everything in a build that people look for later: the build, its pieces with what is to be done on them, what was done and happened, and
 * the tins it came out of; each with the words of its piece, zones, material, colour, tin, day, place and note.
 */
export function thingsToFind(build: Build): FoundThing[] {
  const materials = materialsOf(build.materials);
  const tins = new Map((build.stock ?? []).flatMap((tin) => (tin.id === undefined ? [] : [[tin.id, tin]])));
  const pieces = new Map(build.pieces.map((piece) => [piece.id, piece]));
  const log = new Map((build.log ?? []).map((entry) => [entry.id, entry]));
  const words = (...parts: (string | undefined)[]) => parts.filter(Boolean).join(' ');
  const zonesOf = (piece: Piece | undefined, step: Step | undefined) =>
    (piece?.zones ?? [])
      .filter(({ id }) => !step?.zones || step.zones.includes(id))
      .map(({ name }) => name)
      .join(' ');
  const noteOf = (one: Readonly<Record<string, unknown>>) =>
    typeof one['note'] === 'string' ? one['note'] : undefined;

  const found: FoundThing[] = [
    {
      kind: 'build',
      id: 'build',
      title: build.name,
      text: words(
        build.name,
        noteOf(build),
        ...build.events.map((event) => words(event.name, dayWords(event.wearAt))),
      ),
    },
  ];
  for (const piece of build.pieces) {
    const substrate = substrateTable[piece.substrate.kind].word;
    found.push({
      kind: 'piece',
      id: piece.id,
      pieceId: piece.id,
      title: piece.name,
      text: words(piece.name, substrate, zonesOf(piece, undefined), noteOf(piece)),
    });
    for (const step of piece.steps) {
      const material = materials.get(step.material ?? '');
      const title = `${piece.name}: ${workWord(step)}, ${describeStep(build, piece, step, material)}`;
      found.push({
        kind: 'step',
        id: step.id,
        pieceId: piece.id,
        title,
        text: words(title, zonesOf(piece, step), step.colour, step.note),
      });
    }
  }
  for (const line of journalOf(build, materials)) {
    const piece = pieces.get(line.pieceId ?? '');
    const entry = log.get(line.id);
    const step = piece?.steps.find(({ id }) => id === entry?.step);
    const used = (entry?.used ?? []).map(({ tin }) => tinName(tins.get(tin ?? ''), materials)).join(' ');
    const place = build.places.find(({ id }) => id === (entry?.place ?? step?.place))?.name;
    found.push({
      kind: 'done',
      id: line.id,
      ...(line.pieceId === undefined ? {} : { pieceId: line.pieceId }),
      at: line.at,
      title: piece ? `${piece.name}: ${line.text}` : line.text,
      text: words(
        piece?.name,
        zonesOf(piece, step),
        line.text,
        step?.colour,
        used,
        place,
        line.note,
        line.materialIds.map((id) => materials.get(id)?.name).join(' '),
        dayWords(line.at),
      ),
    });
  }
  for (const [id, tin] of tins) {
    const title = tinName(tin, materials);
    found.push({
      kind: 'tin',
      id,
      title,
      text: words(title, tin.note, tin.openedOn && dayWords(tin.openedOn)),
    });
  }
  return found;
}

/** What was laid or done in one coat of one step, over the units it was done on. */
export interface CardLine {
  key: string;
  step: Step | undefined;
  word: string;
  material: Material | undefined;
  colour: string | undefined;
  method: Method | undefined;
  coat: number;
  face: Face | undefined;
  units: number[];
  /** First and last time, as wall time. */
  from: string;
  until: string;
  /** Dry film where it lies, µm. */
  dryUm: number | undefined;
  /** What it came out of. */
  tins: string[];
  ml: number | undefined;
  place: string | undefined;
  /** The air it was laid in, where that was written down: °C and %. */
  air: { temperatureC: number; humidityPct: number } | undefined;
  by: string[];
  notes: string[];
  photos: string[];
  failed: boolean;
}

/** All that was done on a piece, coat by coat in order of time: what of which tin, how thick, in which air, by whom, with pictures. */
export function finishCard(build: Build, piece: Piece): CardLine[] {
  const materials = materialsOf(build.materials);
  const tins = new Map((build.stock ?? []).flatMap((tin) => (tin.id === undefined ? [] : [[tin.id, tin]])));
  const lines = new Map<string, CardLine>();
  const inOrder = (build.log ?? [])
    .filter((entry) => entry.piece === piece.id)
    .sort((a, b) => compareLogged(a.doneAt, b.doneAt));
  for (const entry of inOrder) {
    const step = piece.steps.find(({ id }) => id === entry.step);
    const material = materials.get(entry.material ?? step?.material ?? '');
    const key = [entry.step, entry.coat, entry.face, entry.outcome, material?.id, entry.film].join('/');
    const line = lines.get(key) ?? freshLine(key, build, entry, step, material);
    lines.set(key, line);
    line.units.push(entry.unit);
    line.until = entry.doneAt;
    for (const { tin, ml } of entry.used ?? []) {
      line.ml = (line.ml ?? 0) + ml;
      addOnce(line.tins, tinName(tins.get(tin ?? ''), materials));
    }
    addOnce(line.by, entry.by);
    addOnce(line.notes, entry.note);
    addOnce(line.photos, entry.photo);
  }
  return [...lines.values()];
}

function addOnce(list: string[], one: string | undefined): void {
  if (one && !list.includes(one)) list.push(one);
}

function freshLine(
  key: string,
  build: Build,
  entry: LogEntry,
  step: Step | undefined,
  material: Material | undefined,
): CardLine {
  const { temperatureC, humidityPct } = entry;
  const film = entry.film ?? step?.film;
  return {
    key,
    step,
    word: step ? workWord(step) : entry.step,
    material,
    colour: step?.colour ?? material?.colour,
    method: step && material ? methodOf(step, material) : undefined,
    coat: entry.coat,
    // Where there is one face only, it goes without saying.
    face: step && facesOf(step).length > 1 ? entry.face : undefined,
    units: [],
    from: entry.doneAt,
    until: entry.doneAt,
    dryUm: material ? dryFilmUm(wetFilmUm(material, film, step?.pourMm), material) : undefined,
    tins: [],
    ml: undefined,
    place: build.places.find(({ id }) => id === (entry.place ?? step?.place))?.name,
    air: temperatureC !== undefined && humidityPct !== undefined ? { temperatureC, humidityPct } : undefined,
    by: [],
    notes: [],
    photos: [],
    failed: entry.outcome === 'failed',
  };
}
