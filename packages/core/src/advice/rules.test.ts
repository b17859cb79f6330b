import type { Method } from '../model/methods';
import type { Build, LogEntry, Piece, Step } from '../model/schema';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { judgeBuild } from './judgeBuild';

const seal: Step = { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' };
const paint: Step = { id: 'paint', kind: 'base', material: 'craft-acrylic', method: 'brush' };
const alkyd = (id: string): Step => ({ id, kind: 'prime', material: 'alkyd-flat-spray', method: 'aerosol' });
const texture: Step = { id: 'texture', kind: 'texture', method: 'stamp' };
const heat: Step = { id: 'heat', kind: 'heat-seal', method: 'hot-air' };
const entry = (step: string, doneAt: string, changes: Partial<LogEntry> = {}): LogEntry => ({
  id: `${step} ${doneAt}`,
  piece: 'plate',
  unit: 1,
  step,
  coat: 1,
  face: 'outer',
  doneAt,
  ...changes,
});

/** A build with one plate, in a room with extraction so that spraying is no matter here. */
const build = (steps: Step[], log: LogEntry[] = [], piece: Partial<Piece> = {}): Build => {
  const made = sampleBuild({ pieces: [samplePiece(piece, steps)], log });
  made.places[0]!.ventilation = 'extraction';
  return made;
};
const air = (temperatureC: number, humidityPct: number, steps: Step[] = [seal]): Build => {
  const made = build(steps);
  made.places[0]!.climate = { kind: 'constant', temperatureC, humidityPct };
  return made;
};
// Bare paint without a clear or a colour, and smooth plastic, are told by rules of their own (moreRules.test.ts).
const aside = new Set(['O12', 'R47', 'R71', 'R72', 'O10']);
const found = (one: Build) =>
  judgeBuild(one)
    .filter(({ rule }) => !aside.has(rule))
    .map((finding) => `${finding.rule} ${finding.severity} ${finding.step}`);

// [what, build, findings] with a near miss that stays silent for each that fires.
const cases: [string, Build, string[]][] = [
  ['R03: paint on bare foam', build([paint]), ['R03 risk paint']],
  ['R03 near: a sealer under it', build([seal, paint]), []],
  [
    'R03 near: thermoplastic has no pores',
    build([paint], [], { substrate: { kind: 'thermoplastic-sheet', thicknessMm: 2 } }),
    [],
  ],
  [
    'R03: sealed on the other face only',
    build([{ ...seal, faces: ['inner'] }, paint], [], {
      faces: { outer: { areaCm2: 9 }, inner: { areaCm2: 9 } },
    }),
    ['R03 risk paint'],
  ],
  // Alkyd is open 15 to 60 min after laying, and again from 2880 min.
  [
    'R07: alkyd recoated after two hours',
    build(
      [seal, alkyd('a'), alkyd('b')],
      [entry('seal', '2027-02-15T09:00'), entry('a', '2027-02-16T10:00'), entry('b', '2027-02-16T12:00')],
    ),
    ['R07 stop b'],
  ],
  [
    'R07 near: within the hour',
    build(
      [seal, alkyd('a'), alkyd('b')],
      [entry('seal', '2027-02-15T09:00'), entry('a', '2027-02-16T10:00'), entry('b', '2027-02-16T10:55')],
    ),
    [],
  ],
  [
    'R07 near: after two days',
    build(
      [seal, alkyd('a'), alkyd('b')],
      [entry('seal', '2027-02-15T09:00'), entry('a', '2027-02-16T10:00'), entry('b', '2027-02-18T10:01')],
    ),
    [],
  ],
  // A promoter takes the next coat only 5 to 30 min after: an acrylic that takes 60 min to lay can't be placed.
  [
    'R07: a window too short for the work',
    build([
      seal,
      { id: 'p', kind: 'prime', material: 'adhesion-promoter', film: 'light' },
      { ...paint, minutes: 60 },
    ]),
    ['R07 stop paint'],
  ],
  // PVA foam primer is recoatable after 45 min.
  [
    'R08: recoated after 30 min',
    build([seal, paint], [entry('seal', '2027-02-15T09:00'), entry('paint', '2027-02-15T09:30')]),
    ['R08 stop paint'],
  ],
  [
    'R08 near: recoated at 45 min',
    build([seal, paint], [entry('seal', '2027-02-15T09:00'), entry('paint', '2027-02-15T09:45')]),
    [],
  ],
  // The spread of a label is σ 0.2: e^(−0.2) · 45 = 36.84 min cannot be told from 45.
  [
    'R08: a note at 37 min',
    build([seal, paint], [entry('seal', '2027-02-15T09:00'), entry('paint', '2027-02-15T09:37')]),
    ['R08 note paint'],
  ],
  [
    'R08: a stop at 36 min',
    build([seal, paint], [entry('seal', '2027-02-15T09:00'), entry('paint', '2027-02-15T09:36')]),
    ['R08 stop paint'],
  ],
  ['R28: heat after pressed texture', build([texture, heat]), ['R28 stop heat']],
  ['R28 near: heat first', build([heat, texture]), []],
  [
    'R28 near: sprayed stone texture is no impression, only a film that minds heat',
    build([seal, { id: 't', kind: 'texture', material: 'stone-texture-spray', film: 'light' }, heat]),
    ['R27 risk heat'],
  ],
  [
    'R28 near: heat on the other face',
    build([texture, { ...heat, faces: ['inner'] }], [], {
      faces: { outer: { areaCm2: 9 }, inner: { areaCm2: 9 } },
    }),
    [],
  ],
  // PVA foam primer: 10 to 35 °C, at most 75 %.
  ['R34: too cold', air(9, 50), ['R34 stop seal']],
  ['R34 near: just warm enough', air(10, 50), []],
  ['R34: too damp', air(21, 76), ['R34 stop seal']],
  ['R34 near: just dry enough', air(21, 75), []],
  ['R34: too hot', air(36, 40), ['R34 stop seal']],
  [
    'R34: laid in damp air, by the log',
    build([seal], [entry('seal', '2027-02-15T09:00', { humidityPct: 90 })]),
    ['R34 stop seal'],
  ],
  [
    'R34 near: laid in fit air',
    build([seal], [entry('seal', '2027-02-15T09:00', { temperatureC: 18, humidityPct: 60 })]),
    [],
  ],
];

describe('O07 at an edge that has to be sharp', () => {
  const at = (edge: 'tape' | 'by-hand' | undefined, method: Method) => {
    const build = sampleBuild({
      pieces: [
        samplePiece(
          {
            zones: [
              { id: 'field', name: 'Field', share: 0.8 },
              { id: 'rim', name: 'Rim', share: 0.2, ...(edge ? { edge } : {}) },
            ],
          },
          [
            { id: 'a', kind: 'base', material: 'flex-acrylic', method: 'brush', zones: ['field'] },
            { id: 'b', kind: 'base', material: 'flex-acrylic', method, zones: ['rim'] },
          ],
        ),
      ],
    });
    return judgeBuild(build, planBuild(build, { latestStarts: false })).some(({ rule }) => rule === 'O07');
  };

  it('wants tape for a brush too; spray wants it at any edge', () => {
    expect([at(undefined, 'brush'), at('by-hand', 'brush'), at('tape', 'brush')]).toEqual([
      false,
      false,
      true,
    ]);
    expect([at(undefined, 'airbrush'), at('by-hand', 'airbrush')]).toEqual([true, true]);
    expect([at(undefined, 'foam-brush'), at('by-hand', 'foam-brush')]).toEqual([true, false]);
  });
});

describe('rules', () => {
  it.each(cases)('%s', (_what, one, expected) => {
    expect(found(one)).toEqual(expected);
  });

  it('speak once for a set', () => {
    expect(found(build([paint], [], { quantity: 4 }))).toEqual(['R03 risk paint']);
    const log = [1, 2].flatMap((unit) => [
      entry('seal', '2027-02-15T09:00', { unit, id: `s${unit}` }),
      entry('paint', '2027-02-15T09:10', { unit, id: `p${unit}` }),
    ]);
    expect(found(build([seal, paint], log, { quantity: 2 }))).toEqual(['R08 stop paint']);
    // Of two units the one that is worse off speaks.
    const uneven = log.map((one) => (one.id === 'p1' ? { ...one, doneAt: '2027-02-15T09:40' } : one));
    expect(found(build([seal, paint], uneven, { quantity: 2 }))).toEqual(['R08 stop paint']);
  });
});

it('says how early something was, of how long it had to wait', () => {
  const log = [entry('seal', '2027-02-15T09:00'), entry('paint', '2027-02-15T09:40')];
  const [early] = judgeBuild(build([seal, paint], log)).filter(({ rule }) => rule === 'R08');
  expect(early!.message).toContain('(5 min too early: it needs 45 min, ');
  expect(early!.reason).toMatch(/no surer than that/);
});

describe('what takes no other coat', () => {
  const messages = (one: Build) =>
    judgeBuild(one).flatMap(({ rule, message }) => (rule === 'R07' ? [message] : []));

  it('is told by its own name, not by who is free', () => {
    // The label of this tin gives no time for another coat, and its film repels nothing.
    const own = build([
      seal,
      { id: 'a', kind: 'base', material: 'last' },
      { id: 'b', kind: 'base', material: 'last' },
    ]);
    own.materials = [
      { id: 'last', name: 'Last coat', role: 'paint', touch: 20, handle: 60, pack: 90, wear: 90 },
    ];
    expect(messages(own)).toEqual(['Last coat never takes another coat, so Last coat can’t go on.']);
  });

  it('is left to the rule on silicone where that is what lies below', () => {
    const caulked = build([{ id: 'fill', kind: 'fill', material: 'silicone-caulk', method: 'tool' }, paint]);
    expect(messages(caulked)).toEqual([]);
    expect(found(caulked)).toContain('R10 stop paint');
  });
});
