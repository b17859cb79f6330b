import type { Build, LogEntry } from '../model/schema';
import { failureWords } from '../model/failures';
import { filmWords } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import { workWord } from './workWord';

/** One line of the journal. Moments are wall time in the build's zone, days without a clock at noon. */
export interface JournalLine {
  id: string;
  at: string;
  kind: 'coat' | 'work' | 'failed' | 'touch' | 'swatch' | 'packed';
  pieceId?: string;
  unit?: number;
  materialIds: string[];
  text: string;
  temperatureC?: number;
  humidityPct?: number;
  photo?: string;
  note?: string;
  /** What it said before it was put right, oldest first. */
  edits?: NonNullable<LogEntry['edits']>;
}

const failedWords = ({ cause }: Pick<LogEntry, 'cause'>): string =>
  cause === undefined
    ? ': failed, to be sanded back and done again'
    : `: failed, ${failureWords[cause]}; to be done again`;

/** Everything that happened to a build, newest first. */
export function journalOf(build: Build, materials: ReadonlyMap<string, Material>): JournalLine[] {
  const lines: JournalLine[] = [];
  for (const entry of build.log ?? []) {
    const piece = build.pieces.find((one) => one.id === entry.piece);
    const step = piece?.steps.find((one) => one.id === entry.step);
    const material = materials.get(entry.material ?? step?.material ?? '');
    const parts = [
      step ? workWord(step) : entry.step,
      ...(material ? [material.name] : []),
      ...(material && (step?.coats ?? 1) > 1 ? [`coat ${entry.coat} of ${step!.coats}`] : []),
      ...(material ? [filmWords[entry.film ?? step?.film ?? 'normal']] : []),
      ...(entry.face === 'inner' ? ['inner face'] : []),
      ...(entry.material ? ['another tin than planned'] : []),
      ...(entry.place
        ? [`in: ${build.places.find((one) => one.id === entry.place)?.name ?? entry.place}`]
        : []),
      ...(entry.by ? [`logged on ${entry.by}`] : []),
    ];
    lines.push({
      id: entry.id,
      at: entry.doneAt,
      kind: entry.outcome === 'failed' ? 'failed' : material ? 'coat' : 'work',
      pieceId: entry.piece,
      unit: entry.unit,
      materialIds: material ? [material.id] : [],
      text: `${parts.join(', ')}${entry.outcome === 'failed' ? failedWords(entry) : ''}`,
      ...(entry.temperatureC === undefined ? {} : { temperatureC: entry.temperatureC }),
      ...(entry.humidityPct === undefined ? {} : { humidityPct: entry.humidityPct }),
      ...(entry.photo ? { photo: entry.photo } : {}),
      ...(entry.note ? { note: entry.note } : {}),
      ...(entry.edits ? { edits: entry.edits } : {}),
    });
  }
  for (const test of build.touchTests ?? [])
    lines.push({
      id: test.id,
      at: test.at,
      kind: 'touch',
      pieceId: test.piece,
      unit: test.unit,
      materialIds: [],
      text: test.state === 'dry' ? 'Touched: dry' : 'Touched: still tacky',
    });
  for (const swatch of build.swatches ?? []) {
    if (!swatch.result || !swatch.judgedOn) continue;
    const names = [...swatch.coats]
      .reverse()
      .map((coat) => materials.get(coat.material)?.name ?? coat.material);
    lines.push({
      id: swatch.id,
      at: `${swatch.judgedOn}T12:00`,
      kind: 'swatch',
      materialIds: swatch.coats.map((coat) => coat.material),
      text: `Swatch ${swatch.result === 'good' ? 'held' : 'failed'}: ${names.join(' on ')}`,
      ...(swatch.photo ? { photo: swatch.photo } : {}),
      ...(swatch.note ? { note: swatch.note } : {}),
    });
  }
  for (const piece of build.pieces)
    if (piece.packedAt)
      lines.push({
        id: `packed ${piece.id}`,
        at: piece.packedAt,
        kind: 'packed',
        pieceId: piece.id,
        materialIds: [],
        text: 'Packed',
      });
  return lines.sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
}
