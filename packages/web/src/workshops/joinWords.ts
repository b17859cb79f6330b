import type { JoinChoice, Match, MatchedKind } from '@fixatum/core';

/** What the things of a workshop are called, by kind. */
export const kindWords: Record<MatchedKind, string> = {
  people: 'People',
  places: 'Places',
  materials: 'Own tins and figures',
  stock: 'On the shelf',
  swatches: 'Swatches',
  mixes: 'Mixes',
};

/** What a choice does with a thing, in words. */
export function choiceWord({ how, there }: Pick<Match, 'how' | 'there'>, choice: JoinChoice): string {
  const name = there?.name ?? '';
  switch (choice) {
    case 'theirs':
      return `is “${name}” there, which stays as it is`;
    case 'mine':
      return `is “${name}” there, with what the build says of it`;
    case 'apart':
      return how === 'new' ? 'comes along' : 'is something else, and comes too';
    case 'leave':
      return 'stays behind';
  }
}

/** How much of what a build brings a workshop knows: by this the likeliest of several is offered first. */
export const known = (matches: readonly Match[]): number =>
  matches.reduce(
    (sum, { kind, how }) =>
      sum + (kind === 'people' || kind === 'places' ? 1 : 0.1) * (how === 'new' ? 0 : how === 'same' ? 2 : 1),
    0,
  );
