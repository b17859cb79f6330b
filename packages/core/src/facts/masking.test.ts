import type { Step } from '../model/schema';
import { samplePiece } from '../testing/sampleBuild';
import { withMask } from './masking';

const gone = (steps: Step[], id: string) =>
  [
    ...withMask(
      samplePiece({}, steps),
      steps.find((step) => step.id === id)!,
    ),
  ].sort();
const mask = (id: string, more: Partial<Step> = {}): Step => ({ id, kind: 'mask', ...more });
const pull = (id: string, more: Partial<Step> = {}): Step => ({ id, kind: 'unmask', ...more });
const look: Step = { id: 'look', kind: 'inspect', looksOver: 'pulled' };
const paint: Step = { id: 'paint', kind: 'base', material: 'craft-acrylic' };

describe('what goes with tape that is deleted', () => {
  it('is its pull and the look along its edges', () => {
    expect(gone([mask('m', { zones: ['a'] }), paint, pull('u', { zones: ['a'] }), look], 'm')).toEqual([
      'look',
      'm',
      'u',
    ]);
  });
  it('is not a pull that takes other tape off as well, but one whose other tape came off before', () => {
    expect(gone([mask('m', { zones: ['a'] }), mask('n', { zones: ['b'] }), paint, pull('u')], 'm')).toEqual([
      'm',
    ]);
    const twice = [
      mask('m', { zones: ['a'] }),
      pull('u', { zones: ['a'] }),
      mask('n', { zones: ['a'] }),
      pull('v', { zones: ['a'] }),
    ];
    expect(gone(twice, 'n')).toEqual(['n', 'v']);
    expect(gone(twice, 'm')).toEqual(['m', 'u']);
  });
  it('keeps covered closures and tape between zones apart', () => {
    const both = [
      mask('tab', { covers: ['tab'] }),
      mask('m', { zones: ['a'] }),
      pull('u', { zones: ['a'] }),
      pull('off', { covers: ['tab'] }),
    ];
    expect(gone(both, 'm')).toEqual(['m', 'u']);
    expect(gone(both, 'tab')).toEqual(['off', 'tab']);
  });
  it('is the step alone for everything else', () => {
    expect(gone([mask('m'), paint, pull('u')], 'paint')).toEqual(['paint']);
    expect(gone([mask('m'), paint, pull('u')], 'u')).toEqual(['u']);
  });
});
