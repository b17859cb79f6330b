import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { filmGrades } from '../model/filmGrades';
import type { Build, LogEntry, TouchTest } from '../model/schema';
import { passOfId } from '../model/stepSpots';
import { toWallTime, type EpochMinute } from '../model/wallTime';
import { planBuild } from '../schedule/answers/planBuild';

/** What may be laid in place of what was planned, as somebody with another tin in hand would. */
const otherTins: Readonly<Record<string, string>> = {
  'pva-flex-primer': 'rubber-dip-spray',
  'rubber-dip-spray': 'pva-flex-primer',
  'craft-acrylic': 'artist-acrylic',
  'acrylic-pu-primer-black': 'alkyd-flat-spray',
};

/**
 * A build some way on: the first part of its plan was done, now and then with another tin, film or place, some of it failed, some
 * coats were felt, and fans and warm air are about. The same for the same seed.
 */
export function withHistory(build: Build, seed: number): { build: Build; now: EpochMinute } {
  const generator = xoroshiro128plus(seed * 104_729 + 7);
  for (let n = 0; n < 24; n += 1) uniformFloat64(generator);
  const random = (below: number) => Math.floor(uniformFloat64(generator) * below);
  const aided: Build = {
    ...build,
    pieces: build.pieces.map((piece) => ({
      ...piece,
      steps: piece.steps.map((step) =>
        random(4) === 0 ? { ...step, air: random(2) === 0 ? ('fan' as const) : ('warm' as const) } : step,
      ),
    })),
  };
  const plan = planBuild(aided, { latestStarts: false });
  const passes = plan.operations
    .filter(({ status, laidAt }) => status === 'planned' && laidAt !== undefined)
    .sort((a, b) => a.laidAt! - b.laidAt!);
  const done = passes.slice(0, random(passes.length + 1));
  const wall = (minute: EpochMinute) => toWallTime(minute, build.timeZone);
  const log = done.map((pass, n): LogEntry => {
    const tin = otherTins[pass.material?.id ?? ''];
    return {
      id: `l${n}`,
      ...passOfId(pass.id)!,
      doneAt: wall(pass.laidAt!),
      ...(pass.material && random(3) === 0 ? { film: filmGrades[random(filmGrades.length)]! } : {}),
      ...(tin && random(4) === 0 ? { material: tin } : {}),
      ...(random(5) === 0 ? { place: build.places[random(build.places.length)]!.id } : {}),
      ...(pass.material && random(9) === 0 ? { outcome: 'failed' as const } : {}),
    };
  });
  const touchTests = done.flatMap((pass, n): TouchTest[] =>
    pass.material && random(2) === 0
      ? [
          {
            id: `t${n}`,
            piece: pass.pieceId,
            unit: pass.unit,
            step: pass.stepId,
            at: wall(pass.laidAt! + 1 + random(90)),
            state: random(2) === 0 ? 'dry' : 'tacky',
          },
        ]
      : [],
  );
  return {
    build: { ...aided, log, touchTests },
    now: (done.at(-1)?.laidAt ?? plan.now) + random(400),
  };
}
