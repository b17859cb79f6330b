import {
  comesInColours,
  methodWords,
  parseRecoat,
  pigmentTable,
  sayWait,
  traitWords,
  type Material,
  degreesOf,
  sayC,
  sayUm,
} from '@fixatum/core';
import { roleWords } from '../shared/words';

const wait = (minutes: number | undefined) => (minutes === undefined ? '–' : sayWait(minutes));
/** When a material takes its next coat: "after 45 min", "15 min to 1 h, or after 2 days". */
export const recoatWords = (material: Pick<Material, 'recoat'>) =>
  parseRecoat(material.recoat)
    .map(({ from, to }) => {
      if (to === Infinity) return from === 0 ? 'at once' : `after ${sayWait(from)}`;
      return from === 0 ? `within ${sayWait(to)}` : `${sayWait(from)} to ${sayWait(to)}`;
    })
    .join(', or ') || 'never';
/** How strong a solvent is against what it lands on, by its number. */
const solventWords = ['none', 'mild', 'medium', 'strong'];

/** Each figure with the fields it is made of, which an own tin may have from its label. */
export const materialFigures: [
  name: string,
  help: string,
  value: (material: Material) => string,
  ...fields: (keyof Material)[],
][] = [
  ['For', 'What it is used as', (m) => roleWords[m.role], 'role'],
  ['Binder', 'What the dry film is made of', (m) => m.binder, 'binder'],
  [
    'Thinned with',
    'What leaves as it dries',
    (m) => (m.carrier === 'none' ? 'nothing' : m.carrier),
    'carrier',
  ],
  [
    'Solvent strength',
    'What its solvent does to what lies below: nothing, or up to dissolving it',
    (m) => solventWords[m.solvent] ?? String(m.solvent),
    'solvent',
  ],
  ['Wet film', 'One normal coat', (m) => sayUm(m.wftUm), 'wftUm'],
  ['Dry film', 'Wet film times solids', (m) => sayUm(m.wftUm * m.solids), 'wftUm', 'solids'],
  [
    'Stretch',
    'Elongation at break',
    (m) => (m.elongationPct === undefined ? '–' : `${m.elongationPct} %`),
    'elongationPct',
  ],
  ['Sheen', 'Gloss units at 60°', (m) => (m.sheenGu === undefined ? '–' : String(m.sheenGu)), 'sheenGu'],
  [
    'Hides at',
    'Dry film that hides what is below; with an average pigment where it comes in many colours',
    (m) =>
      m.hideUm === undefined
        ? 'clear'
        : `${sayUm(m.hideUm)}${m.pigments?.length ? `, with ${m.pigments.map((id) => pigmentTable[id].name.toLowerCase()).join(', ')}` : comesInColours(m) ? ', by its colour' : ''}`,
    'hideUm',
    'pigments',
  ],
  ['Touch-dry', 'At 21 °C, 50 % humidity', (m) => wait(m.touch), 'touch'],
  ['Next coat', 'Recoat windows', recoatWords, 'recoat'],
  ['Tape-safe', 'When tape may go on', (m) => wait(m.tape), 'tape'],
  ['Sandable', 'When it can be sanded', (m) => wait(m.sand), 'sand'],
  ['Handle', 'When it can be turned over', (m) => wait(m.handle), 'handle'],
  ['Packable', 'When it stops sticking to its neighbour', (m) => wait(m.pack), 'pack'],
  ['Wearable', 'Hard and free of smell', (m) => wait(m.wear), 'wear'],
  [
    'Air',
    'Temperature and most humidity',
    (m) => `${degreesOf(m.minC)} to ${sayC(m.maxC)}, up to ${m.maxRhPct} %`,
    'minC',
    'maxC',
    'maxRhPct',
  ],
  ['Put on by', 'Methods', (m) => m.methods.map((method) => methodWords[method]).join(', '), 'methods'],
  [
    'Besides',
    'What it is that its binder does not tell',
    (m) => m.traits.map((trait) => traitWords[trait]).join(', ') || 'nothing special',
    'traits',
  ],
  [
    'Mind',
    'Hazards; the label and safety data sheet win',
    (m) => m.hazards.join(', ') || 'nothing special',
    'hazards',
  ],
];

/** Dry enough in one evening: handled within three hours, and the next coat within one. */
export const inAnEvening = (material: Material): boolean =>
  (material.handle ?? 0) <= 180 && (parseRecoat(material.recoat)[0]?.from ?? Infinity) <= 60;

/** Can be put on in a room: some way other than a spray can, and no strong solvent to breathe. */
export const isForIndoors = (material: Material): boolean =>
  material.methods.some((method) => method !== 'aerosol') && material.solvent < 2;

/** What a catalogue is narrowed down by; empty texts and unticked boxes leave all. */
export interface MaterialFilter {
  role: string;
  binder: string;
  text: string;
  indoor: boolean;
  solventFree: boolean;
  evening: boolean;
  bends: boolean;
}

/** Enough stretch for a part that bends, %. */
const BENDS_FROM_PCT = 60;

export const fits = (material: Material, filter: MaterialFilter): boolean =>
  (filter.role === '' || material.role === filter.role) &&
  (filter.binder === '' || material.binder === filter.binder) &&
  (!filter.indoor || isForIndoors(material)) &&
  (!filter.solventFree || material.solvent === 0) &&
  (!filter.evening || inAnEvening(material)) &&
  (!filter.bends || (material.elongationPct ?? 0) >= BENDS_FROM_PCT) &&
  `${material.name} ${material.binder} ${material.note}`
    .toLowerCase()
    .includes(filter.text.trim().toLowerCase());
