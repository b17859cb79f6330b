import type { FoundOutline } from './outline';
import { isInside, ringAreaCm2, type Bounds, type Point } from './rings';

/** Words further from an outline than this are not about it, mm. */
const NEAR_MM = 25;

/** Gives every outline the words inside it, or else the nearest that no other took; zones the words inside them. */
export function nameByWords(
  outlines: (FoundOutline & { bounds: Bounds })[],
  texts: readonly { at: Point; text: string }[],
): void {
  const taken = new Set<number>();
  const give = (outline: FoundOutline, said: readonly number[]) => {
    const words = said.map((at) => texts[at]!.text);
    const read = words.map(readLabel);
    outline.name = read.map((one) => one.name).find((one) => one !== '');
    outline.count = read.find((one) => one.count !== undefined)?.count ?? 1;
    outline.pairs = read.some((one) => one.pairs);
    said.forEach((at) => taken.add(at));
  };
  // The smallest first: words in a part that lies in another's hole are its own.
  const bySize = [...outlines].sort((a, b) => ringAreaCm2(a.outer) - ringAreaCm2(b.outer));
  for (const outline of bySize) {
    const inside = texts.flatMap(({ at: place, text }, at) =>
      text !== '' && !taken.has(at) && isInside(place, outline.outer) ? [at] : [],
    );
    const inZones = new Set<number>();
    for (const zone of [...outline.zones].reverse()) {
      const own = inside.find((at) => !inZones.has(at) && isInside(texts[at]!.at, zone.ring));
      if (own === undefined) continue;
      zone.name = texts[own]!.text;
      inZones.add(own);
      taken.add(own);
    }
    give(
      outline,
      inside.filter((at) => !inZones.has(at)),
    );
  }
  // The nearest two go together first.
  const near = outlines
    .filter(({ name: own }) => own === undefined)
    .flatMap((outline) =>
      texts.flatMap(({ at: place, text }, at) => {
        const apart = apartFrom(place, outline.bounds);
        return text === '' || taken.has(at) || apart > NEAR_MM ? [] : [{ outline, at, apart }];
      }),
    )
    .sort((a, b) => a.apart - b.apart);
  for (const { outline, at } of near) if (outline.name === undefined && !taken.has(at)) give(outline, [at]);
}

/** An outline without words that lies alone on a layer is called by that. */
export function nameByLayer(outlines: FoundOutline[]): void {
  for (const outline of outlines) {
    const { kind } = outline;
    const isAlone = outlines.every((other) => other === outline || other.kind !== kind);
    if (
      outline.name === undefined &&
      isAlone &&
      outlines.length > 1 &&
      !kind.startsWith('#') &&
      kind !== 'lines'
    )
      outline.name = kind.slice(0, 1).toUpperCase() + kind.slice(1);
  }
}

/** How far a place is from a box, mm. */
const apartFrom = ([x, y]: Point, { left, top, right, bottom }: Bounds): number =>
  Math.hypot(Math.max(left - x, 0, x - right), Math.max(top - y, 0, y - bottom));

const MOST_OF_A_KIND = 200;

/**
 * What the words at an outline say: its name, how many are cut, and whether half of those are turned over.
 * @example readLabel('Greave ×2 mirrored') // { name: 'Greave', count: 2, pairs: true }
 */
export function readLabel(text: string): { name: string; count: number | undefined; pairs: boolean } {
  const said = /(?:\bcut\s+|\b[x]\s*|×\s*)(\d{1,3})\b|\b(\d{1,3})\s*(?:[x]\b|×)/i.exec(text);
  const pairs = /\bmirror(?:ed|s)?\b|\bpair\b|\bL\s*[+/&]\s*R\b/i;
  const count = said ? Number(said[1] ?? said[2]) : undefined;
  const isPair = pairs.test(text);
  const name = text
    .replace(said?.[0] ?? '', ' ')
    .replace(pairs, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:·–-]+|[\s,;:·–-]+$/g, '');
  return {
    name: name.slice(0, 120),
    count: count === undefined ? (isPair ? 2 : undefined) : Math.min(MOST_OF_A_KIND, Math.max(1, count)),
    pairs: isPair,
  };
}
