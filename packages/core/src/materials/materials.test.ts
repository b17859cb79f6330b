import { catalogue, catalogueById } from './catalogue';
import { dryingFamily, parseRecoat } from './material';
import { materialsOf } from './ownMaterials';

describe('the catalogue', () => {
  it('has every material once, with a method and limits that make sense', () => {
    expect(catalogue).toHaveLength(71);
    expect(catalogueById.size).toBe(catalogue.length);
    for (const material of catalogue) {
      expect(material.minC).toBeLessThan(material.maxC);
      expect(material.methods.length).toBeGreaterThan(0);
    }
  });

  it('reads a row as it stands in the table', () => {
    expect(catalogueById.get('rubber-dip-spray')).toMatchObject({
      carrier: 'solvent',
      solvent: 3,
      wftUm: 150,
      solids: 0.22,
      elongationPct: 400,
      touch: 20,
      recoat: '30-',
      tape: 480,
      sand: undefined,
      handle: 240,
      pack: 1440,
      wear: 1440,
      minC: 10,
      maxC: 32,
      maxRhPct: 80,
      redissolves: true,
      hazards: ['organic vapour', 'flammable'],
    });
  });
});

describe('recoat windows', () => {
  it('reads open, closed and reopening ones', () => {
    expect(parseRecoat('30-')).toEqual([{ from: 30, to: Infinity }]);
    expect(parseRecoat('15-60|2880-')).toEqual([
      { from: 15, to: 60 },
      { from: 2880, to: Infinity },
    ]);
    expect(parseRecoat(undefined)).toEqual([]);
  });
});

describe('drying families', () => {
  it.each([
    ['craft-acrylic', 'water'],
    ['rubber-dip-spray', 'solvent'],
    ['epoxy-clear', 'two-part'],
    ['urethane-2k-clear', 'two-part'],
    ['graphite-powder', 'inert'],
  ])('%s dries as %s', (id, family) => {
    expect(dryingFamily(catalogueById.get(id)!)).toBe(family);
  });
});

describe('own tins', () => {
  it('keep what they do not name, also through another own tin', () => {
    const materials = materialsOf([
      { id: 'second', extends: 'first', touch: 9 },
      { id: 'first', extends: 'rubber-dip-spray', recoat: '20-' },
    ]);
    expect(materials.get('second')).toMatchObject({
      id: 'second',
      recoat: '20-',
      touch: 9,
      pack: 1440,
      name: 'Rubber dip spray',
    });
    expect(materials.get('rubber-dip-spray')!.recoat).toBe('30-');
  });
});
