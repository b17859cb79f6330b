import { judgePair, type OwnMaterial, type PairState, type PairVerdict, type Swatch } from '@fixatum/core';

/** Asks for every pair of some materials in one state. */
export interface BoardRequest {
  unders: string[];
  overs: string[];
  state: PairState;
  own: OwnMaterial[];
  swatches: Swatch[];
}

let newest = 0;

/**
 * Judges every pair.
 * @param row told of one row at a time, so that the board fills while it is worked out; a newer question ends this one
 */
export async function pairs(
  { unders, overs, state, own, swatches }: BoardRequest,
  row: (under: string, verdicts: PairVerdict[]) => void,
): Promise<void> {
  newest += 1;
  const ticket = newest;
  for (const under of unders) {
    if (ticket !== newest) return;
    row(
      under,
      overs.map((over) => judgePair(under, over, state, own, swatches)),
    );
    await new Promise((go) => setTimeout(go));
  }
}
