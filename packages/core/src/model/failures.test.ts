import { describe, expect, it } from '@jest/globals';
import { epochMinute } from './wallTime';
import { failureCauses, failureTable } from './failures';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';

describe('a coat that failed', () => {
  it('takes as much longer as what is done first', () => {
    const steps = [
      { id: 'base', kind: 'base' as const, material: 'craft-acrylic', method: 'brush' as const },
    ];
    const minutes = (cause?: (typeof failureCauses)[number]) => {
      const log = [
        {
          id: 'a',
          piece: 'plate',
          unit: 1,
          step: 'base',
          coat: 1,
          face: 'outer' as const,
          doneAt: '2027-02-15T09:00',
          outcome: 'failed' as const,
          ...(cause ? { cause } : {}),
        },
      ];
      const build = sampleBuild({
        pieces: [samplePiece({}, steps)],
        ...(cause === undefined ? {} : { log }),
      });
      const [pass] = planBuild(build, {
        now: epochMinute('2027-02-15T09:00', 'UTC'),
        latestStarts: false,
      }).operations;
      return pass!.workMinutes;
    };
    const usual = minutes();
    // Docs, "When a coat fails": 10, 10, 15, 20, 30, 5, 10 and 10 minutes more.
    expect(failureCauses.map((cause) => minutes(cause) - usual)).toEqual([10, 10, 15, 20, 30, 5, 10, 10]);
  });

  it('says what is done first, in whole sentences', () => {
    for (const { first, word } of Object.values(failureTable)) {
      expect(first).toMatch(/^[A-Z].*\.$/);
      expect(word).toMatch(/^[a-z]/);
    }
  });
});
