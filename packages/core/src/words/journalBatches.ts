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

/** Units of a batch follow each other within so many minutes; what comes later is another batch. */
const SAME_BATCH_MINUTES = 30;

const minutesOfDay = (at: string): number => Number(at.slice(11, 13)) * 60 + Number(at.slice(14, 16));

/**
 * Lines of a journal as batches, in the order given: what was logged on one day, each within half an hour of the last, of the same kind and
 * in the same words, is one line with its pieces and units.
 * @param lines in order of time, newest or oldest first
 */
export function journalBatches<
  Line extends Pick<JournalLine, 'id' | 'at' | 'text' | 'pieceId' | 'unit' | 'note' | 'photo'> & {
    kind: string;
  },
>(lines: readonly Line[]): JournalBatch<Line>[] {
  const batches: JournalBatch<Line>[] = [];
  const last = new Map<string, JournalBatch<Line>>();
  for (const line of lines) {
    const { at, kind, text, note, photo, pieceId, unit } = line;
    const isAlone = pieceId === undefined || unit === undefined;
    const words = JSON.stringify([at.slice(0, 10), kind, text, note, photo]);
    const open = isAlone ? undefined : last.get(words);
    const before = open?.lines.at(-1);
    const isSame =
      before !== undefined && Math.abs(minutesOfDay(before.at) - minutesOfDay(at)) <= SAME_BATCH_MINUTES;
    const batch = open && isSame ? open : { key: line.id, line, lines: [], pieces: [] };
    if (batch !== open) batches.push(batch);
    if (!isAlone) last.set(words, batch);
    batch.lines.push(line);
    if (pieceId === undefined) continue;
    const known = batch.pieces.find((piece) => piece.pieceId === pieceId);
    const units = unit === undefined ? [] : [unit];
    if (known) known.units.push(...units);
    else batch.pieces.push({ pieceId, units });
  }
  for (const { pieces } of batches) for (const { units } of pieces) units.sort((a, b) => a - b);
  return batches;
}
