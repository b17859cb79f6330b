import { catalogueById } from '../materials/catalogue';
import { dryFilmUm } from '../materials/film';
import { groundChoices, undercoats, usualUndercoat, type GroundChoice, type UndercoatId } from './undercoat';

const primers = new Map(undercoats.map((id) => [id, catalogueById.get(`acrylic-pu-primer-${id}`)!] as const));
const DARK_FOAM = '#3a3a3c';
const PVA = '#e9e6dc';
function choices(colour: string, id = 'flex-acrylic', ground = DARK_FOAM): GroundChoice[] {
  const material = catalogueById.get(id)!;
  const laying = { coatUm: dryFilmUm(material.wftUm, material), method: material.methods[0]! };
  return groundChoices(colour, material, laying, ground, primers);
}

describe('the undercoat that finishers usually lay', () => {
  const cases: [string, string, boolean, UndercoatId][] = [
    ['lemon yellow', '#f4d010', false, 'white'],
    ['deep yellow', '#f2c418', false, 'white'],
    ['orange', '#e2672b', false, 'white'],
    ['signal red', '#d11a22', false, 'white'],
    ['crimson', '#b8202c', false, 'white'],
    ['pink', '#e07aa0', false, 'white'],
    ['magenta', '#b0206a', false, 'white'],
    ['lime', '#9ccf3a', false, 'white'],
    ['bone', '#d9cfb4', false, 'white'],
    ['white', '#f5f5f1', false, 'white'],
    ['steel', '#9da0a3', true, 'black'],
    ['silver', '#c2c5c8', true, 'black'],
    ['gunmetal', '#4c5055', true, 'black'],
    ['brass', '#b08d57', true, 'oxide'],
    ['old gold', '#c9a24a', true, 'oxide'],
    ['bronze', '#8a6238', true, 'oxide'],
    ['copper', '#b0683f', true, 'oxide'],
    ['navy', '#1b2540', false, 'black'],
    ['black', '#1b1b1c', false, 'black'],
    ['leather brown', '#5a3a26', false, 'oxide'],
    ['olive', '#5c6138', false, 'grey'],
    ['sea green', '#2f6f62', false, 'grey'],
  ];

  it.each(cases)('%s', (_name, colour, isMetallic, undercoat) => {
    expect(usualUndercoat(colour, isMetallic)).toBe(undercoat);
  });
});

describe('what a colour is best laid over', () => {
  const first = (...of: Parameters<typeof choices>) => choices(...of)[0]!;

  it('is white for clean brights on dark foam, with fewer coats than on anything else', () => {
    for (const colour of ['#f2c418', '#f4d010', '#e2672b', '#d11a22', '#e07aa0', '#9ccf3a']) {
      const found = choices(colour, 'craft-acrylic');
      expect([colour, found[0]!.id]).toEqual([colour, 'white']);
      const over = (id: GroundChoice['id']) => found.find((one) => one.id === id)?.coats ?? 99;
      expect(over('white')).toBeLessThanOrEqual(Math.min(over('black'), over('grey'), over('oxide')));
    }
  });

  it('is red-brown for warm metals and black for steel', () => {
    for (const colour of ['#b08d57', '#c9a24a', '#b0683f'])
      expect(first(colour, 'acrylic-metallic').id).toBe('oxide');
    for (const colour of ['#9da0a3', '#4c5055']) expect(first(colour, 'acrylic-metallic').id).toBe('black');
  });

  it('is nothing more where what is there does as well', () => {
    expect(first('#5c6138').id).toBe('bare');
    expect(first('#d9cfb4', 'flex-acrylic', PVA).id).toBe('bare');
    // The undercoat that is usual lies there already, and is not laid twice.
    const found = choices('#b08d57', 'acrylic-metallic', '#7d3c2b');
    expect(found.map(({ id }) => id)).not.toContain('oxide');
    expect(found[0]).toMatchObject({ id: 'bare', isUsual: true });
  });

  it('never names a number of coats that nobody lays', () => {
    for (const colour of ['#f2c418', '#f4d010', '#8a1a4b'])
      for (const { coats } of choices(colour, 'airbrush-acrylic')) {
        expect(coats === undefined || (coats >= 2 && coats <= 6)).toBe(true);
      }
    expect(choices('#f2c418', 'airbrush-acrylic').find(({ id }) => id === 'black')!.coats).toBeUndefined();
  });

  it('offers an opaque neighbour under a clear colour, and none under an opaque one', () => {
    expect(choices('#f2c418').find(({ id }) => id === 'neighbour')!.colour).toBe('#bf8a2e');
    expect(choices('#5a3a26').some(({ id }) => id === 'neighbour')).toBe(false);
  });
});
