/** A word of the trade that explains itself. */
export interface FieldWord {
  word: string;
  /** Other forms it is written in. */
  also?: readonly string[];
  means: string;
}

/** The words that beginners stumble over, each in one or two sentences. */
export const glossary: readonly FieldWord[] = [
  {
    word: 'tack',
    also: ['tacks', 'tacky'],
    means:
      'How sticky a film still is. Contact cement is pressed together when it tacks but leaves nothing on a finger.',
  },
  {
    word: 'flash off',
    also: ['flash-off'],
    means: 'The short wait in which solvent leaves a coat before the next pass or a closed lid.',
  },
  {
    word: 'recoat window',
    also: ['recoatable', 'window'],
    means:
      'When the next coat may go on: not before it, and for some paints not after it until they have cured.',
  },
  {
    word: 'pot life',
    means: 'How long a mixed two-part material can be laid before it goes stiff in the cup.',
  },
  {
    word: 'holiday',
    also: ['holidays'],
    means: 'A spot that a coat missed. It shows as a dull or lighter patch in slanting light.',
  },
  {
    word: 'bloom',
    also: ['blush'],
    means: 'A milky veil on a fresh film, from damp air that settles in it.',
  },
  {
    word: 'fish-eye',
    also: ['fish-eyes'],
    means: 'A small round crater where paint draws back from grease or silicone.',
  },
  {
    word: 'tape-safe',
    means: 'Dry enough that low-tack tape can be laid and pulled without taking paint along.',
  },
  { word: 'touch-dry', means: 'A fingertip leaves no mark and takes nothing along. It is still soft below.' },
  {
    word: 'packable',
    means: 'Dry enough that pieces in a case neither stick to each other nor print into each other.',
  },
  { word: 'cured', means: 'Hard right through; nothing more evaporates or hardens.' },
  { word: 'film', means: 'What a coat leaves when it is dry.' },
  {
    word: 'undercoat',
    means: 'The colour below the colour. It decides how bright or how deep the one above comes out.',
  },
  { word: 'sheen', means: 'How shiny a film is, from dead matte to gloss.' },
  { word: 'feather', also: ['feathered'], means: 'To thin an edge out until it cannot be seen or felt.' },
  {
    word: 'tip off',
    also: ['tip it off'],
    means: 'To draw a nearly empty brush over a wet coat once, so that it lies smooth.',
  },
  { word: 'promoter', means: 'A thin first mist that makes primer hold to smooth plastic, resin or metal.' },
  { word: 'resist', means: 'Something laid below a colour so that it can be wiped or picked off again.' },
  { word: 'wash', means: 'Very thin dark paint that runs into hollows and is wiped off the heights.' },
  { word: 'size', means: 'The glue below leaf, which stays sticky for hours.' },
  { word: 'low-tack', means: 'Tape that holds just enough and lets go without pulling paint.' },
  { word: 'grit', means: 'How coarse sandpaper is: the higher the number, the finer.' },
  {
    word: 'swatch',
    means: 'A test on an offcut: the same coats in the same order, bent, taped and looked at.',
  },
];

/** A stretch of text, with the word it is where it explains itself. */
export interface Stretch {
  text: string;
  word?: FieldWord;
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
const byForm = new Map(
  glossary.flatMap((word) =>
    [word.word, ...(word.also ?? [])].map((form) => [form.toLowerCase(), word] as const),
  ),
);
/** The longest first, so that "pot life" is not taken for a pot. */
const anyWord = new RegExp(
  `\\b(${[...byForm.keys()]
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|')})\\b`,
  'gi',
);

/**
 * Text in stretches, each word of the glossary told apart the first time it comes. All stretches together are the text.
 * @param seen words that were told already; those found are added
 */
export function explained(text: string, seen = new Set<FieldWord>()): Stretch[] {
  const stretches: Stretch[] = [];
  let from = 0;
  for (const match of text.matchAll(anyWord)) {
    const word = byForm.get(match[0].toLowerCase());
    if (!word || seen.has(word)) continue;
    seen.add(word);
    if (match.index > from) stretches.push({ text: text.slice(from, match.index) });
    stretches.push({ text: match[0], word });
    from = match.index + match[0].length;
  }
  if (from < text.length) stretches.push({ text: text.slice(from) });
  return stretches;
}
