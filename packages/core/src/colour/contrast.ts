import { differenceCiede2000 } from 'culori';

/** How two colours beside each other tell apart across a room. */
export type Apart = 'one' | 'hint' | 'clear';

// Across a room the eye tells light from dark well and one hue from another half as well.
const fromAfar = differenceCiede2000(1, 2, 2);
/** Under the first they read as one, from the second on as two, ΔE00 with hue and chroma counting half. */
const HINT_DELTA_E = 4;
const CLEAR_DELTA_E = 9;

/** How neighbouring colours read at three metres: as `one`, as two to who looks for it (`hint`), or `clear`ly as two. */
export function apartAtThreeMetres(one: string, other: string): Apart {
  const off = fromAfar(one, other);
  if (off < HINT_DELTA_E) return 'one';
  return off < CLEAR_DELTA_E ? 'hint' : 'clear';
}
