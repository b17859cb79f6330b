import type { Fault } from './fault';
import { facesOf, unitsOf } from './stepSpots';
import type { Build } from './schema';

/** More passes than this take minutes to plan and gigabytes to hold; a thousand pieces of seventeen passes are well below. */
export const MOST_PASSES = 30_000;
/** A date further off than this from the start is a slip of the pen, and would be planned towards day by day. */
export const MOST_YEARS = 10;

/** The passes of a build: every step times its coats, faces and units. */
export const passesIn = (build: Build): number =>
  build.pieces.reduce(
    (sum, piece) =>
      sum +
      piece.steps.reduce(
        (own, step) =>
          own +
          unitsOf(piece, step).length *
            (step.material === undefined ? 1 : (step.coats ?? 1) * facesOf(step).length),
        0,
      ),
    0,
  );

const yearOf = (wall: string): number => Number(wall.slice(0, 4));

/** What of a build is more than can be planned, with what it comes to. Files that hold it open all the same. */
export function tooMuch(build: Build): Fault[] {
  const passes = passesIn(build);
  return [
    ...(passes > MOST_PASSES
      ? [
          {
            code: 'too-much',
            path: ['pieces'],
            message: `that makes ${passes} coats and tasks, and at most ${MOST_PASSES} can be planned; take fewer pieces, units or steps`,
          },
        ]
      : []),
    ...build.events.flatMap((event, at) =>
      (['packAt', 'wearAt'] as const).flatMap((key) => {
        const wall = event[key];
        return wall !== undefined && yearOf(wall) - yearOf(build.start) > MOST_YEARS
          ? [
              {
                code: 'too-far',
                path: ['events', at, key],
                message: `that is more than ${MOST_YEARS} years after the build begins; look at the year`,
              },
            ]
          : [];
      }),
    ),
  ];
}
