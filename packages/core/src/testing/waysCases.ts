import type { Build, Piece, Step } from '../model/schema';
import { bad } from './recipes';
import { firing } from './firing';
import { nth } from '../model/sure';
import { lay, plate } from './ruleCases';
import { waysJobs } from './waysJobs';

const heat: Step = { id: 'heat', kind: 'heat-seal', method: 'hot-air' };
const raw: Partial<Piece> = { substrate: { kind: 'eva-foam', thicknessMm: 6 } };
const bending: Partial<Piece> = {
  substrate: { kind: 'eva-foam', thicknessMm: 5 },
  flex: [{ name: 'side', bendRadiusMm: 45 }],
};

const sealers: [string, Step][] = [
  ['dip', lay('seal', 'seal', 'rubber-dip-spray', { method: 'aerosol', coats: 3, film: 'light' })],
  ['PVA', lay('seal', 'seal', 'pva-flex-primer', { method: 'brush', coats: 3 })],
  ['plain PVA', lay('seal', 'seal', 'pva-thinned', { method: 'brush', coats: 4 })],
  ['latex', lay('seal', 'seal', 'natural-latex', { method: 'brush', coats: 2 })],
  ['decoupage', lay('seal', 'seal', 'decoupage-gloss', { method: 'brush', coats: 2 })],
];
const paints: [string, Step][] = [
  ['lacquer', lay('paint', 'base', 'metallic-lacquer-spray', { colour: '#8f9396', coats: 2 })],
  ['enamel', lay('paint', 'base', 'hobby-enamel', { colour: '#7a2f2a' })],
  ['gloss alkyd', lay('paint', 'base', 'alkyd-gloss-spray', { colour: '#24303a', coats: 2, film: 'light' })],
  ['acrylic', lay('paint', 'base', 'craft-acrylic', { colour: '#3f5f4a', coats: 2 })],
  ['gloss acrylic', lay('paint', 'base', 'flex-acrylic-gloss', { colour: '#3f5f4a', coats: 2 })],
  ['copper', lay('paint', 'base', 'copper-acrylic', { colour: '#a5683a', coats: 2 })],
];
const tops: [string, Step[]][] = [
  ['matte varnish', [lay('top', 'topcoat', 'matte-varnish', { method: 'brush' })]],
  ['gloss clear spray', [lay('top', 'topcoat', 'gloss-clear-spray')]],
  [
    'oil wash, satin varnish',
    [lay('wash', 'weather', 'oil-wash'), lay('top', 'topcoat', 'satin-varnish', { method: 'brush' })],
  ],
  [
    'pigment, matte varnish',
    [lay('dust', 'weather', 'pigment-powder'), lay('top', 'topcoat', 'matte-varnish', { method: 'brush' })],
  ],
  ['epoxy', [lay('top', 'topcoat', 'epoxy-clear', { film: 'light' })]],
];

/** Builds with something to settle: every way out that is ranked first on them has been judged by hand (`judgedWays.ts`). */
export function waysCases(): [name: string, build: Build][] {
  // Every pair of sealer and paint, under two clears of five.
  const stacks = sealers.flatMap(([sealer, seal], s) =>
    paints.flatMap(([colour, paint], p) =>
      [0, 3].map((more): [string, Build] => {
        const [top, over] = nth(tops, (s + p + more) % tops.length);
        const bends = (s + p + more) % 2 === 1;
        return [
          `${sealer}, ${colour}, ${top}${bends ? ', bending' : ''}`,
          plate([heat, seal, paint, ...over], bends ? bending : raw),
        ];
      }),
    ),
  );
  return [
    ...bad.map(([what, steps, piece, build]): [string, Build] => [what, plate(steps, piece, build)]),
    ...firing.map(([rule, why, [build]]): [string, Build] => [`${rule} ${why}`, build]),
    ...stacks,
    ...waysJobs,
  ];
}
