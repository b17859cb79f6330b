import type { Build, Piece, Step } from '../model/schema';
import { planBuild } from '../schedule/answers/planBuild';
import { bad, good } from '../testing/recipes';
import { plate } from '../testing/ruleCases';
import { judgeBuild } from './judgeBuild';

const verdicts = (steps: Step[], piece: Partial<Piece> = {}, build: Partial<Build> = {}) => {
  const made = plate(steps, piece, build);
  return judgeBuild(made, planBuild(made, { latestStarts: false })).map(
    ({ severity, rule, where }) => `${severity} ${rule} at ${where}`,
  );
};

describe('recipes that went well', () => {
  it('are 45 at least', () => expect(good.length).toBeGreaterThanOrEqual(45));
  it.each(good.map(([what, steps, piece = {}]) => [what, steps, piece] as const))(
    '%s: no stop',
    (_what, steps, piece) => {
      expect(verdicts(steps, piece).filter((line) => line.startsWith('stop'))).toEqual([]);
    },
  );
  it('carry no risk either', () => {
    const risks = good.flatMap(([what, steps, piece]) =>
      verdicts(steps, piece).flatMap((line) => (line.startsWith('risk') ? [`${what}: ${line}`] : [])),
    );
    expect(risks).toEqual([]);
  });
});

describe('what went wrong', () => {
  it('is 45 cases at least', () => expect(bad.length).toBeGreaterThanOrEqual(45));
  it.each(bad.map(([what, steps, piece = {}, build = {}]) => [what, steps, piece, build] as const))(
    '%s: at least a risk',
    (_what, steps, piece, build) => {
      expect(verdicts(steps, piece, build).filter((line) => !line.startsWith('note'))).not.toEqual([]);
    },
  );
});
