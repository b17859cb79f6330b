import type { z } from 'zod';
import type { lookSchema } from './look';

/** A look as it is written down, before what it leaves out is filled in. */
export type LookDraft = z.input<typeof lookSchema>;
type StepDraft = NonNullable<LookDraft['steps']>[number];

export const metallic = (colour: string, coats = 2): StepDraft => ({
  kind: 'base',
  main: true,
  colour,
  options: [
    { material: 'airbrush-metallic', method: 'airbrush', coats: coats + 1 },
    { material: 'acrylic-metallic', method: 'sponge', coats },
    { material: 'acrylic-metallic', method: 'brush', coats },
    { material: 'metallic-lacquer-spray', method: 'aerosol', coats, film: 'light' },
  ],
});
export const plain = (colour: string, coats = 2, film: 'light' | 'normal' = 'normal'): StepDraft => ({
  kind: 'base',
  main: true,
  colour,
  options: [
    { material: 'flex-acrylic', method: 'foam-brush', coats, film },
    { material: 'flex-acrylic', method: 'brush', coats, film },
    { material: 'flex-acrylic', method: 'airbrush', coats, film },
    { material: 'flex-acrylic', method: 'sponge', coats, film },
    { material: 'acrylic-spray', method: 'aerosol', coats: Math.max(2, coats), film: 'light' },
  ],
});
export const wash = (colour: string, more: Partial<StepDraft> = {}): StepDraft => ({
  kind: 'weather',
  colour,
  options: [
    { material: 'acrylic-wash', method: 'brush' },
    { material: 'acrylic-wash', method: 'wipe' },
  ],
  note: 'Into the recesses; wipe the heights back within three minutes.',
  ...more,
});
export const edges = (colour: string, more: Partial<StepDraft> = {}): StepDraft => ({
  kind: 'weather',
  colour,
  options: [
    { material: 'dry-brush-acrylic', method: 'dry-brush' },
    { material: 'dry-brush-acrylic', method: 'sponge' },
  ],
  note: 'High points and edges only, where light falls.',
  extra: true,
  ...more,
});
export const powder = (material: string, colour: string, note: string): StepDraft => ({
  kind: 'weather',
  colour,
  options: [
    { material, method: material === 'graphite-powder' ? 'wipe' : 'brush' },
    // Without a mist of clear to hold it, paint does what powder would.
    { material: 'dry-brush-acrylic', method: 'dry-brush' },
    { material: 'dry-brush-acrylic', method: 'sponge' },
  ],
  note,
});
