import { describe, expect, it } from '@jest/globals';
import type { LogEntry } from '../model/schema';
import { closedBuild, packedAsItIs } from '../model/closedBuild';
import { epochMinute } from '../model/wallTime';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { closingRound } from './closingRound';

const entry = (step: string, coat: number, more: Partial<LogEntry>): LogEntry => ({
  id: `${step}${coat}`,
  piece: 'plate',
  unit: 1,
  step,
  coat,
  face: 'outer',
  doneAt: '2027-02-15T19:00',
  ...more,
});
const pieces = [
  samplePiece({}, [
    { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2, minutes: 20 },
    { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush', minutes: 30 },
  ]),
];
const log = [
  // Timed: 25 min; pressed late: 1 min of 20, which says nothing.
  entry('seal', 1, { startedAt: '2027-02-15T18:35', used: [{ ml: 12, bookMl: 10 }] }),
  entry('seal', 2, {
    doneAt: '2027-02-16T19:00',
    startedAt: '2027-02-16T18:59',
    used: [{ ml: 9, bookMl: 10 }],
  }),
];
const build = sampleBuild({ pieces, log });
const now = epochMinute('2027-02-17T08:00', 'UTC');
const operationsOf = (of: typeof build) => planBuild(of, { now, latestStarts: false }).operations;

describe('a closing round', () => {
  it('says what is unfinished, how long it took and what it took', () => {
    expect(closingRound(build, operationsOf(build))).toEqual({
      unfinished: [{ pieceId: 'plate', name: 'Plate', done: 2, of: 3 }],
      passes: 2,
      reckonedMinutes: 40,
      // 25 as timed, and 20 as reckoned.
      realMinutes: 45,
      timed: 1,
      days: 2,
      materials: [{ materialId: 'pva-flex-primer', name: 'Flexible PVA foam primer', ml: 21, bookMl: 20 }],
    });
  });
});

describe('what is packed', () => {
  it('is planned no more, and goes on when it is taken out again', () => {
    const packed = { ...build, pieces: [{ ...pieces[0]!, packedAt: '2027-02-17T08:00' }] };
    expect(operationsOf(packed).map(({ status }) => status)).toEqual(['done', 'done', 'skipped']);
    expect(operationsOf(build).map(({ status }) => status)).toEqual(['done', 'done', 'planned']);
    expect(operationsOf(closedBuild(build, '2027-02-17T08:00')).map(({ status }) => status)).toEqual([
      'done',
      'done',
      'skipped',
    ]);
  });

  it('keeps what is done of it, and drops the rest where that is wanted', () => {
    const [plate] = pieces;
    const begun = new Set(['seal']);
    const asItIs = packedAsItIs(plate!, '2027-02-17T08:00', begun, new Set(['seal', 'base']));
    expect(asItIs.steps).toEqual([{ ...plate!.steps[0]!, ended: true }]);
    expect(packedAsItIs(plate!, '2027-02-17T08:00', begun, new Set(['base'])).steps).toEqual([
      plate!.steps[0],
    ]);
  });

  it('with nothing done on it is finished when it was packed', () => {
    const bare = { ...build, log: [], pieces: [{ ...pieces[0]!, packedAt: '2027-02-17T08:00' }] };
    const [state] = planBuild(bare, { now, latestStarts: false }).pieces;
    expect(state).toMatchObject({ finishedAt: now, readiness: 'ready' });
  });
});
