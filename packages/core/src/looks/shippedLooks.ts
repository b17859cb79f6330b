import { lookSchema, type Look } from './look';
import { metalLooks } from './metalLooks';
import { otherLooks } from './otherLooks';

const drafts = [...metalLooks, ...otherLooks];

/** The looks that ship with the program. */
export const shippedLooks: readonly Look[] = drafts.map((draft) => lookSchema.parse(draft));

/** The shipped looks by id. */
export const lookById: ReadonlyMap<string, Look> = new Map(shippedLooks.map((look) => [look.id, look]));
