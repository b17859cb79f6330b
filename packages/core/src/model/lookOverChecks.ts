import type { LookOver } from './lookOvers';

/** How what fails a look is put right; `looks/mends.ts` writes the steps. */
export type Mend =
  | 'clean-glue'
  | 'fill-seams'
  | 'caulk-seams'
  | 'dust-off'
  | 'heat-again'
  | 'trim'
  | 'seal-again'
  | 'fill-pinholes'
  | 'fill-and-prime'
  | 'prime-again'
  | 'coat-again'
  | 'touch-up'
  | 'sand-and-touch-up'
  | 'clear-again'
  | 'wait';

/** One line of the list that is ticked. */
export interface Check {
  id: string;
  /** What is right. */
  right: string;
  /** What is wrong where it is not, as it is logged. */
  wrong: string;
  /** What puts it right, the usual one first. */
  mends: readonly Mend[];
  /** On what pieces it is looked at, where that is not all: what bends, what has closures or tabs kept bare, sheets of foam. */
  on?: 'bends' | 'closures' | 'foam-sheet';
}

/** How one looks, and at what. */
export interface Looking {
  how: string;
  checks: readonly Check[];
}

/** What is looked at on every sealer, with or without water. */
const sealerSkin: readonly Check[] = [
  {
    id: 'pinholes',
    right: 'No pinholes.',
    wrong: 'Pinholes',
    mends: ['fill-pinholes', 'seal-again'],
  },
  { id: 'tacky', right: 'No tacky spots.', wrong: 'Still tacky', mends: ['wait'] },
  {
    id: 'bristles',
    right: 'No bristles, hairs or lumps in it.',
    wrong: 'Something is stuck in it',
    mends: ['seal-again'],
  },
];

/** What is looked at where (docs/domain.md, "Looking over"). */
export const lookingTable: Readonly<Record<LookOver, Looking>> = {
  worn: {
    how: 'Over what is worn below it. Move as you will on the day.',
    checks: [
      {
        id: 'sits',
        right: 'It sits where it belongs, and nothing pinches.',
        wrong: 'It does not fit',
        mends: ['trim'],
      },
      {
        id: 'bends',
        right: 'It bends with the body, and no seam opens.',
        wrong: 'A seam opens when it bends',
        mends: ['caulk-seams'],
        on: 'bends',
      },
      {
        id: 'reaches',
        right: 'Straps and closures reach, and their tabs are long enough.',
        wrong: 'A closure does not reach',
        mends: ['trim'],
        on: 'closures',
      },
    ],
  },
  bare: {
    how: 'Slanting light, and a fingertip over every seam with your eyes shut.',
    checks: [
      {
        id: 'seams',
        right: 'No seam, gap or step can be felt.',
        wrong: 'A seam or gap can be felt',
        mends: ['fill-seams', 'caulk-seams'],
      },
      {
        id: 'glue',
        right: 'No glue strings or smears, no marker.',
        wrong: 'Glue or marker is left',
        mends: ['clean-glue'],
      },
      {
        id: 'pores',
        right: 'The skin shines a little all over: no fuzz, no open pores.',
        wrong: 'Fuzz or open pores',
        mends: ['heat-again', 'fill-seams'],
        on: 'foam-sheet',
      },
      { id: 'dust', right: 'No dust, no fingerprints.', wrong: 'Dust or fingerprints', mends: ['dust-off'] },
    ],
  },
  sealed: {
    how: 'A drop of water here and there, dabbed off again; then look along the surface.',
    checks: [
      {
        id: 'closed',
        right: 'The drop stays on top; nothing darkens.',
        wrong: 'Water soaks in',
        mends: ['seal-again'],
      },
      ...sealerSkin,
    ],
  },
  felt: {
    how: 'Slanting light along the surface, then a light fingertip. No water: it would soften this sealer.',
    checks: [
      {
        id: 'closed',
        right: 'An even skin all over: no pores, nothing soaked in dull.',
        wrong: 'Pores, or dull places where it soaked in',
        mends: ['seal-again'],
      },
      ...sealerSkin,
    ],
  },
  primed: {
    how: 'Slanting light: one colour all over shows now what no paint will hide.',
    checks: [
      {
        id: 'scratches',
        right: 'No scratches and no seams show.',
        wrong: 'Scratches or seams show',
        mends: ['fill-and-prime', 'prime-again'],
      },
      {
        id: 'even',
        right: 'Primed all over, without runs or grit.',
        wrong: 'Runs, grit or thin places',
        mends: ['prime-again'],
      },
    ],
  },
  coloured: {
    how: 'At arm’s length and from three metres, by daylight and by lamp.',
    checks: [
      {
        id: 'cover',
        right: 'The cover is even; nothing below shows that should not.',
        wrong: 'The cover is uneven',
        mends: ['coat-again', 'touch-up'],
      },
      { id: 'missed', right: 'No missed spots.', wrong: 'Missed spots', mends: ['touch-up'] },
      { id: 'runs', right: 'No runs, no grit.', wrong: 'Runs or grit', mends: ['sand-and-touch-up'] },
    ],
  },
  pulled: {
    how: 'Along every taped edge.',
    checks: [
      {
        id: 'leaks',
        right: 'No paint crept under the tape.',
        wrong: 'Paint crept under the tape',
        mends: ['touch-up'],
      },
      {
        id: 'lifted',
        right: 'The tape took nothing along.',
        wrong: 'The tape took paint along',
        mends: ['sand-and-touch-up'],
      },
    ],
  },
  packing: {
    how: 'In daylight, all round.',
    checks: [
      {
        id: 'cracks',
        right: 'Bent once as it bends when worn: no crack, no pale line.',
        wrong: 'Cracks where it bends',
        mends: ['sand-and-touch-up'],
        on: 'bends',
      },
      {
        id: 'nail',
        right: 'A fingernail in a hidden place leaves no mark.',
        wrong: 'A fingernail leaves a mark',
        mends: ['wait'],
      },
      { id: 'smell', right: 'It smells of nothing.', wrong: 'It still smells', mends: ['wait'] },
      {
        id: 'rubs',
        right: 'Nothing comes off on a white cloth.',
        wrong: 'Colour comes off on a cloth',
        mends: ['clear-again'],
      },
      { id: 'chips', right: 'No chips, no bare spots.', wrong: 'Chips or bare spots', mends: ['touch-up'] },
    ],
  },
};
