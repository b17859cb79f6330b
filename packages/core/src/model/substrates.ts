import { columnOf, idsOf, tableOf } from './table';

/** What a piece can be made of: all that the program knows of it. */
export interface SubstrateDefinition {
  word: string;
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
  /** It stretches and folds. */
  isCloth?: boolean;
}

/** Every substrate (docs/domain.md, "What a piece is made of"). */
export const substrateTable = tableOf<SubstrateDefinition>()({
  'eva-foam': { word: 'EVA foam', isPorousFoam: true, swells: true },
  'craft-foam': { word: 'Craft foam', isPorousFoam: true, swells: true },
  'foam-clay': { word: 'Foam clay', isPorousFoam: true },
  'thermoplastic-sheet': { word: 'Thermoplastic sheet', isSmooth: true, softensInHeat: true },
  'pvc-pipe': { word: 'PVC pipe', isSmooth: true, isNeverHeated: true },
  'pla-print': { word: 'PLA print', isSmooth: true, softensInHeat: true },
  'cast-resin': { word: 'Cast resin', isSmooth: true, hasRelease: true },
  'expanded-polystyrene': {
    word: 'Expanded polystyrene',
    isPorousFoam: true,
    dissolves: true,
    isSpoiltByFlame: true,
  },
  'stretch-fabric': { word: 'Stretch fabric', isSpoiltByHeat: true, isSpoiltByFlame: true, isCloth: true },
  'faux-leather': { word: 'Faux leather', isSpoiltByHeat: true, isSpoiltByFlame: true },
  card: { word: 'Card', isSpoiltByFlame: true },
  wood: { word: 'Wood' },
  metal: { word: 'Metal', isSmooth: true },
  'clear-plastic': {
    word: 'Clear plastic',
    isSmooth: true,
    isSpoiltByHeat: true,
    isSpoiltByFlame: true,
  },
});

export type SubstrateKind = keyof typeof substrateTable;
export const substrateKinds = idsOf(substrateTable);
/** The words for each substrate. */
export const substrateNames = columnOf(substrateTable, 'word');

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
  property: Exclude<keyof SubstrateDefinition, 'word'>,
): SubstrateKind | undefined =>
  layersOfSubstrate(substrate).find((kind) => substrateTable[kind][property] === true);
