import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { checkPlan } from '../testing/checkPlan';
import { randomBuild } from '../testing/randomBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { toWallTime } from '../time/wallTime';
import type { Board } from './board';
import { goAlong, takeOut } from './cuts';
import { decodeBoard } from './decode';
import { planningGround } from './ground';
import { planBuild } from './planBuild';
import { slackSequence } from './priority';
import { Reinserter } from './reinsert';
import { compareScores, scoreOf } from './score';
import { longestWait } from './timeline';

/** A plan of a made-up build, ready to be improved. */
function begun(seed: number, log: 'nothing logged' | 'half logged' = 'nothing logged') {
  const build = randomBuild(seed, {
    pieces: 3 + (seed % 4),
    steps: 3 + (seed % 4),
    people: 1 + (seed % 2),
    slots: 1 + (seed % 3),
    quiet: seed % 2 === 0,
  });
  if (log === 'half logged') {
    const plan = planBuild(build, { latestStarts: false });
    const placed = plan.operations
      .filter((operation) => operation.laidAt !== undefined)
      .sort((a, b) => a.laidAt! - b.laidAt!);
    build.log = placed.slice(0, Math.floor(placed.length / 2)).map((operation) => ({
      id: operation.id,
      piece: operation.pieceId,
      unit: operation.unit,
      step: operation.stepId,
      coat: operation.coat,
      ...(operation.face ? { face: operation.face } : {}),
      doneAt: toWallTime(operation.laidAt!, build.timeZone),
    }));
  }
  const ground = planningGround(build);
  const now = Math.max(ground.startAt, ground.log.at(-1)?.doneAt ?? 0);
  const { board } = decodeBoard(ground, slackSequence(ground), { now });
  const generator = xoroshiro128plus(seed);
  const draw = (below: number) => Math.floor(uniformFloat64(generator) * below);
  return { build, ground, now, board, draw, reinserter: new Reinserter(ground, board, now) };
}

/** What is wrong with how passes share set-ups on a board: each has to know the one before and the one behind it. */
const brokenLinks = (board: Board): string[] =>
  board.sessions().flatMap((session) =>
    session.flatMap((one, at) => {
      const { joined, joinedBy, operation } = one;
      const faults = [
        joinedBy && joinedBy.joined !== one && 'is not known to the one behind',
        joined && joined.joinedBy !== one && 'is not known to the one before',
        joinedBy && (joinedBy !== session[at + 1] || one.end !== joinedBy.start) && 'does not go on into it',
        joined && one.start !== operation.laidAt! - operation.workMinutes && 'has a set-up all the same',
        joined && one.start - joined.operation.laidAt! > longestWait(operation) && 'waits too long',
      ];
      return faults.flatMap((fault) => (fault ? [`${operation.id} ${fault}`] : []));
    }),
  );

describe('Reinserter', () => {
  it.each(['nothing logged', 'half logged'] as const)(
    'keeps scores that are those of its plans reckoned anew, and the best it came to, with %s',
    (log) => {
      let left = 0;
      for (let seed = 300; seed < 316; seed += 1) {
        const { ground, now, board, draw, reinserter } = begun(seed, log);
        const reckoned = (plan: ReturnType<Board['copy']>) => scoreOf(ground, { ...plan, lessons: [] }, now);
        for (let tries = 0; tries < 60; tries += 1) {
          const before = reinserter.best;
          const better = reinserter.try(draw);
          const { best, score } = reinserter;
          expect(compareScores(best, before) < 0).toBe(better);
          expect(compareScores(best, before)).toBeLessThanOrEqual(0);
          expect([seed, tries, score]).toEqual([seed, tries, reckoned(board.copy())]);
          expect([seed, tries, best]).toEqual([seed, tries, reckoned(reinserter.copy())]);
          // The plan at hand is never late for the sake of trying, and has one session or set-up more at most.
          expect(score[0] === best[0] && score[1] <= best[1] && score[2] <= best[2] + 1).toBe(true);
          if (compareScores(score, best) > 0) left += 1;
          expect([seed, tries, brokenLinks(board)]).toEqual([seed, tries, []]);
        }
      }
      expect(left).toBeGreaterThan(20);
    },
  );

  it('makes plans that a validator of its own finds sound', () => {
    for (let seed = 330; seed < 360; seed += 1) {
      const { build, draw, reinserter, ground, now } = begun(seed);
      for (let tries = 0; tries < 60; tries += 1) reinserter.try(draw);
      const { operations, units } = reinserter.copy();
      // The validator takes a whole plan; what it looks at are the passes, their times and the present.
      const plan = {
        ...planBuild(build, { latestStarts: false, now }),
        operations,
        units,
        ground,
      };
      expect([seed, checkPlan(build, plan)]).toEqual([seed, []]);
    }
  });

  it('puts back exactly what it took out', () => {
    for (let seed = 360; seed < 380; seed += 1) {
      const { ground, board } = begun(seed, seed % 2 ? 'half logged' : 'nothing logged');
      const moments = () => JSON.stringify(board.copy().operations);
      const racks = () => JSON.stringify(ground.build.places.map((place) => board.rackOf(place.id)));
      const before = [moments(), racks(), board.tally()];
      for (const key of ground.byUnit.keys()) {
        const putBack = takeOut(board, goAlong(board, new Map([[key, -Infinity]])));
        board.placeAll([...ground.byId.keys()].reverse());
        expect([seed, key, brokenLinks(board)]).toEqual([seed, key, []]);
        putBack();
        expect([seed, key, moments(), racks(), board.tally()]).toEqual([seed, key, ...before]);
        expect([seed, key, brokenLinks(board)]).toEqual([seed, key, []]);
      }
    }
  });

  it('lets a batch close up when one in the middle goes, and open again for it', () => {
    const build = sampleBuild({
      pieces: [samplePiece({ quantity: 5 }, [{ id: 's', kind: 'seal', material: 'craft-acrylic' }])],
    });
    const ground = planningGround(build);
    const { board } = decodeBoard(ground, [...ground.byId.keys()], { now: ground.startAt });
    const batches = () => board.batches().map((batch) => batch.map(({ operation }) => operation.unit));
    expect(batches()).toEqual([[1, 2, 3, 4, 5]]);
    const before = JSON.stringify(board.copy().operations);
    // The fourth waits the two minutes that the third would have taken, which is less than cleaning up and setting up.
    const cuts = goAlong(board, new Map([['plate/3', -Infinity]]));
    expect([...cuts.keys()]).toEqual(['plate/3']);
    takeOut(board, cuts);
    expect([batches(), brokenLinks(board)]).toEqual([[[1, 2, 4, 5]], []]);
    board.placeAll(ground.byId.keys());
    expect([batches(), brokenLinks(board)]).toEqual([[[1, 2, 3, 4, 5]], []]);
    expect(JSON.stringify(board.copy().operations)).toBe(before);
  });

  it('gives what shared a set-up one of its own when the first of a batch is taken out', () => {
    // Found by looking: in some of these builds a batch of two units begins with one that can go.
    let seen = 0;
    for (let seed = 380; seed < 420; seed += 1) {
      const { board } = begun(seed);
      for (const session of board.sessions()) {
        const first = session.find((one) => !one.joined && one.joinedBy);
        if (!first) continue;
        const key = `${first.operation.pieceId}/${first.operation.unit}`;
        const next = first.joinedBy!;
        const cuts = goAlong(board, new Map([[key, -Infinity]]));
        if (cuts.has(`${next.operation.pieceId}/${next.operation.unit}`)) continue;
        const { laidAt, workMinutes, setUpMinutes } = next.operation;
        expect(next.start).toBe(laidAt! - workMinutes);
        const putBack = takeOut(board, cuts);
        expect(next.start).toBe(laidAt! - workMinutes - setUpMinutes);
        expect(next.operation.laidAt).toBe(laidAt);
        putBack();
        seen += 1;
        break;
      }
    }
    expect(seen).toBeGreaterThan(5);
  });
});
