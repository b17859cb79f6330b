import type { Build } from '../model/schema';
import { sameTint } from '../colour/tint';
import { colourWords } from './colourWords';

/** What a colour is called: by its name in the palette of the build, else in plain words. */
export const sayColour = (colour: string, palette: Build['palette'] = []): string =>
  palette.find((one) => sameTint(one.colour, colour))?.name ?? colourWords(colour);
