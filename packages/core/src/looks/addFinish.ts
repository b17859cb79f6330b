import type { Build, Piece, Step } from '../model/schema';
import { idFromName } from '../model/pieceEdits';
import { usualTools } from './choices';
import type { Finish } from './finishes';
import type { Look, LookStep } from './look';
import { isPowder } from './writing';
import { catalogueById } from '../materials/catalogue';
import { methodOf } from '../model/stepSpots';
import { methodTable, type Method } from '../model/methods';
import { LookWriter, writingFor } from './writeSteps';

/** What is said of how a finish is added. */
export interface FinishChoice {
  /** Zones that take it; the whole piece without any. */
  zones?: readonly string[];
  /** In place of the colour of its first step. */
  colour?: string;
  tools?: readonly Method[];
}

/** A piece's steps with a finish among them, which of them are new, and what had to be left out. */
export interface FinishAdded {
  steps: Step[];
  added: string[];
  notes: string[];
}

const colours = new Set<Step['kind']>(['prime', 'base', 'detail', 'unmask']);
const weathered = new Set<Step['kind']>([...colours, 'weather', 'texture']);

/**
 * Adds a finish to the steps of a piece: over its colours, or after the weathering that is there, and before its clear in any case. What is
 * there stays as it is. With nothing to hold it, powder becomes paint, as in a look.
 */
export function addFinish(
  build: Build,
  piece: Piece,
  finish: Finish,
  choice: FinishChoice = {},
): FinishAdded {
  const notes = new Set<string>();
  const until = finish.goes === 'over-colour' ? colours : weathered;
  const at = piece.steps.findLastIndex(({ kind, covers }) => until.has(kind) && covers === undefined) + 1;
  const place = at > 0 ? at : piece.steps.length;
  // Powder stays where the next clear is misted over it; brushed over it would be dragged along, and with none it would come off.
  const next = piece.steps.slice(place).find(({ kind }) => kind === 'topcoat');
  const isMisted =
    next?.film === 'dust' && methodTable[methodOf(next, catalogueById.get(next.material ?? ''))].sprays;
  const held = (step: LookStep): LookStep => {
    const options = step.options.filter((way) => !isPowder(way));
    if (isMisted || options.length === step.options.length || options.length === 0) return step;
    notes.add('Painted in place of powder, as no clear is misted over it here.');
    return { ...step, options };
  };
  const zones = piece.zones?.filter(({ id }) => choice.zones?.includes(id)) ?? [];
  const look: Look = {
    id: finish.id,
    name: finish.name,
    about: finish.about,
    school: 'pva',
    undercoat: 'none',
    clear: 'none',
    smooth: false,
    colour: '#808080',
    tags: [],
    pictures: [],
    steps: finish.steps.map((step, n) => ({
      ...held(step),
      ...(n === 0 && choice.colour && step.colour ? { colour: choice.colour } : {}),
    })),
  };
  const writing = writingFor(build, piece, { looks: [], tools: choice.tools ?? usualTools }, (note) =>
    notes.add(note),
  );
  const group = { zones, look, colour: undefined };
  const isPart = zones.length > 0 && zones.length < (piece.zones ?? []).length;
  const writer = new LookWriter(writing);
  const used = piece.steps.map(({ id }) => id);
  const fresh = look.steps
    .flatMap((step) => writer.write(step, group))
    .map((step): Step => {
      const id = idFromName(`${finish.id}-${step.kind}`, used);
      used.push(id);
      const { zones: _named, ...rest } = step;
      return { ...rest, id, ...(isPart ? { zones: zones.map((zone) => zone.id) } : {}) };
    });
  return {
    steps: [...piece.steps.slice(0, place), ...fresh, ...piece.steps.slice(place)],
    added: fresh.map(({ id }) => id),
    notes: [...notes],
  };
}
