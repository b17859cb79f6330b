import type { PatchStep } from '../../../model/patch';
import type { Piece } from '../../../model/schema';
import { methodOf } from '../../../model/stepSpots';
import type { Way } from '../rescueCost';
import type { OpenStep, RescueContext } from './context';
import { sayC } from '../../../model/sayMeasure';

/** A way of catching up with a whole piece. */
export type PieceWay = (piece: Piece, open: readonly OpenStep[], context: RescueContext) => Way[];

/** A fan on all that is still to be laid. */
export const fan: PieceWay = (piece, open) => {
  const still = open.filter(({ step, material }) => material && (step.air ?? 'still') === 'still');
  if (still.length === 0) return [];
  return [
    {
      label: `A fan on ${piece.name}`,
      change: still.map(({ path }): PatchStep => ({ op: 'add', path: `${path}/air`, value: 'fan' })),
      cost: {},
    },
  ];
};

const CABINET_ID = 'warm-cabinet';
/** Thirty degrees, which nearly every brushed film stands. */
const CABINET_C = 30;

/** A warm cabinet for what is not sprayed. */
export const warmCabinet: PieceWay = (piece, open, { build }) => {
  const brushed = open.filter(
    ({ step, material }) =>
      material !== undefined && material.maxC > CABINET_C && methodOf(step, material) !== 'aerosol',
  );
  if (brushed.length === 0 || build.places.some((place) => place.id === CABINET_ID)) return [];
  return [
    {
      label: `A warm cabinet at ${sayC(CABINET_C)} for ${piece.name}`,
      change: [
        {
          op: 'add',
          path: `/places/${build.places.length}`,
          value: {
            id: CABINET_ID,
            name: 'Warm cabinet',
            ventilation: 'extraction',
            slots: 2,
            climate: { kind: 'constant', temperatureC: CABINET_C, humidityPct: 35 },
          },
        },
        ...brushed.map(({ path }): PatchStep => ({ op: 'add', path: `${path}/place`, value: CABINET_ID })),
      ],
      cost: { buys: ['a warm cabinet'] },
    },
  ];
};

/** Part of a set in time, the rest later; not where the last unit has been worked on. */
export const partOfSet: PieceWay = (piece, _open, { build }) => {
  const isBegun = (build.log ?? []).some(
    (entry) => entry.piece === piece.id && entry.unit > piece.quantity - 1,
  );
  if (piece.quantity < 2 || isBegun) return [];
  return [
    {
      label: `Only ${piece.quantity - 1} of ${piece.quantity} ${piece.name} this time`,
      change: [
        { op: 'add', path: `/pieces/${build.pieces.indexOf(piece)}/quantity`, value: piece.quantity - 1 },
      ],
      cost: { look: 'slight', givesUp: [`one ${piece.name}`] },
    },
  ];
};
