import type { Build, LogEntry } from '../model/schema';
import { facesOf } from '../model/stepSpots';

/**
 * A build with so many of its first passes logged, one a minute from its start, or as many as it has. For measuring only: nobody
 * works so.
 */
export function withLongLog(build: Build, entries: number): Build {
  const start = Date.parse(`${build.start}:00Z`);
  const log = build.pieces
    .flatMap((piece) =>
      Array.from({ length: piece.quantity }, (_, unit) =>
        piece.steps.flatMap((step) =>
          Array.from({ length: step.coats ?? 1 }, (_, coat) =>
            (step.material === undefined ? [undefined] : facesOf(step)).map((face) => ({
              piece: piece.id,
              unit: unit + 1,
              step: step.id,
              coat: coat + 1,
              ...(face === undefined ? {} : { face }),
            })),
          ),
        ),
      ),
    )
    .flat(3)
    .slice(0, entries)
    .map((spot, n): LogEntry => ({
      ...spot,
      id: `entry-${n}`,
      doneAt: new Date(start + n * 60_000).toISOString().slice(0, 16),
    }));
  return { ...build, log };
}
