import type { Piece } from '../model/schema';

/** What names of areas that are kept bare say of how a piece is worn: something that closes, holds or reaches round the body. */
const CLOSES =
  /strap|tab\b|tabs\b|zip|buckle|hook|loop|closure|elastic|button|snap|clip|magnet|belt|lace|tie\b|ties\b/i;

/** Whether something on a piece closes or straps it on, as against a spot that is only kept bare for glue. */
export const hasClosures = ({ keepBare = [] }: Pick<Piece, 'keepBare'>): boolean =>
  keepBare.some((name) => CLOSES.test(name));
