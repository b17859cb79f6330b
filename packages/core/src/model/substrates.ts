import { columnOf, idsOf, tableOf } from './table';

/** What a piece can be made of: all that the program knows of it. */
export interface SubstrateDefinition {
  word: string;
  /** What it is usually like, `#rrggbb`, where a piece does not say. */
  usualColour: string;
  /** Foam with open pores, which drinks paint until it is sealed. */
  isPorousFoam?: boolean;
  /** A foam sheet that hot solvents swell while it is bare. */
  swells?: boolean;
  /** Solvents eat it while it is bare. */
  dissolves?: boolean;
  /** Too smooth for paint to hold without scuffing or a promoter. */
  isSmooth?: boolean;
  /** It comes out of a mould that was greased to let it go. */
  hasRelease?: boolean;
  /** It goes soft between 55 and 90 °C. */
  softensInHeat?: boolean;
  /** Heat splits poison off it; so does the dust of dry sanding indoors. */
  isNeverHeated?: boolean;
  /** Hot air shrivels or clouds it. */
  isSpoiltByHeat?: boolean;
  /** A flame sets it alight or eats it. */
  isSpoiltByFlame?: boolean;
  /** Its face has a grain like leather. */
  hasGrain?: boolean;
  /** It is there to be seen through; grit clouds it. */
  isSeeThrough?: boolean;
  /** It stretches and folds. */
  isCloth?: boolean;
}

/** Every substrate (docs/domain.md, "What a piece is made of"). */
export const substrateTable = tableOf<SubstrateDefinition>()({
  'eva-foam': { word: 'EVA foam', usualColour: '#4b4d4f', isPorousFoam: true, swells: true },
  'craft-foam': { word: 'Craft foam', usualColour: '#4b4d4f', isPorousFoam: true, swells: true },
  'foam-clay': { word: 'Foam clay', usualColour: '#dcdad4', isPorousFoam: true },
  'thermoplastic-sheet': {
    word: 'Thermoplastic sheet',
    usualColour: '#c9b79a',
    isSmooth: true,
    softensInHeat: true,
  },
  'pvc-pipe': { word: 'PVC pipe', usualColour: '#d8d8d4', isSmooth: true, isNeverHeated: true },
  'pla-print': { word: 'PLA print', usualColour: '#9a9a98', isSmooth: true, softensInHeat: true },
  'cast-resin': { word: 'Cast resin', usualColour: '#d8d2c2', isSmooth: true, hasRelease: true },
  'expanded-polystyrene': {
    word: 'Expanded polystyrene',
    usualColour: '#f2f2f0',
    isPorousFoam: true,
    dissolves: true,
    isSpoiltByFlame: true,
  },
  'stretch-fabric': {
    word: 'Stretch fabric',
    usualColour: '#8b8d8e',
    isSpoiltByHeat: true,
    isSpoiltByFlame: true,
    isCloth: true,
  },
  'faux-leather': {
    hasGrain: true,
    word: 'Faux leather',
    usualColour: '#4a3a30',
    isSpoiltByHeat: true,
    isSpoiltByFlame: true,
  },
  card: { word: 'Card', usualColour: '#b39b7a', isSpoiltByFlame: true },
  wood: { word: 'Wood', usualColour: '#c2a477' },
  metal: { word: 'Metal', usualColour: '#a0a3a5', isSmooth: true },
  'clear-plastic': {
    word: 'Clear plastic',
    usualColour: '#dfe5e6',
    isSeeThrough: true,
    isSmooth: true,
    isSpoiltByHeat: true,
    isSpoiltByFlame: true,
  },
});

export type SubstrateKind = keyof typeof substrateTable;
export const substrateKinds = idsOf(substrateTable);
/** The words for each substrate. */
export const substrateNames = columnOf(substrateTable, 'word');

/** The colour of what a piece is made of: as it says, or else as is usual. */
export const groundColourOf = ({
  kind,
  colour,
}: {
  kind: SubstrateKind;
  colour?: string | undefined;
}): string => colour ?? substrateTable[kind].usualColour;

/** Foams with open pores, which drink paint until they are sealed. */
export const isPorousFoam = (kind: SubstrateKind): boolean => substrateTable[kind].isPorousFoam === true;

/** Everything that a piece is made of, from outside in. */
export const layersOfSubstrate = (substrate: {
  kind: SubstrateKind;
  over?: readonly SubstrateKind[] | undefined;
}): SubstrateKind[] => [substrate.kind, ...(substrate.over ?? [])];

/** The first of the layers of a piece that is so, if any is. */
export const layerThat = (
  substrate: Parameters<typeof layersOfSubstrate>[0],
  property: Exclude<keyof SubstrateDefinition, 'word' | 'usualColour'>,
): SubstrateKind | undefined =>
  layersOfSubstrate(substrate).find((kind) => substrateTable[kind][property] === true);
