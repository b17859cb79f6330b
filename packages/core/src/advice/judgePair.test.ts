import { judgePair, type PairState } from './judgePair';

const state = (changes: Partial<PairState> = {}): PairState => ({
  cured: false,
  scuffed: false,
  film: 'light',
  flexing: false,
  ...changes,
});
const verdict = (under: string, over: string, changes: Partial<PairState> = {}) =>
  judgePair(under, over, state(changes)).verdict;

describe('judgePair', () => {
  it.each([
    ['acrylic on PVA primer', 'pva-flex-primer', 'craft-acrylic', {}, 'fine'],
    ['alkyd on rubber dip: R04', 'rubber-dip-spray', 'alkyd-gloss-spray', {}, 'stop'],
    [
      'lacquer laid normally on rubber dip: R05',
      'rubber-dip-spray',
      'acrylic-spray',
      { film: 'normal' },
      'risk',
    ],
    ['and dusted on', 'rubber-dip-spray', 'acrylic-spray', { film: 'dust' }, 'fine'],
    ['lacquer on fresh enamel: R06', 'hobby-enamel', 'metallic-lacquer-spray', {}, 'stop'],
    ['and on cured enamel', 'hobby-enamel', 'metallic-lacquer-spray', { cured: true }, 'fine'],
    [
      'water-borne on cured alkyd, not scuffed: R09',
      'alkyd-gloss-spray',
      'craft-acrylic',
      { cured: true },
      'risk',
    ],
    ['and scuffed', 'alkyd-gloss-spray', 'craft-acrylic', { cured: true, scuffed: true }, 'fine'],
    // 5 mm round 45 mm stretches 5.6 % of the 8 % at which a metallic lacquer breaks: R14 alone, a risk.
    [
      'metallic lacquer on neoprene that bends',
      'neoprene-soft',
      'metallic-lacquer-spray',
      { flexing: true },
      'risk',
    ],
  ] as const)('%s', (_what, under, over, changes, expected) => {
    expect(verdict(under, over, changes)).toBe(expected);
  });

  it('gives its reasons, worst first', () => {
    const { findings } = judgePair('rubber-dip-spray', 'alkyd-gloss-spray', state());
    expect(findings[0]).toMatchObject({ rule: 'R04', severity: 'stop' });
    expect(findings[0]!.reason).not.toBe('');
  });

  it('knows own tins', () => {
    const own = [{ id: 'my-enamel', extends: 'hobby-enamel', name: 'Shed enamel' }];
    expect(judgePair('rubber-dip-spray', 'my-enamel', state(), own).findings[0]!.message).toContain(
      'Shed enamel',
    );
    expect(() => judgePair('rubber-dip-spray', 'ghost', state())).toThrow(RangeError);
  });
});
