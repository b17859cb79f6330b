import { lookingTable, type Check } from '../model/lookOverChecks';
import type { Piece, Step } from '../model/schema';
import { flexingOf } from './bends';
import { hasClosures } from './closures';
import { substrateTable } from '../model/substrates';

/** Whether a check is about a piece at all. */
function isAbout({ on }: Check, piece: Piece): boolean {
  switch (on) {
    case undefined:
      return true;
    case 'bends':
      return flexingOf(piece).length > 0;
    case 'closures':
      return hasClosures(piece);
    case 'foam-sheet':
      return substrateTable[piece.substrate.kind].swells === true;
  }
}

/**
 * What is looked at in a step, to be ticked one by one: by where it stands in the work, and by what the piece is. Right after tape was
 * pulled its edges are looked at as well. Nothing for a step that is no look-over, or says nothing of where it stands.
 */
export function checksOf(piece: Piece, step: Pick<Step, 'id' | 'looksOver'>): readonly Check[] {
  if (step.looksOver === undefined) return [];
  const own = lookingTable[step.looksOver].checks;
  const at = piece.steps.findIndex(({ id }) => id === step.id);
  const before = piece.steps[at - 1];
  const isUnderTape = before?.kind === 'unmask' && before.covers === undefined && step.looksOver !== 'pulled';
  return [...(isUnderTape ? lookingTable.pulled.checks : []), ...own].filter((check) =>
    isAbout(check, piece),
  );
}
