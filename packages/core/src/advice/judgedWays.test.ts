import { planBuild } from '../schedule/answers/planBuild';
import { judgedWays } from '../testing/judgedWays';
import { waysCases } from '../testing/waysCases';
import { judgeBuild } from './judgeBuild';
import { searchWaysOut } from './waysOut';

const keyOf = ([build, rule, where]: readonly [string, string, string, ...unknown[]]) =>
  [build, rule, where].join(' | ');

describe('ways that are ranked first', () => {
  const judged = new Map(judgedWays.map((one) => [keyOf(one), one]));

  it('are at least 280, judged one by one, and at least 97 % of them are good craft', () => {
    expect(judged.size).toBeGreaterThanOrEqual(280);
    const good = judgedWays.filter(([, , , , isGood]) => isGood).length;
    expect(good / judgedWays.length).toBeGreaterThanOrEqual(0.97);
  });

  it('are still those that were judged', () => {
    const builds = new Set(judgedWays.map(([build]) => build));
    const found = waysCases()
      .filter(([name]) => builds.has(name))
      .flatMap(([name, build]) => {
        const plan = planBuild(build, { latestStarts: false });
        return judgeBuild(build, plan).flatMap((finding): [string, string][] => {
          const key = keyOf([name, finding.rule, finding.where ?? '']);
          if (!judged.has(key) || finding.severity === 'note') return [];
          return [[key, searchWaysOut(build, finding, plan).waysOut[0]?.label ?? 'none']];
        });
      });
    const expected = [...judged].map(([key, [, , , way]]): [string, string] => [key, way]);
    expect(new Map(found)).toEqual(new Map(expected));
  });
});
