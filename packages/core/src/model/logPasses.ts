import type { Build, Piece } from './schema';
import { facesOf, operationId, type PassSpot } from './stepSpots';

/** A pass as the log names it; old files and callers may leave the face out. */
export type NamedPass = PassSpot & { outcome?: 'failed' | undefined };

/**
 * The pass that an entry means. Steps that lay no film have no faces. Without a face it is the first face of the step whose
 * coat is not taken yet, which is the one that is due. Undefined when the step is not there or does not work on the face named.
 */
export function passMeant(
  piece: Piece | undefined,
  named: NamedPass,
  isTaken: (id: string) => boolean,
): PassSpot | undefined {
  const step = piece?.steps.find((one) => one.id === named.step);
  if (!piece || !step || (step.units && !step.units.includes(named.unit))) return undefined;
  const { piece: pieceId, unit, step: stepId, coat, face } = named;
  const spot = { piece: pieceId, unit, step: stepId, coat };
  if (step.material === undefined) return spot;
  const faces = facesOf(step);
  if (face !== undefined) return faces.includes(face) ? { ...spot, face } : undefined;
  const due = faces.find((one) => !isTaken(operationId({ ...spot, face: one }))) ?? faces[0];
  return due ? { ...spot, face: due } : undefined;
}

/**
 * Entries with the passes they mean, in the order given; what means nothing is left out. A pass that is done is taken for the
 * entries after it; one that failed is still to do.
 * @param taken ids of passes that are done before the first of them; what the entries do is added
 */
export function passesMeant<Entry extends NamedPass>(
  pieces: Build['pieces'],
  entries: readonly Entry[],
  taken = new Set<string>(),
): { entry: Entry; pass: PassSpot; id: string }[] {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  return entries.flatMap((entry) => {
    const pass = passMeant(byId.get(entry.piece), entry, (id) => taken.has(id));
    if (!pass) return [];
    const id = operationId(pass);
    if (entry.outcome !== 'failed') taken.add(id);
    return [{ entry, pass, id }];
  });
}
