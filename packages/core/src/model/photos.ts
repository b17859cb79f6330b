/** Photos are kept no longer than this on their longer edge: a hair in a coat still shows, and a year of them stays small. */
export const LONGEST_PHOTO_EDGE_PX = 1600;

/** The ending of every photo's name. */
const ENDING = '.jpg';

/** A name for a photo, from something that no other photo has. */
export const photoName = (unique: string): string => `${unique}${ENDING}`;

/** Whether something is the name of a photo that is kept. */
export const isPhotoName = (name: string): boolean => /^[\w-]{1,100}\.jpg$/.test(name);
