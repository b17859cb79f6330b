import { binderFor, binderNamed } from './binders';
import { hazardNamed, hazardsOf } from './hazards';

describe('what a label calls a binder', () => {
  it.each([
    ['Alkyd', 'alkyd'],
    ['oil-modified alkyd', 'alkyd'],
    ['synthetic enamel', 'alkyd'],
    ['acrylic enamel', 'acrylic'],
    ['acrylic latex', 'acrylic'],
    ['latex', 'natural rubber'],
    ['acrylic polyurethane dispersion', 'acrylic urethane'],
    ['nitrocellulose lacquer', 'acrylic lacquer'],
    ['two-part epoxy resin', 'epoxy'],
    ['linseed oil', 'oil'],
    ['foil', 'unknown'],
    ['moon dust', 'unknown'],
  ])('%s is %s', (text, family) => {
    expect(binderNamed(text)).toBe(family);
  });

  it('makes a lacquer of acrylic in a hot solvent, from alcohol up, and a film of rubber a synthetic one', () => {
    const paint = { binder: 'acrylic', role: 'paint' } as const;
    expect([0, 1, 2, 3].map((solvent) => binderFor({ ...paint, solvent }))).toEqual([
      'acrylic',
      'acrylic',
      'acrylic lacquer',
      'acrylic lacquer',
    ]);
    expect(binderFor({ binder: 'rubber', role: 'seal', solvent: 3 })).toBe('synthetic rubber');
    expect(binderFor({ binder: 'rubber', role: 'bond', solvent: 2 })).toBe('rubber');
  });
});

describe('what a label warns of', () => {
  it.each([
    ['HDI', 'isocyanate'],
    ['hardener with isocyanate', 'isocyanate'],
    ['aliphatic polyisocyanates', 'isocyanate'],
    ['contains MDI', 'isocyanate'],
    ['Organic vapours', 'organic vapour'],
    ['hdid', undefined],
    ['moonlight', undefined],
  ])('%s is %s', (text, hazard) => {
    expect(hazardNamed(text)).toBe(hazard);
  });

  it('counts for the rules by any of its words', () => {
    expect([...hazardsOf({ hazards: ['hardener: HDI trimer'], binder: 'acrylic' })]).toEqual(['isocyanate']);
  });
});
