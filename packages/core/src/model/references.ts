import { levelsKept } from './levels';
import { linkTarget } from './stepLinks';
import { facesOf, passOfId } from './stepSpots';
import type { Build, Piece } from './schema';
import { nth } from './sure';
import { isRecord } from './unknowns';

/** Keys and indices from the top of the build file. */
export type Path = (string | number)[];

/** What a place in the build file points at. */
export type ReferenceKind =
  'piece' | 'step' | 'unit' | 'coat' | 'face' | 'zone' | 'place' | 'event' | 'material' | 'pass' | 'colour';

/** One place in a build file that names something that stands elsewhere in it. */
export interface Reference {
  kind: ReferenceKind;
  /** Where it is written. */
  path: Path;
  /** What is written there. */
  value: string | number;
  /** The piece whose steps, zones, units or faces are meant; undefined when that piece is not there. */
  piece?: Piece;
  /** Whether what it names is there. */
  found: boolean;
  /**
   * What goes along when what it names is taken away: a field, an entry of a list, or a whole entry of the log. Undefined
   * where nothing may go by itself, as without its zone a step would cover the whole piece.
   */
  goes: Path | undefined;
}

/** A pass by its places: what log, passes under way and touch tests share. */
interface PassNamed {
  piece: string;
  unit: number;
  step?: string | undefined;
  coat?: number | undefined;
  face?: string | undefined;
}

/**
 * Every place in a build that refers to a piece, step, unit, coat, face, zone, place, event or material. Checking, deleting
 * and copying all go through it, so that a field that refers to something is named here and nowhere else. Materials are told
 * as not found unless `isMaterial` knows them.
 */
export function referencesOf(build: Build, isMaterial: (id: string) => boolean): Reference[] {
  const references: Reference[] = [];
  const pieces = new Map(build.pieces.map((piece) => [piece.id, piece]));
  const events = new Set(build.events.map((event) => event.id));
  const places = new Set(build.places.map((place) => place.id));
  const palette = new Set((build.palette ?? []).map((one) => one.id));
  const add = <Value extends string | number>(
    kind: ReferenceKind,
    path: Path,
    value: Value | undefined,
    isFound: (value: Value) => boolean,
    goes: Path | undefined,
    piece?: Piece,
  ) => {
    if (value === undefined) return;
    references.push({
      kind,
      path,
      value,
      found: isFound(value),
      goes,
      ...(piece ? { piece } : {}),
    });
  };
  const ofPass = (entry: PassNamed, path: Path) => {
    const piece = pieces.get(entry.piece);
    add('piece', [...path, 'piece'], entry.piece, () => piece !== undefined, path);
    if (!piece) return;
    add('unit', [...path, 'unit'], entry.unit, (unit: number) => unit <= piece.quantity, path, piece);
    const step = piece.steps.find((one) => one.id === entry.step);
    add('step', [...path, 'step'], entry.step, () => step !== undefined, path, piece);
    if (!step) return;
    add('coat', [...path, 'coat'], entry.coat, (coat: number) => coat <= (step.coats ?? 1), path, piece);
    // A face that its step does not work on any more means nothing and does no harm.
    const hasFace = step.material === undefined || facesOf(step).some((face) => face === entry.face);
    add('pass', [...path, 'face'], entry.face, () => hasFace, path, piece);
  };

  build.stock?.forEach((tin, at) => {
    const path: Path = ['stock', at];
    add('material', [...path, 'material'], tin.material, isMaterial, undefined);
    add('place', [...path, 'keptIn'], tin.keptIn, (id: string) => places.has(id), [...path, 'keptIn']);
  });
  build.amounts?.forEach((one, at) =>
    add('material', ['amounts', at, 'material'], one.material, isMaterial, ['amounts', at]),
  );
  build.prices?.forEach((one, at) =>
    add('material', ['prices', at, 'material'], one.material, isMaterial, ['prices', at]),
  );
  build.mixes?.forEach((mix, at) => {
    add('material', ['mixes', at, 'material'], mix.material, isMaterial, undefined);
    mix.parts.forEach((part, n) =>
      add('material', ['mixes', at, 'parts', n, 'material'], part.material, isMaterial, undefined),
    );
  });
  build.palette?.forEach((one, at) => {
    const path: Path = ['palette', at, 'material'];
    add('material', path, one.material, isMaterial, path);
  });
  build.pieces.forEach((piece, at) => {
    const own: Path = ['pieces', at];
    add('event', [...own, 'event'], piece.event, (id: string) => events.has(id), [...own, 'event']);
    add('piece', [...own, 'mirrors'], piece.mirrors, (id: string) => pieces.has(id), [...own, 'mirrors']);
    const zones = new Set((piece.zones ?? []).map((zone) => zone.id));
    piece.zones?.forEach((zone, n) =>
      zone.borders?.forEach((border, k) => {
        const path: Path = [...own, 'zones', n, 'borders', k];
        add('zone', [...path, 'zone'], border.zone, (id: string) => zones.has(id), path, piece);
      }),
    );
    piece.drawing?.zones?.forEach((one, n) => {
      const path: Path = [...own, 'drawing', 'zones', n];
      add('zone', [...path, 'zone'], one.zone, (id: string) => zones.has(id), path, piece);
    });
    piece.steps.forEach((step, n) => {
      const path: Path = [...own, 'steps', n];
      add('material', [...path, 'material'], step.material, isMaterial, undefined);
      add('place', [...path, 'place'], step.place, (id: string) => places.has(id), [...path, 'place']);
      const named: Path = [...path, 'palette'];
      add('colour', named, step.palette, (id: string) => palette.has(id), named);
      step.zones?.forEach((zone, k) =>
        add('zone', [...path, 'zones', k], zone, (id: string) => zones.has(id), undefined, piece),
      );
      step.faces?.forEach((face, k) =>
        add(
          'face',
          [...path, 'faces', k],
          face,
          (side: string) => side === 'outer' || piece.faces.inner !== undefined,
          undefined,
          piece,
        ),
      );
      step.after?.forEach((link, k) =>
        add(
          'step',
          [...path, 'after', k],
          link,
          (text: string) => linkTarget(build.pieces, piece, text) !== undefined,
          [...path, 'after', k],
          piece,
        ),
      );
      step.units?.forEach((one, k) =>
        add('unit', [...path, 'units', k], one, (unit: number) => unit <= piece.quantity, undefined, piece),
      );
      step.parts?.forEach((part, k) =>
        add('piece', [...path, 'parts', k], part, (id: string) => pieces.has(id), [...path, 'parts', k]),
      );
    });
  });
  build.log?.forEach((entry, at) => {
    ofPass(entry, ['log', at]);
    add('material', ['log', at, 'material'], entry.material, isMaterial, undefined);
    add('place', ['log', at, 'place'], entry.place, (id: string) => places.has(id), ['log', at, 'place']);
  });
  build.underway?.forEach((pass, at) => ofPass(pass, ['underway', at]));
  build.touchTests?.forEach((test, at) => ofPass(test, ['touchTests', at]));
  build.pins?.forEach((pin, at) => {
    const pass = passOfId(pin.operation);
    const piece = pass && pieces.get(pass.piece);
    const step = piece?.steps.find((one) => one.id === pass?.step);
    const isThere =
      piece !== undefined &&
      step !== undefined &&
      pass!.unit <= piece.quantity &&
      pass!.coat <= (step.coats ?? 1);
    add('pass', ['pins', at, 'operation'], pin.operation, () => isThere, ['pins', at]);
  });
  build.swatches?.forEach((swatch, at) =>
    swatch.coats.forEach((coat, n) =>
      add('material', ['swatches', at, 'coats', n, 'material'], coat.material, isMaterial, undefined),
    ),
  );
  return references;
}

/** Reads or changes what stands at a path of plain data; undefined where the path leads nowhere. */
function at(root: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (inside, key) =>
      Array.isArray(inside) ? inside[Number(key)] : isRecord(inside) ? inside[key] : undefined,
    root,
  );
}

/** Later in a list first, so that taking one out does not move those still to go. */
const fromTheBack = (a: Path, b: Path): number => {
  for (let n = 0; n < Math.min(a.length, b.length); n += 1) {
    const [one, other] = [a[n], b[n]];
    if (one === other) continue;
    if (typeof one === 'number' && typeof other === 'number') return other - one;
    return String(one) < String(other) ? -1 : 1;
  }
  return b.length - a.length;
};

/** What a reference is about, whatever list it stands in now. */
const meaningOf = ({ kind, value, piece }: Reference): string => JSON.stringify([kind, value, piece?.id]);

/**
 * A build after something was taken out of it, without what pointed at that: log entries, passes under way, touch tests and pins of
 * what is gone, links to it, and its being a part or a mirror of something. What may not go by itself, and what pointed at
 * nothing before, stays for the faults to name. The build given is left as it is.
 * Invariant: a build in which nothing dangles comes back as it is.
 */
export function withoutDangling(build: Build, before: Build): Build {
  const were = new Set(
    referencesOf(before, () => true).flatMap((one) => (one.found ? [meaningOf(one)] : [])),
  );
  const whole = without(build, (reference) => were.has(meaningOf(reference)) || reference.kind === 'pass');
  return levelsKept(whole, before);
}

/**
 * A build as an earlier version saved it, without what that version left behind when it deleted a piece or a step: mirrors of it,
 * its being a part of another, and touch tests of it, none of which were looked at then.
 */
export const withoutOldDangling = (build: Build): Build =>
  without(
    build,
    ({ path }) => path.at(-1) === 'mirrors' || path.at(-2) === 'parts' || path[0] === 'touchTests',
  );

function without(build: Build, meant: (reference: Reference) => boolean): Build {
  const gone = referencesOf(build, () => true).flatMap((one) =>
    one.found || !one.goes || !meant(one) ? [] : [one.goes],
  );
  if (gone.length === 0) return build;
  const copy = structuredClone(build);
  const seen = new Set<string>();
  for (const path of gone.sort(fromTheBack)) {
    const key = JSON.stringify(path);
    if (seen.has(key)) continue;
    seen.add(key);
    const last = nth(path, path.length - 1);
    const parent = at(copy, path.slice(0, -1));
    if (isRecord(parent)) delete parent[last];
    if (!Array.isArray(parent)) continue;
    parent.splice(Number(last), 1);
    const list = path.at(-2);
    const owner = at(copy, path.slice(0, -2));
    // An empty list of links would mean "waits for nothing"; without one the step waits for the one before it.
    if (parent.length === 0 && (list === 'after' || list === 'parts') && isRecord(owner)) delete owner[list];
  }
  return copy;
}
