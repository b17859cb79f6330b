import type { Build } from '../model/schema';
import { sameTint } from '../colour/tint';
import { colourWords, metalWords } from './colourWords';

/** What a colour is called: by its name in the palette of the build, else in plain words, those of metals where it shines like one. */
export const sayColour = (
  colour: string,
  { palette = [], isMetal = false }: { palette?: Build['palette']; isMetal?: boolean } = {},
): string =>
  palette.find((one) => sameTint(one.colour, colour))?.name ??
  (isMetal ? metalWords(colour) : colourWords(colour));
