import type { PigmentId } from './pigmentIds';

/** A pigment: what it looks like by itself, how well it hides and how strongly it tints. */
export interface PigmentDefinition {
  name: string;
  /** Its colour index name, as labels print it. */
  index: string;
  /** What a thick film of it looks like. */
  masstone: string;
  /** How much film it takes to hide, as a multiple of the hide figure of the material it is in. */
  hide: number;
  /** How strongly it colours a mix, titanium white 1. */
  strength: number;
  /** Flakes that shine: paint that looks like metal is made of these, and of tints between them. */
  flakes?: boolean;
  /** Too dear or too particular to be in a paint whose label does not name it. */
  onlyIfNamed?: boolean;
}

/** The pigments that paints are made of, with typical figures (docs/domain.md, "Pigments"). */
export const pigmentTable: Readonly<Record<PigmentId, PigmentDefinition>> = {
  'titanium-white': { name: 'Titanium white', index: 'PW6', masstone: '#f7f7f3', hide: 0.9, strength: 1 },
  'zinc-white': {
    name: 'Zinc white',
    index: 'PW4',
    masstone: '#f5f5f0',
    hide: 2.2,
    strength: 0.5,
    onlyIfNamed: true,
  },
  'carbon-black': { name: 'Carbon black', index: 'PBk7', masstone: '#1c1b1b', hide: 0.4, strength: 5 },
  'iron-oxide-black': {
    name: 'Iron-oxide black',
    index: 'PBk11',
    masstone: '#232122',
    hide: 0.5,
    strength: 3,
  },
  'burnt-umber': { name: 'Burnt umber', index: 'PBr7', masstone: '#4a2f22', hide: 0.7, strength: 1.4 },
  'raw-umber': { name: 'Raw umber', index: 'PBr7', masstone: '#584a36', hide: 0.8, strength: 1.1 },
  'burnt-sienna': { name: 'Burnt sienna', index: 'PBr7', masstone: '#7a3b22', hide: 1, strength: 1.1 },
  'raw-sienna': { name: 'Raw sienna', index: 'PBr7', masstone: '#a8742f', hide: 1.3, strength: 0.9 },
  'yellow-ochre': { name: 'Yellow ochre', index: 'PY42', masstone: '#bf8a2e', hide: 0.9, strength: 0.9 },
  'red-iron-oxide': { name: 'Red iron oxide', index: 'PR101', masstone: '#7b2f25', hide: 0.5, strength: 2 },
  'quinacridone-magenta': {
    name: 'Quinacridone magenta',
    index: 'PR122',
    masstone: '#8a1a4b',
    hide: 3,
    strength: 2.2,
  },
  ultramarine: { name: 'Ultramarine', index: 'PB29', masstone: '#1f2a7d', hide: 2.4, strength: 1.2 },
  'phthalo-blue': { name: 'Phthalo blue', index: 'PB15:3', masstone: '#0d2347', hide: 2, strength: 6 },
  'phthalo-green': { name: 'Phthalo green', index: 'PG7', masstone: '#0b3b33', hide: 2.2, strength: 5 },
  'chromium-oxide-green': {
    name: 'Chromium oxide green',
    index: 'PG17',
    masstone: '#4e6b3b',
    hide: 0.5,
    strength: 1,
  },
  'dioxazine-violet': {
    name: 'Dioxazine violet',
    index: 'PV23',
    masstone: '#2a1b3e',
    hide: 2.2,
    strength: 5,
  },
  'pyrrole-orange': { name: 'Pyrrole orange', index: 'PO73', masstone: '#e2572b', hide: 1.6, strength: 1.2 },
  'naphthol-red': { name: 'Naphthol red', index: 'PR170', masstone: '#b2202c', hide: 1.7, strength: 2 },
  'arylide-yellow': { name: 'Arylide yellow', index: 'PY74', masstone: '#f2c418', hide: 2.6, strength: 0.8 },
  'bismuth-yellow': {
    name: 'Bismuth yellow',
    index: 'PY184',
    masstone: '#f3d60c',
    hide: 1.1,
    strength: 1,
    onlyIfNamed: true,
  },
  'aluminium-flake': {
    name: 'Aluminium flake',
    index: 'PM1',
    masstone: '#a9acae',
    hide: 0.9,
    strength: 1.5,
    flakes: true,
  },
  'gold-mica': {
    name: 'Gold or bronze mica',
    index: 'PW20',
    masstone: '#a8823d',
    hide: 2.2,
    strength: 0.6,
    flakes: true,
  },
};
