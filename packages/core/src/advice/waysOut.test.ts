import fc from 'fast-check';
import { applyPatch } from '../materials/applyPatch';
import { parseBuild } from '../materials/parseBuild';
import type { Build, Step } from '../model/schema';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { checkBuild } from './checkBuild';
import { judgeBuild } from './judgeBuild';
import { searchWaysOut } from './waysOut';

const make = (steps: Step[], bends = false): Build => {
  const build = sampleBuild({
    pieces: [
      samplePiece(
        {
          substrate: { kind: 'eva-foam', thicknessMm: 5, heatSealed: true },
          ...(bends ? { flex: [{ name: 'side', bendRadiusMm: 45 }] } : {}),
        },
        steps,
      ),
    ],
  });
  build.places[0]!.ventilation = 'extraction';
  return build;
};
const dip: Step = { id: 'dip', kind: 'seal', material: 'rubber-dip-spray', film: 'light' };
const enamel: Step = { id: 'enamel', kind: 'base', material: 'hobby-enamel', film: 'light' };

const ways = (build: Build, rule: string) => {
  const plan = planBuild(build, { latestStarts: false });
  const finding = judgeBuild(build, plan).find((one) => one.rule === rule)!;
  return { finding, plan, ...searchWaysOut(build, finding, plan) };
};

describe('searchWaysOut', () => {
  it('tries no change that makes steps wait for each other in a circle, and finds the ways that do not', () => {
    const build = make([
      { id: 'base', kind: 'base', material: 'craft-acrylic' },
      { id: 'lens', kind: 'attach', attaches: 'lens', after: ['base'] },
      { id: 'join', kind: 'join', parts: ['fin'], after: ['lens', 'fin/seal'] },
      { id: 'clear', kind: 'topcoat', material: 'matte-varnish' },
    ]);
    build.pieces.push(
      samplePiece({ id: 'fin', name: 'Fin' }, [{ id: 'seal', kind: 'seal', material: 'pva-flex-primer' }]),
    );
    const plan = planBuild(build, { latestStarts: false });
    const findings = judgeBuild(build, plan).filter(({ severity }) => severity !== 'note');
    // "Put it on after the varnish" moves the lens behind the join that waits for it.
    expect(findings.map(({ rule }) => rule)).toContain('R31');
    for (const finding of findings) {
      const { waysOut } = searchWaysOut(build, finding, plan);
      for (const { change } of waysOut) expect(applyPatch(build, change).ok).toBe(true);
    }
    expect(checkBuild(build, plan).length).toBeGreaterThan(0);
  });

  it('drops a change that can’t be planned; the finding and the other ways stay', () => {
    const build = make([dip, enamel]);
    const plan = planBuild(build, { latestStarts: false });
    const finding = judgeBuild(build, plan).find((one) => one.rule === 'R04')!;
    const known = searchWaysOut(build, finding, plan).waysOut.length;
    // A change of shape that no rule and no planner can read.
    const broken = {
      label: 'Broken',
      change: [{ op: 'add' as const, path: '/pieces/0/steps/1/faces', value: 5 }],
    };
    const withBroken = searchWaysOut(build, { ...finding, ideas: [broken, ...finding.ideas] }, plan);
    expect(withBroken.waysOut.map(({ label }) => label)).not.toContain('Broken');
    expect(withBroken.waysOut).toHaveLength(known);
  });

  it('offers a barrier and another paint for enamel on rubber dip, each with its cost', () => {
    const { waysOut } = ways(make([dip, enamel]), 'R04');
    expect(waysOut.length).toBeGreaterThan(1);
    const labels = waysOut.map((way) => way.label).join('; ');
    expect(labels).toMatch(/primer between them|primer first/i);
    for (const way of waysOut) {
      expect(way.laterMinutes).toEqual(expect.any(Number));
      expect(['same', 'slight', 'other']).toContain(way.look);
    }
    // The primer that the rule names and the one that is tried for anything are one and the same button.
    expect(
      waysOut.filter((way) => /grey acrylic-urethane|^Acrylic-urethane primer between/i.test(way.label)),
    ).toHaveLength(1);
    // A primer under the enamel is not seen, and is not on this shelf.
    const barrier = waysOut.find((way) => /primer/i.test(way.label))!;
    expect(barrier.look).toBe('same');
    expect(barrier.buys.join()).toMatch(/primer/i);
    expect(barrier.extraMl).toBeGreaterThan(0);
  });

  it('puts what costs less first: nothing bought, no time lost, the same look', () => {
    const { waysOut } = ways(
      make([dip, { ...enamel, material: 'metallic-lacquer-spray', film: 'normal' }]),
      'R05',
    );
    // The scale of the search: a day 1, a purchase 0.5, 50 ml 0.1, a slight change of look 0.5, another look 10, a risk 2, and 3
    // for what is not the cure that R05 names itself.
    const cures = ['Dust coats only', 'A flexible primer between them'];
    const look = { same: 0, slight: 0.5, other: 10 };
    const costs = waysOut.map(
      (way) =>
        Math.max(0, way.laterMinutes ?? 0) / 1440 +
        way.buys.length * 0.5 +
        Math.max(0, way.extraMl) * 0.002 +
        look[way.look] +
        (cures.includes(way.label) ? 0 : 3) +
        way.newRisks.length * 2 +
        way.makesLate.length * 5,
    );
    expect(costs.length).toBeGreaterThan(1);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });

  it('leaves notes alone, and says so of what is done already', () => {
    const build = make([dip, enamel]);
    build.log = [
      { id: 'a', piece: 'plate', unit: 1, step: 'dip', coat: 1, face: 'outer', doneAt: '2027-02-15T09:00' },
      {
        id: 'b',
        piece: 'plate',
        unit: 1,
        step: 'enamel',
        coat: 1,
        face: 'outer',
        doneAt: '2027-02-15T19:00',
      },
    ];
    expect(ways(build, 'R04')).toMatchObject({
      waysOut: [],
      noWayOut: expect.stringContaining('done already'),
    });
    const plan = planBuild(build, { latestStarts: false });
    const note = { ...judgeBuild(build, plan)[0]!, severity: 'note' as const };
    expect(searchWaysOut(build, note, plan)).toEqual({ waysOut: [] });
  });

  it('puts nothing before what is done already, where it would only be passed over', () => {
    const seal: Step = { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' };
    const steps: Step[] = [{ id: 'prep', kind: 'prep' }, { id: 'heat', kind: 'heat-seal' }, seal];
    const damp = (log: Build['log']): Build => {
      const build = { ...make(steps), log };
      build.places[0]!.climate = { kind: 'constant', temperatureC: 20, humidityPct: 78 };
      return build;
    };
    const done = ['prep', 'heat'].map((step) => ({
      id: step,
      piece: 'plate',
      unit: 1,
      step,
      coat: 1,
      doneAt: '2027-02-15T07:00',
    }));
    const { waysOut, finding } = ways(damp(done), 'R34');
    expect(finding.message).toContain('78 % humidity is above the 75 % it stands. Heated to ');
    expect(waysOut.filter(({ label }) => / before (Prep|Heat-seal)$/.test(label))).toEqual([]);
  });

  it('says how many changes were tried and what stood against them when none helps', () => {
    // Heat is never put on PVC, and this piece has no step that could be left out for it: the rule is about a fact that
    // no change of steps alters.
    const build = make([dip, enamel]);
    const plan = planBuild(build, { latestStarts: false });
    const finding = { ...judgeBuild(build, plan).find((one) => one.rule === 'R04')!, rule: 'R99', ideas: [] };
    const { waysOut, noWayOut } = searchWaysOut(build, finding, plan);
    expect(waysOut).toEqual([]);
    expect(noWayOut).toMatch(
      /^\d+ changes were tried .*none helps; mostly because the same trouble stays\.$/,
    );
  });

  it('is what checkBuild gives with every finding', () => {
    const [finding] = checkBuild(make([dip, enamel]));
    expect(finding!.waysOut.length).toBeGreaterThan(0);
    expect('ideas' in finding!).toBe(false);
  });

  const layers: Step[] = [
    { id: '', kind: 'seal', material: 'rubber-dip-spray' },
    { id: '', kind: 'seal', material: 'pva-flex-primer' },
    { id: '', kind: 'seal', material: 'pva-thinned' },
    { id: '', kind: 'prime', material: 'alkyd-flat-spray' },
    { id: '', kind: 'base', material: 'craft-acrylic', colour: '#8a6f3b' },
    { id: '', kind: 'base', material: 'metallic-lacquer-spray', colour: '#8a6f3b' },
    { id: '', kind: 'detail', material: 'alcohol-marker' },
    { id: '', kind: 'weather', material: 'graphite-powder' },
    { id: '', kind: 'weather', material: 'acrylic-wash' },
    { id: '', kind: 'topcoat', material: 'matte-clear-spray' },
    { id: '', kind: 'topcoat', material: 'matte-varnish' },
  ];
  const anyStack = fc
    .array(
      fc.record({
        layer: fc.constantFrom(...layers),
        film: fc.constantFrom('dust', 'light', 'normal', 'heavy'),
      }),
      { minLength: 2, maxLength: 4 },
    )
    .map((list) => list.map(({ layer, film }, at): Step => ({ ...layer, film: film, id: `s${at}` })));

  it('never offers what leaves its finding or brings a new stop', () => {
    let tried = 0;
    fc.assert(
      fc.property(anyStack, fc.boolean(), (steps, bends) => {
        const build = make(steps, bends);
        const plan = planBuild(build, { latestStarts: false });
        const before = judgeBuild(build, plan);
        const stops = new Set(
          before.filter((one) => one.severity === 'stop').map((one) => `${one.rule} ${one.step}`),
        );
        const finding = before.find((one) => one.severity !== 'note');
        if (!finding) return;
        for (const way of searchWaysOut(build, finding, plan).waysOut) {
          tried += 1;
          const applied = applyPatch(build, way.change);
          if (!applied.ok) throw new Error('the patch does not fit');
          expect(parseBuild(applied.value).ok).toBe(true);
          const after = judgeBuild(
            applied.value,
            planBuild(applied.value, { now: plan.now, latestStarts: false }),
          );
          expect(
            after.filter(
              (one) =>
                one.rule === finding.rule &&
                one.step === finding.step &&
                one.below === finding.below &&
                one.severity !== 'note',
            ),
          ).toEqual([]);
          expect(
            after
              .filter((one) => one.severity === 'stop')
              .map((one) => `${one.rule} ${one.step}`)
              .filter((key) => !stops.has(key)),
          ).toEqual([]);
        }
      }),
      { numRuns: 25, seed: 7 },
    );
    expect(tried).toBeGreaterThan(10);
  });
});
