import isEqual from 'fast-deep-equal';
import { idFromName } from './pieceEdits';
import { referencesOf, type Path } from './references';
import type { Build } from './schema';
import { isRecord } from './unknowns';
import { inWorkshop, sharedParts, type SharedParts } from './workshop';
import { sayMl } from './sayMeasure';

/** Lists whose things are matched one by one, each of which the user may have a say in. */
export const matchedKinds = ['people', 'places', 'materials', 'stock', 'swatches', 'mixes'] as const;
export type MatchedKind = (typeof matchedKinds)[number];

/** What becomes of one thing that a build brings into a workshop. */
export const joinChoices = ['theirs', 'mine', 'apart', 'leave'] as const;
/**
 * `theirs`: it is what the workshop has already, which stays as it is. `mine`: it is that, and the workshop takes what the build says of it.
 * `apart`: it is something else, and comes beside. `leave`: it does not come along.
 */
export type JoinChoice = (typeof joinChoices)[number];

/** One thing that a build brings, and what in the workshop it is or may be. */
export interface Match {
  kind: MatchedKind;
  /** Its id in the build. */
  id: string;
  name: string;
  /** `same`: the workshop has just that. `like`: it has one of that name or id that differs. `new`: it has none. */
  how: 'same' | 'like' | 'new';
  /** What it is or may be there. */
  there?: { id: string; name: string };
  /** What can be done with it, the usual one first. */
  choices: readonly JoinChoice[];
}

type Thing = Record<string, unknown> & { id: string };

const things = (parts: SharedParts, kind: MatchedKind): Thing[] =>
  ((parts[kind] ?? []) as unknown[]).filter(
    (one): one is Thing => isRecord(one) && typeof one['id'] === 'string',
  );

const withoutId = ({ id: _id, ...rest }: Thing): unknown => rest;
const textOf = (value: unknown): string => (typeof value === 'string' ? value : '');
const plainName = (text: unknown): string => textOf(text).trim().toLowerCase();

function nameOf(kind: MatchedKind, thing: Thing, materialName: (id: string) => string): string {
  if (kind === 'stock')
    return `${materialName(textOf(thing['material']))}, ${sayMl(Number(thing['containerMl']))}`;
  if (kind === 'swatches')
    return ((thing['coats'] ?? []) as { material: string }[])
      .map(({ material }) => materialName(material))
      .join(' → ');
  return textOf(thing['name']) || materialName(textOf(thing['extends'])) || thing.id;
}

/** Whether two things of a kind, which are not the same, may be one. */
function isLike(kind: MatchedKind, one: Thing, other: Thing): boolean {
  if (kind === 'swatches') return one.id === other.id;
  if (kind === 'stock')
    return (
      one['material'] === other['material'] &&
      one['containerMl'] === other['containerMl'] &&
      plainName(one['colour']) === plainName(other['colour'])
    );
  return (
    one.id === other.id ||
    (plainName(one['name']) !== '' && plainName(one['name']) === plainName(other['name']))
  );
}

/** Whether something of a build, other than what it shares, names a place or a material. */
function isNamed(build: Build, kind: MatchedKind, id: string): boolean {
  if (kind !== 'places' && kind !== 'materials') return false;
  const meant = kind === 'places' ? 'place' : 'material';
  return referencesOf(build, () => true).some((one) => one.kind === meant && one.value === id);
}

/**
 * What of all that a build carries is in a workshop already, thing by thing. Each of the workshop's things stands for at most one.
 * @param materialName what a material is called
 */
export function matchWorkshop(
  build: Build,
  workshop: SharedParts,
  materialName: (id: string) => string,
): Match[] {
  return matchedKinds.flatMap((kind) => {
    const free = new Map(things(workshop, kind).map((one) => [one.id, one]));
    const own = things(build, kind);
    const found = new Map<string, { how: Match['how']; there: Thing }>();
    const take = (mine: Thing, how: Match['how'], is: (other: Thing) => boolean) => {
      if (found.has(mine.id)) return;
      const there = [...free.values()].find(is);
      if (!there) return;
      free.delete(there.id);
      found.set(mine.id, { how, there });
    };
    for (const mine of own) take(mine, 'same', (other) => isEqual(mine, other));
    for (const mine of own) take(mine, 'same', (other) => isEqual(withoutId(mine), withoutId(other)));
    for (const mine of own) take(mine, 'like', (other) => mine.id === other.id && isLike(kind, mine, other));
    for (const mine of own) take(mine, 'like', (other) => isLike(kind, mine, other));
    return own.map((mine): Match => {
      const match = found.get(mine.id);
      const how = match?.how ?? 'new';
      const mayStay = !isNamed(build, kind, mine.id);
      return {
        kind,
        id: mine.id,
        name: nameOf(kind, mine, materialName),
        how,
        ...(match ? { there: { id: match.there.id, name: nameOf(kind, match.there, materialName) } } : {}),
        choices:
          how === 'same'
            ? ['theirs']
            : how === 'like'
              ? ['theirs', 'mine', 'apart']
              : ['apart', ...(mayStay ? (['leave'] as const) : [])],
      };
    });
  });
}

/** A build as it is in a workshop, with what it brings there. */
export interface Joined {
  build: Build;
  /** What its places are called there, by what they were called in it. */
  placeIds: Record<string, string>;
}

/**
 * A build joined to a workshop of the same time zone: each thing it brings is what the user says, all that names it names it there, and what
 * was paid and measured comes along where nothing is said of it there. Nothing is doubled.
 * @param choiceOf what becomes of a match; its usual one where that is undefined
 */
export function joinWorkshop(
  build: Build,
  workshop: SharedParts,
  matches: readonly Match[],
  choiceOf: (match: Match) => JoinChoice | undefined = () => undefined,
): Joined {
  const chosen = matches.map((match) => ({ ...match, choice: choiceOf(match) ?? match.choices[0] }));
  const lists = new Map(matchedKinds.map((kind) => [kind, things(workshop, kind)]));
  const listOf = (kind: MatchedKind) => lists.get(kind) ?? [];

  // First what everything is called there, then the build with those names, then its things to theirs.
  const names: Names = new Map(matchedKinds.map((kind) => [kind, new Map<string, string>()]));
  for (const { kind, id, there, choice } of chosen) {
    const isTheirs = choice === 'theirs' || choice === 'mine';
    const used = new Set([...listOf(kind).map((one) => one.id), ...(names.get(kind)?.values() ?? [])]);
    const called = isTheirs && there ? there.id : used.has(id) ? idFromName(id, used) : id;
    names.get(kind)?.set(id, called);
  }
  const mine = withNames(build, names);
  for (const { kind, id, choice } of chosen) {
    const list = listOf(kind);
    const called = names.get(kind)?.get(id) ?? id;
    const thing = things(mine, kind).find((one) => one.id === called);
    if (!thing) continue;
    if (choice === 'mine')
      list.splice(
        list.findIndex((one) => one.id === called),
        1,
        thing,
      );
    if (choice === 'apart') list.push(toldApart(thing, list, build.name));
  }
  const parts = {
    ...sharedParts(workshop),
    ...Object.fromEntries([...lists].filter(([, list]) => list.length > 0)),
    ...withMore('amounts', workshop.amounts, mine.amounts, ({ id }) => id),
    ...withMore(
      'prices',
      workshop.prices,
      mine.prices,
      ({ material, containerMl }) => `${material} ${containerMl}`,
    ),
  };
  return {
    build: inWorkshop(mine, parts),
    placeIds: Object.fromEntries(names.get('places') ?? []),
  };
}

/** What things are called in a workshop, by kind and by what they were called in a build. */
type Names = ReadonlyMap<MatchedKind, Map<string, string>>;

/** A build in which things are called otherwise, wherever they are named. */
function withNames(build: Build, names: Names): Build {
  const to = (kind: MatchedKind, id: string) => names.get(kind)?.get(id) ?? id;
  // As its file says it.
  const copy = JSON.parse(JSON.stringify(build)) as Build;
  for (const { kind, path, value } of referencesOf(build, () => true)) {
    if (kind === 'place') set(copy, path, to('places', String(value)));
    if (kind === 'material') set(copy, path, to('materials', String(value)));
  }
  for (const kind of matchedKinds) for (const thing of things(copy, kind)) thing.id = to(kind, thing.id);
  for (const tin of copy.materials ?? [])
    if (tin.extends !== undefined) tin.extends = to('materials', tin.extends);
  for (const { used = [] } of copy.log ?? [])
    for (const one of used) if (one.tin !== undefined) one.tin = to('stock', one.tin);
  return copy;
}

/** A thing that comes beside one of its name: it is called after its build, so that people can tell them apart. */
function toldApart(thing: Thing, list: readonly Thing[], buildName: string): Thing {
  const name = plainName(thing['name']);
  const isTwin = name !== '' && list.some((one) => plainName(one['name']) === name);
  return isTwin ? { ...thing, name: `${textOf(thing['name'])} (${buildName})`.slice(0, 120) } : thing;
}

/** A list with what another has that it has not. */
function withMore<T>(
  key: string,
  ours: readonly T[] | undefined,
  mine: readonly T[] | undefined,
  keyOf: (one: T) => string,
): Record<string, readonly T[]> {
  const known = new Set(ours?.map(keyOf));
  const more = (mine ?? []).filter((one) => !known.has(keyOf(one)));
  return more.length > 0 ? { [key]: [...(ours ?? []), ...more] } : {};
}

/** Writes a value where a path of plain data leads. */
function set(root: unknown, path: Path, value: unknown): void {
  const inside = path
    .slice(0, -1)
    .reduce<unknown>((at, key) => (at as Record<string | number, unknown>)[key], root);
  (inside as Record<string | number, unknown>)[path.at(-1) ?? ''] = value;
}
