import { lookingTable, type Check } from '../model/lookOverChecks';
import type { Piece, Step } from '../model/schema';
import { substrateTable } from '../model/substrates';

/** Whether a check is about a piece at all. */
function isAbout({ on }: Check, { substrate, flex = [], keepBare = [] }: Piece): boolean {
  switch (on) {
    case undefined:
      return true;
    case 'bends':
      return flex.length > 0;
    case 'closures':
      return keepBare.length > 0;
    case 'foam-sheet':
      return substrateTable[substrate.kind].swells === true;
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
