import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { catalogueById } from '../materials/catalogue';
import { parseBuildText } from '../materials/parseBuild';
import { stepKinds } from '../model/stepKinds';
import type { Step } from '../model/schema';
import { explained, glossary } from './glossary';
import { cardFor, cardsWith, techniqueCards } from './index';

const card = (step: Partial<Step> & Pick<Step, 'kind'>) =>
  cardFor({ id: 's', ...step }, catalogueById.get(step.material ?? ''))?.id;

describe('the cards', () => {
  it('have ids of their own, four to six short lines, and say what goes wrong and how it is saved', () => {
    expect(new Set(techniqueCards.map(({ id }) => id)).size).toBe(techniqueCards.length);
    expect(techniqueCards.length).toBeGreaterThanOrEqual(35);
    for (const { id, lines, wrong, rescue, about } of techniqueCards) {
      expect([id, lines.length >= 4 && lines.length <= 6]).toEqual([id, true]);
      for (const line of [...lines, wrong, rescue, about]) {
        expect([line, line.length <= 120]).toEqual([line, true]);
        expect([line, /[.!?]$/.test(line)]).toEqual([line, true]);
      }
    }
  });

  it.each<[string, Partial<Step> & Pick<Step, 'kind'>]>([
    ['prep', { kind: 'prep' }],
    ['degrease', { kind: 'prep', cleans: 'degreased' }],
    ['wash-off', { kind: 'prep', cleans: 'washed' }],
    ['trim', { kind: 'prep', trims: true }],
    ['clay', { kind: 'fill', material: 'foam-clay', method: 'tool' }],
    ['filler-brush', { kind: 'fill', material: 'foam-filler-paste', method: 'brush' }],
    ['fill-gap', { kind: 'fill', material: 'acrylic-caulk', method: 'tool' }],
    ['sand', { kind: 'sand' }],
    ['scuff-wet', { kind: 'sand', thinWith: 'water' }],
    ['press-texture', { kind: 'texture' }],
    ['burn-lines', { kind: 'texture', texture: 'burned' }],
    ['texture-spray', { kind: 'texture', material: 'stone-texture-spray' }],
    ['heat-seal', { kind: 'heat-seal' }],
    ['torch', { kind: 'heat-seal', method: 'torch' }],
    ['promoter', { kind: 'prime', material: 'adhesion-promoter' }],
    ['brush-coat', { kind: 'seal', material: 'pva-flex-primer', method: 'brush' }],
    ['spray-can', { kind: 'seal', material: 'rubber-dip-spray' }],
    ['stipple-seal', { kind: 'seal', material: 'decoupage-gloss', method: 'stipple' }],
    ['pour-epoxy', { kind: 'topcoat', material: 'epoxy-clear', method: 'brush' }],
    ['foam-brush', { kind: 'prime', material: 'acrylic-pu-primer-black', method: 'foam-brush' }],
    ['airbrush', { kind: 'base', material: 'airbrush-metallic', method: 'airbrush' }],
    [
      'airbrush-shade',
      { kind: 'weather', material: 'airbrush-acrylic', method: 'airbrush', placement: 'fade' },
    ],
    ['sponge-base', { kind: 'base', material: 'acrylic-metallic', method: 'sponge' }],
    ['spray-mirror', { kind: 'base', material: 'chrome-effect-spray' }],
    ['cover', { kind: 'mask', covers: ['zip'] }],
    ['mask', { kind: 'mask', zones: ['rim'] }],
    ['unmask', { kind: 'unmask' }],
    ['detail', { kind: 'detail', material: 'flex-acrylic', method: 'brush' }],
    ['pen', { kind: 'detail', material: 'alcohol-marker' }],
    ['wash', { kind: 'weather', material: 'acrylic-wash' }],
    ['oil-wash', { kind: 'weather', material: 'oil-wash' }],
    ['dry-brush', { kind: 'weather', material: 'dry-brush-acrylic' }],
    ['dab-weather', { kind: 'weather', material: 'dry-brush-acrylic', method: 'sponge' }],
    ['spatter', { kind: 'weather', material: 'acrylic-wash', placement: 'splatter' }],
    ['graphite', { kind: 'weather', material: 'graphite-powder' }],
    ['pigment', { kind: 'weather', material: 'pigment-powder' }],
    ['wax', { kind: 'weather', material: 'metal-wax' }],
    ['chip-resist', { kind: 'weather', material: 'chip-resist', method: 'sponge' }],
    ['chip', { kind: 'weather' }],
    ['brush-clear', { kind: 'topcoat', material: 'satin-varnish', method: 'brush' }],
    ['mist-clear', { kind: 'topcoat', material: 'matte-clear-spray', film: 'dust' }],
    ['glue', { kind: 'attach', material: 'contact-cement' }],
    ['attach-cloth', { kind: 'attach', attaches: 'fabric' }],
    ['attach', { kind: 'attach', attaches: 'strap' }],
    ['degrease', { kind: 'prep', cleans: 'unglued' }],
    ['look-over', { kind: 'inspect' }],
  ])('%s tells of %o', (id, step) => {
    expect(card(step)).toBe(id);
  });

  it('tell of every kind of step, and of every material by every tool it goes on with', () => {
    for (const kind of stepKinds.filter(
      (one) => !['seal', 'prime', 'base', 'topcoat', 'detail'].includes(one),
    ))
      expect([kind, card({ kind }) !== undefined]).toEqual([kind, true]);
    const kindOf = {
      seal: 'seal',
      fill: 'fill',
      bond: 'attach',
      prime: 'prime',
      paint: 'base',
      texture: 'texture',
      weather: 'weather',
      detail: 'detail',
      topcoat: 'topcoat',
    } as const;
    for (const material of catalogueById.values())
      for (const method of material.methods)
        expect([
          material.id,
          method,
          card({ kind: kindOf[material.role], material: material.id, method }) !== undefined,
        ]).toEqual([material.id, method, true]);
  });

  it('tell of every step of the demo', () => {
    for (const name of ['orrery-courier', 'tidepool-lantern']) {
      const parsed = parseBuildText(readFileSync(join(__dirname, `../../../../demo/${name}.json`), 'utf8'));
      if (!parsed.ok) throw new Error(name);
      for (const step of parsed.value.pieces.flatMap(({ steps }) => steps))
        expect([step.id, card(step) !== undefined]).toEqual([step.id, true]);
    }
  });

  it('are found by words anywhere in them, all of them', () => {
    expect(cardsWith('')).toHaveLength(techniqueCards.length);
    expect(cardsWith('tape BLEEDING').map(({ id }) => id)).toEqual(['mask']);
    expect(cardsWith('no such thing at all')).toEqual([]);
  });
});

describe('words of the trade', () => {
  const one = (text: string) => explained(text).flatMap(({ word }) => word?.word ?? []);

  it('are told apart once, in any form and case, and only as whole words', () => {
    expect(one('Flash-off first: it tacks, and tacks again.')).toEqual(['flash off', 'tack']);
    expect(one('Attack the pot and live a long life.')).toEqual([]);
    expect(one('Mind the POT LIFE, not the pot.')).toEqual(['pot life']);
  });

  it('leave the text as it is', () => {
    const piece = fc.oneof(
      fc.constantFrom(...glossary.flatMap(({ word, also }) => [word, ...(also ?? [])])),
      fc.string({ maxLength: 12 }),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
        const text = pieces.join(' ');
        const stretches = explained(text);
        expect(stretches.map((stretch) => stretch.text).join('')).toBe(text);
        const words = stretches.flatMap(({ word }) => word ?? []);
        expect(new Set(words).size).toBe(words.length);
      }),
    );
  });

  it('have meanings of their own', () => {
    expect(new Set(glossary.map(({ word }) => word)).size).toBe(glossary.length);
    for (const { word, means } of glossary) expect([word, /[.!?]$/.test(means)]).toEqual([word, true]);
  });
});
