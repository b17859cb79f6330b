import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { Build, Piece, Step } from '../model/schema';
import { randomBuild } from './randomBuild';

/**
 * A made-up build from a seed with what follows while something is fresh: resists that are chipped, washes that are wiped back, tape that comes off,
 * coats whose last window closes, on a porch that may never be warm enough for its cans.
 */
export function randomFresh(seed: number, pieces = 2): Build {
  const generator = xoroshiro128plus(seed * 104_729 + 7);
  for (let n = 0; n < 24; n += 1) uniformFloat64(generator);
  const random = (below: number) => Math.floor(uniformFloat64(generator) * below);
  const base = randomBuild(seed, {
    pieces: 1,
    steps: 1,
    slots: 1 + random(3),
    people: 1 + random(2),
    quiet: random(3) === 0,
  });
  const porch = base.places.find(({ id }) => id === 'porch')!;
  const coat = (id: string, more: Partial<Step>): Step => ({
    id,
    kind: 'base',
    material: 'craft-acrylic',
    method: 'brush',
    ...more,
  });
  const parts: ((at: string) => Step[])[] = [
    (at) => [
      {
        id: `${at}seal`,
        kind: 'seal',
        material: 'rubber-dip-spray',
        method: 'aerosol',
        place: 'porch',
        film: 'light',
      },
    ],
    (at) => [{ id: `${at}seal`, kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 }],
    (at) => [coat(`${at}silver`, { material: 'acrylic-metallic', method: 'sponge' })],
    (at) => [
      { id: `${at}resist`, kind: 'weather', material: 'chip-resist', method: 'sponge' },
      coat(`${at}red`, { colour: '#a02020' }),
      { id: `${at}chip`, kind: 'weather', method: 'wipe' },
    ],
    (at) => [
      { id: `${at}wash`, kind: 'weather', material: 'acrylic-wash', method: 'brush' },
      { id: `${at}wipe`, kind: 'weather', method: 'wipe' },
    ],
    (at) => [{ id: `${at}mask`, kind: 'mask' }, coat(`${at}band`, {}), { id: `${at}pull`, kind: 'unmask' }],
    (at) => [
      {
        id: `${at}flat`,
        kind: 'prime',
        material: 'alkyd-flat-spray',
        method: 'aerosol',
        film: 'dust',
        place: 'porch',
      },
    ],
    (at) => [
      { id: `${at}clear`, kind: 'topcoat', material: 'satin-varnish', method: 'brush', film: 'light' },
    ],
  ];
  return {
    ...base,
    name: `Fresh ${seed}`,
    places: base.places.map((place) =>
      place === porch
        ? {
            ...place,
            climate: {
              kind: 'daily',
              meanC: 4 + random(12),
              swingC: random(6),
              humidityPct: 55 + random(35),
            },
          }
        : place,
    ),
    pieces: Array.from({ length: pieces }, (_, n): Piece => ({
      ...base.pieces[0]!,
      id: `piece${n}`,
      name: `Piece ${n}`,
      quantity: 1 + random(2),
      steps: Array.from({ length: 2 + random(3) }, (_each, at) =>
        parts[random(parts.length)]!(`s${at}`),
      ).flat(),
    })),
  };
}
