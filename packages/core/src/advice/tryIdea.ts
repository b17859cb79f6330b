import { aroundOf } from '../schedule/plan/workload';
import type { PatchStep } from '../model/patch';
import type { Build, Piece } from '../model/schema';
import { stepsBefore } from '../model/stepLinks';
import { planBuild } from '../schedule/answers/planBuild';
import type { RuleFinding } from './finding';
import { judgeBuild } from './judgeBuild';
import type { Plan } from '../schedule/answers/plan';

/** A piece with those its steps are linked to, which is all that its verdicts can depend on but for other people's time. */
export function aloneWith(build: Build, piece: Piece): Build {
  const linked = new Set([piece.id]);
  for (let grown = true; grown;) {
    grown = false;
    for (const one of build.pieces) {
      const others = one.steps.flatMap((_, at) =>
        stepsBefore(build.pieces, one, at).map((link) => link.piece),
      );
      const parts = one.steps.flatMap((step) => step.parts ?? []);
      const near = [...others, ...parts, ...(one.mirrors ? [one.mirrors] : [])];
      const touches = linked.has(one.id) || near.some((id) => linked.has(id));
      if (!touches) continue;
      for (const id of [one.id, ...near])
        if (!linked.has(id)) {
          linked.add(id);
          grown = true;
        }
    }
  }
  const keep = (id: string) => linked.has(id);
  return {
    ...build,
    pieces: build.pieces.filter((one) => keep(one.id)),
    log: (build.log ?? []).filter((entry) => keep(entry.piece)),
    underway: (build.underway ?? []).filter((pass) => keep(pass.piece)),
  };
}

export const judgedAlone = (build: Build, { now, workload }: Plan): RuleFinding[] =>
  judgeBuild(build, planBuild(build, { now, ...aroundOf(workload), latestStarts: false }));

/** A change of the whole build, pointed at a build of the linked pieces alone: those stand elsewhere in its list. */
export function changeAlone(build: Build, alone: Build, change: readonly PatchStep[]): PatchStep[] {
  const places = new Map(
    alone.pieces.map(({ id }, at) => [String(build.pieces.findIndex((one) => one.id === id)), at]),
  );
  const pointed = (path: string) =>
    path.replace(/^\/pieces\/(\d+)/, (whole, at: string) => {
      const place = places.get(at);
      return place === undefined ? whole : `/pieces/${place}`;
    });
  return change.map((step) => ({
    ...step,
    path: pointed(step.path),
    ...('from' in step ? { from: pointed(step.from) } : {}),
  }));
}

const keyOf = (finding: RuleFinding): string => `${finding.piece} ${finding.rule} ${finding.step ?? ''}`;

/** Rules that speak after a change about steps they did not speak about before. */
export function newOf(
  before: readonly RuleFinding[],
  after: readonly RuleFinding[],
  severity: 'stop' | 'risk',
): string[] {
  // What was a risk and is a stop now is new; what was a stop and is a risk now is not.
  const known = new Set(
    before.filter((one) => one.severity === severity || one.severity === 'stop').map(keyOf),
  );
  return [
    ...new Set(
      after.filter((one) => one.severity === severity && !known.has(keyOf(one))).map((one) => one.rule),
    ),
  ];
}

/** Why a change is no way out: it leaves the finding, or brings a stop; undefined when it holds. */
export function obstacleOf(
  finding: RuleFinding,
  before: readonly RuleFinding[],
  after: readonly RuleFinding[],
): string | undefined {
  const same = (list: readonly RuleFinding[]) =>
    list.filter((one) => one.piece === finding.piece && one.rule === finding.rule && one.severity !== 'note');
  const stays = same(after).some((one) => one.step === finding.step && one.below === finding.below);
  if (stays || same(after).length >= same(before).length) return 'the same trouble stays';
  const stops = newOf(before, after, 'stop');
  return stops.length > 0 ? `something else then stands against it (${stops.join(', ')})` : undefined;
}
