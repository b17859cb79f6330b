/** What a piece can be made of. */
export const substrateKinds = [
  'eva-foam',
  'craft-foam',
  'foam-clay',
  'thermoplastic-sheet',
  'pvc-pipe',
  'pla-print',
  'cast-resin',
  'expanded-polystyrene',
  'stretch-fabric',
  'faux-leather',
  'card',
  'wood',
  'metal',
  'clear-plastic',
] as const;

export type SubstrateKind = (typeof substrateKinds)[number];

/** The words for each substrate. */
export const substrateNames: Record<SubstrateKind, string> = {
  'eva-foam': 'EVA foam',
  'craft-foam': 'Craft foam',
  'foam-clay': 'Foam clay',
  'thermoplastic-sheet': 'Thermoplastic sheet',
  'pvc-pipe': 'PVC pipe',
  'pla-print': 'PLA print',
  'cast-resin': 'Cast resin',
  'expanded-polystyrene': 'Expanded polystyrene',
  'stretch-fabric': 'Stretch fabric',
  'faux-leather': 'Faux leather',
  card: 'Card',
  wood: 'Wood',
  metal: 'Metal',
  'clear-plastic': 'Clear plastic',
};

/** Foams with open pores, which drink paint until they are sealed. */
export const isPorousFoam = (kind: SubstrateKind): boolean =>
  kind === 'eva-foam' || kind === 'craft-foam' || kind === 'foam-clay' || kind === 'expanded-polystyrene';
