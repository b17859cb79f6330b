import type { Attachment, Surface, TextureKind, WantedEffect, ZoneEdge, ZoneRole } from '../model/fields';

/** What an attach step puts on, on a menu. */
export const attachmentWords: Record<Attachment, string> = {
  strap: 'straps',
  elastic: 'elastic',
  closure: 'hook-and-loop, a zip or another closure',
  fabric: 'fabric',
  leather: 'leather',
  mesh: 'mesh',
  lens: 'a lens',
  decal: 'a decal',
  vinyl: 'self-adhesive vinyl',
  'iron-on': 'iron-on film',
  led: 'lamps',
  battery: 'a battery',
  hardware: 'rivets, hinges or magnets',
};

/** What is meant to come out so, and is no fault then. */
export const wantedWords: Record<WantedEffect, string> = {
  cracking: 'cracks are wanted',
  'undercoat-shows': 'what is below is to show',
  patchy: 'patchy',
  'short-reheat': 'a short pass of heat, on purpose',
  'painted-cloth': 'the cloth is to be painted along',
};

export const textureWords: Record<TextureKind, string> = {
  pressed: 'pressed or stamped in',
  burned: 'burned in',
  ground: 'ground or cut in',
};

export const zoneRoleWords: Record<ZoneRole, string> = {
  field: 'field',
  trim: 'trim',
  accent: 'accent',
  line: 'line',
  hardware: 'hardware',
};

/** How the edge of a zone is kept. */
export const zoneEdgeWords: Record<ZoneEdge, string> = {
  'by-hand': 'by hand, along a groove',
  tape: 'with tape, sharp',
};

export const surfaceWords: Record<Surface, string> = {
  skin: 'with its factory skin',
  release: 'as it came out of the mould',
  opened: 'sanded, scuffed or cut already',
};
