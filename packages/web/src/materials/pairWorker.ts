import { judgePair, type OwnMaterial, type PairState, type PairVerdict, type Swatch } from '@fixatum/core';

/** Asks for every pair of some materials in one state. */
export interface BoardRequest {
  ticket: number;
  unders: string[];
  overs: string[];
  state: PairState;
  own: OwnMaterial[];
  swatches: Swatch[];
}

/** One row of the board at a time, so that it fills while it is worked out. */
export interface BoardRow {
  ticket: number;
  under: string;
  verdicts: PairVerdict[];
}

let newest = 0;

self.onmessage = ({ data }: MessageEvent<BoardRequest>) => {
  newest = data.ticket;
  const next = (at: number): void => {
    const under = data.unders[at];
    // A newer question makes the rest of this one pointless.
    if (under === undefined || data.ticket !== newest) return;
    const verdicts = data.overs.map((over) => judgePair(under, over, data.state, data.own, data.swatches));
    self.postMessage({ ticket: data.ticket, under, verdicts } satisfies BoardRow);
    setTimeout(() => next(at + 1));
  };
  next(0);
};
