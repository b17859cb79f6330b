import type { Path } from './references';
import type { Build } from './schema';

/**
 * What a moment or day in a build file is about. `planned`: a date that was set; `happened`: something that was done;
 * `instant`: the same in UTC, of a timer that runs; `day`: a day of the calendar without a time.
 */
export type MomentKind = 'planned' | 'happened' | 'instant' | 'day';

type Written = string | undefined;

/**
 * A build with every moment and day in it replaced by what `change` says, in one walk. Checking dates and moving a sample in
 * time both go through it, so that a field that holds a moment is named here and nowhere else.
 * @param change is given what is written, what it is about, and where it stands
 */
export function mapMoments(
  build: Build,
  change: (written: string, kind: MomentKind, path: Path) => string,
): Build {
  const field =
    <Key extends string>(key: Key, kind: MomentKind) =>
    <T extends { [K in Key]?: Written }>(one: T, path: Path): T => {
      const written = one[key];
      return written === undefined ? one : { ...one, [key]: change(written, kind, [...path, key]) };
    };
  type Edit<T> = (one: T, path: Path) => T;
  const all = <T>(list: readonly T[], path: Path, ...edits: Edit<T>[]): T[] =>
    list.map((one, n) => edits.reduce((changed, edit) => edit(changed, [...path, n]), one));
  const some = <Key extends keyof Build & string>(key: Key, ...edits: Edit<Item<Build[Key]>>[]) => {
    const list = build[key] as readonly Item<Build[Key]>[] | undefined;
    return list === undefined ? {} : { [key]: all(list, [key], ...edits) };
  };
  return {
    ...field('start', 'planned')(build, []),
    ...(build.cartridgesOn === undefined
      ? {}
      : { cartridgesOn: change(build.cartridgesOn, 'day', ['cartridgesOn']) }),
    ...some('events', field('wearAt', 'planned'), field('packAt', 'planned')),
    ...some('people', (person, path) =>
      person.exceptions
        ? {
            ...person,
            exceptions: all(person.exceptions, [...path, 'exceptions'], field('date', 'day')),
          }
        : person,
    ),
    ...some(
      'places',
      (place, path) =>
        place.climate.kind === 'hourly'
          ? {
              ...place,
              climate: {
                ...field('start', 'planned')(place.climate, [...path, 'climate']),
                ...(place.climate.earlier
                  ? {
                      earlier: all(
                        place.climate.earlier,
                        [...path, 'climate', 'earlier'],
                        field('start', 'planned'),
                      ),
                    }
                  : {}),
              },
            }
          : place,
      (place, path) =>
        place.airWas
          ? { ...place, airWas: all(place.airWas, [...path, 'airWas'], field('until', 'happened')) }
          : place,
    ),
    ...some(
      'stock',
      field('levelAt', 'happened'),
      field('openedOn', 'day'),
      field('bestBefore', 'day'),
      field('arrivesOn', 'day'),
    ),
    ...some('amounts', field('on', 'day')),
    ...some('pieces', field('packedAt', 'happened')),
    ...some('log', field('doneAt', 'happened'), field('startedAt', 'happened')),
    ...some('underway', field('startedAt', 'happened'), field('pausedAt', 'happened')),
    ...some('pins', field('at', 'planned')),
    ...some('touchTests', field('at', 'happened')),
    ...some('timers', field('startedAt', 'instant')),
    ...some('swatches', field('judgedOn', 'day')),
    ...some('mixes', (mix, path) =>
      mix.made ? { ...mix, made: all(mix.made, [...path, 'made'], field('at', 'happened')) } : mix,
    ),
  };
}

type Item<List> = NonNullable<List> extends readonly (infer One)[] ? One : never;
