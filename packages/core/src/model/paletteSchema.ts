import { z } from 'zod';
import { colour, id, name, note } from './fields';

/** What a colour is in a build. */
export const paletteRoles = ['base', 'shade', 'light', 'metal', 'rust', 'accent'] as const;

/** A colour of a build by name: steps that name it follow it. */
export const paletteColourSchema = z.looseObject({
  id,
  name,
  role: z.enum(paletteRoles),
  colour,
  /** What it is usually laid with. */
  material: id.optional(),
  note,
});
