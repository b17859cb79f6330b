import type { Build, Step, Swatch } from '../model/schema';
import { catalogueById } from '../materials/catalogue';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { judgeBuild } from './judgeBuild';
import { judgePair } from './judgePair';
import { swatchSteps } from './swatchSteps';

const dip: Step = { id: 'dip', kind: 'seal', material: 'rubber-dip-spray', film: 'light' };
const lacquer: Step = { id: 'lacquer', kind: 'base', material: 'metallic-lacquer-spray' };
const enamel: Step = { id: 'enamel', kind: 'base', material: 'hobby-enamel' };
const acrylic: Step = { id: 'acrylic', kind: 'base', material: 'craft-acrylic' };
// Without colours and clears these stacks get notes that are about neither swatch nor pair.
const aside = new Set(['O10', 'R72']);

const build = (steps: Step[], swatches: Swatch[], bend?: number): Build => {
  const made = sampleBuild({
    pieces: [
      samplePiece(
        {
          substrate: { kind: 'eva-foam', thicknessMm: 5, heatSealed: true },
          ...(bend ? { flex: [{ name: 'side', bendRadiusMm: bend }] } : {}),
        },
        steps,
      ),
    ],
    swatches,
  });
  made.places[0]!.ventilation = 'extraction';
  return made;
};
const swatch = (over: string, result: Swatch['result'], more: Partial<Swatch> = {}): Swatch => ({
  id: `${over} ${result}`,
  coats: [
    { material: 'rubber-dip-spray', film: 'light' },
    { material: over, film: 'normal' },
  ],
  substrate: 'eva-foam',
  ...(result ? { result, judgedOn: '2027-02-01' } : {}),
  ...more,
});
const verdict = (one: Build, step: string) =>
  judgeBuild(one)
    .filter((finding) => finding.step === step && !aside.has(finding.rule))
    .map((finding) => `${finding.severity} ${finding.rule}`);

describe('weighSwatches', () => {
  it('lets a good swatch of the same pair in the same state make a risk a note, and shows it with its date', () => {
    expect(verdict(build([dip, lacquer], []), 'lacquer')).toEqual(['risk R05']);
    const made = build([dip, lacquer], [swatch('metallic-lacquer-spray', 'good', { note: 'no cracks' })]);
    const [finding] = judgeBuild(made).filter((one) => one.rule === 'R05');
    expect(finding).toMatchObject({
      severity: 'note',
      ideas: [],
      evidence: { result: 'good', judgedOn: '2027-02-01', note: 'no cracks' },
    });
    expect(finding!.message).toContain('Your swatch of 1 Feb 2027 held.');
  });

  it('takes a failed one for the coat that was laid last, and says nothing of what lay below it', () => {
    const primer: Step = { id: 'primer', kind: 'prime', material: 'acrylic-pu-primer-grey' };
    const failed: Swatch = {
      id: 'three',
      substrate: 'eva-foam',
      coats: [
        { material: 'rubber-dip-spray', film: 'light' },
        { material: 'acrylic-pu-primer-grey', film: 'normal' },
        { material: 'craft-acrylic', film: 'normal' },
      ],
      result: 'failed',
      judgedOn: '2027-02-01',
    };
    expect(verdict(build([dip, primer, acrylic], [failed]), 'acrylic')).toEqual(['stop S01']);
    expect(verdict(build([dip, primer, acrylic], [failed]), 'primer')).toEqual([]);
    expect(verdict(build([dip, primer, acrylic], [{ ...failed, result: 'good' }]), 'acrylic')).toEqual([]);
  });

  it('never lets a good swatch touch a stop', () => {
    expect(verdict(build([dip, enamel], [swatch('hobby-enamel', 'good')]), 'enamel')).toEqual(['stop R04']);
  });

  it('lets a failed swatch raise a risk to a stop, and speak by itself where the rules are silent', () => {
    expect(verdict(build([dip, lacquer], [swatch('metallic-lacquer-spray', 'failed')]), 'lacquer')).toEqual([
      'stop R05',
    ]);
    expect(verdict(build([dip, acrylic], []), 'acrylic')).toEqual([]);
    expect(verdict(build([dip, acrylic], [swatch('craft-acrylic', 'failed')]), 'acrylic')).toEqual([
      'stop S01',
    ]);
  });

  it.each([
    [
      'another film',
      {
        coats: [
          { material: 'rubber-dip-spray', film: 'light' as const },
          { material: 'metallic-lacquer-spray', film: 'dust' as const },
        ],
      },
    ],
    [
      'another coat below',
      {
        coats: [
          { material: 'pva-flex-primer' },
          { material: 'metallic-lacquer-spray', film: 'normal' as const },
        ],
      },
    ],
    ['another substrate', { substrate: 'card' as const }],
    [
      'on a cured coat below',
      {
        coats: [
          { material: 'rubber-dip-spray', film: 'light' as const },
          { material: 'metallic-lacquer-spray', film: 'normal' as const, onCured: true },
        ],
      },
    ],
    ['no result yet', { result: undefined, judgedOn: undefined }],
  ])('does not speak for what it does not show: %s', (_what, more) => {
    expect(
      verdict(build([dip, lacquer], [swatch('metallic-lacquer-spray', 'good', more)]), 'lacquer'),
    ).toEqual(['risk R05']);
  });

  it('speaks about bending only when it was bent as tightly', () => {
    const bent = (bendRadiusMm?: number) =>
      verdict(
        build(
          [dip, lacquer],
          [swatch('metallic-lacquer-spray', 'good', bendRadiusMm ? { bendRadiusMm } : {})],
          100,
        ),
        'lacquer',
      ).filter((line) => line.endsWith('R05'));
    expect(bent(100)).toEqual(['note R05']);
    expect(bent(120)).toEqual(['risk R05']);
    expect(bent()).toEqual(['risk R05']);
  });

  it('lets the newest of two count', () => {
    const list = [
      swatch('metallic-lacquer-spray', 'failed', { id: 'old', judgedOn: '2027-01-10' }),
      swatch('metallic-lacquer-spray', 'good', { id: 'new', judgedOn: '2027-02-10' }),
    ];
    expect(verdict(build([dip, lacquer], list), 'lacquer')).toEqual(['note R05']);
  });

  it('drafts the offcut that would tell, for a risk without evidence', () => {
    const [finding] = judgeBuild(build([dip, lacquer], [], 100)).filter((one) => one.rule === 'R05');
    expect(finding!.test).toEqual({
      substrate: 'eva-foam',
      bendRadiusMm: 100,
      coats: [
        { material: 'rubber-dip-spray', film: 'light' },
        { material: 'metallic-lacquer-spray', film: 'normal' },
      ],
    });
  });

  it('counts on the pair board too', () => {
    const state = { film: 'normal' as const, cured: false, scuffed: false, flexing: false };
    const judged = judgePair(
      'rubber-dip-spray',
      'metallic-lacquer-spray',
      state,
      [],
      [swatch('metallic-lacquer-spray', 'good')],
    );
    expect(judged.verdict).toBe('note');
  });
});

describe('swatchSteps', () => {
  it('says what to lay and how long to wait, longer for a thicker film', () => {
    // Rubber dip: recoat 30 min · 0.6^1.5 = 13.9, up to 14. Lacquer: tape-safe 720 min, film 1.
    const lines = swatchSteps(
      swatch('metallic-lacquer-spray', undefined, { bendRadiusMm: 40 }),
      catalogueById,
    );
    expect(lines.slice(0, 4)).toEqual([
      'Take an offcut of EVA foam.',
      'A light coat of Rubber dip spray.',
      'Wait 14 min, then a normal coat of Metallic lacquer spray.',
      'Leave it 12 h.',
    ]);
    expect(lines[4]).toContain('radius of 40 mm, such as a cup of 80 mm across');
  });

  it('waits for cure and scuffs where the swatch is about that', () => {
    // Alkyd: wearable after 10 080 min, 7 days.
    const lines = swatchSteps(
      {
        substrate: 'eva-foam',
        coats: [
          { material: 'alkyd-flat-spray' },
          { material: 'craft-acrylic', onCured: true, onScuffed: true },
        ],
      },
      catalogueById,
    );
    expect(lines[2]).toBe('Wait 7 days, scuff it with a fine pad, then a normal coat of Craft acrylic.');
  });
});
