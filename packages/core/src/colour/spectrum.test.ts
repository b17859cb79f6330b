import fc from 'fast-check';
import { labDeltaE, labOf } from './lab';
import { bandNm, BANDS, colourOf, daylightWeights, luminanceOf, spectrumOf, xyzOf } from './spectrum';

describe('spectra', () => {
  it('have 38 bands from 380 to 750 nm', () => {
    expect([BANDS, bandNm(0), bandNm(37)]).toEqual([38, 380, 750]);
    expect(daylightWeights.reduce((sum, [, y]) => sum + y, 0)).toBeCloseTo(1, 6);
  });

  it('give back the colour that they were made of', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), (value) => {
        const hex = `#${value.toString(16).padStart(6, '0')}`;
        expect(colourOf(spectrumOf(hex))).toBe(hex);
      }),
    );
  });

  it('are as light as the colour', () => {
    // #808080 is ((128/255 + 0.055)/1.055)^2.4 = 0.21586 in linear light.
    expect(luminanceOf(spectrumOf('#808080'))).toBeCloseTo(0.21586, 4);
  });
});

describe('L*a*b*', () => {
  it('is 100, 0, 0 for white, and 116·∛Y − 16 for greys', () => {
    const [l, a, b] = labOf([0.95047, 1, 1.08883]);
    expect([l, a, b].map((one) => Math.round(one * 1000) / 1000 + 0)).toEqual([100, 0, 0]);
    // Y = 0.2: 116 · 0.584804 − 16 = 51.837.
    expect(labOf([0.2 * 0.95047, 0.2, 0.2 * 1.08883])[0]).toBeCloseTo(51.837, 2);
  });

  it('tells ΔE00 as the published test pairs have it', () => {
    // Sharma, Wu and Dalal, 2005: pairs 1, 7 and 25.
    expect(labDeltaE([50, 2.6772, -79.7751], [50, 0, -82.7485])).toBeCloseTo(2.0425, 4);
    expect(labDeltaE([50, 0, 0], [50, -1, 2])).toBeCloseTo(2.3669, 4);
    expect(labDeltaE([60.2574, -34.0099, 36.2677], [60.4626, -34.1751, 39.4387])).toBeCloseTo(1.2644, 4);
  });

  it('is near the black of the model where nothing is reflected', () => {
    expect(labOf(xyzOf(spectrumOf('#000000')))[0]).toBeLessThan(0.2);
  });
});
