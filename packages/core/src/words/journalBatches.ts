import type { JournalLine } from './journal';

/** Which units of a piece a batch was about. */
export interface BatchPiece {
  pieceId: string;
  units: number[];
}

/** Lines that say the same of one moment, as of a batch that was logged with one press. */
export interface JournalBatch<Line extends Pick<JournalLine, 'id'>> {
  key: string;
  /** The first of them; what they say beside their piece and unit is the same. */
  line: Line;
  lines: Line[];
  pieces: BatchPiece[];
}

/**
 * Lines of a journal as batches, in the order given: what was logged at the same minute, of the same kind and in the same words, is one line
 * with its pieces and units.
 */
export function journalBatches<
  Line extends Pick<JournalLine, 'id' | 'at' | 'text' | 'pieceId' | 'unit' | 'note' | 'photo'> & {
    kind: string;
  },
>(lines: readonly Line[]): JournalBatch<Line>[] {
  const batches = new Map<string, JournalBatch<Line>>();
  for (const line of lines) {
    const { at, kind, text, note, photo, pieceId, unit } = line;
    const key =
      pieceId === undefined || unit === undefined ? line.id : JSON.stringify([at, kind, text, note, photo]);
    const batch = batches.get(key) ?? { key, line, lines: [], pieces: [] };
    batches.set(key, batch);
    batch.lines.push(line);
    if (pieceId === undefined) continue;
    const known = batch.pieces.find((piece) => piece.pieceId === pieceId);
    const units = unit === undefined ? [] : [unit];
    if (known) known.units.push(...units);
    else batch.pieces.push({ pieceId, units });
  }
  for (const { pieces } of batches.values()) for (const { units } of pieces) units.sort((a, b) => a - b);
  return [...batches.values()];
}
