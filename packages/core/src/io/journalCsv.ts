import Papa from 'papaparse';
import type { Build } from '../model/schema';
import { tableText } from './tableText';
import type { JournalLine } from '../words/journal';

/** A line of the journal, or one that the screen adds to them, such as measured air. */
export type CsvLine = Omit<JournalLine, 'kind'> & { kind: string };

/** The journal as CSV with a line of headings, oldest first; quotes and line ends as RFC 4180 has them. */
export function journalCsv(build: Build, lines: readonly CsvLine[]): string {
  const nameOf = (id: string | undefined) => build.pieces.find((piece) => piece.id === id)?.name ?? '';
  return Papa.unparse(
    {
      fields: ['time', 'kind', 'piece', 'unit', 'what', 'temperature_c', 'humidity_pct', 'note', 'photo'],
      data: [...lines]
        .reverse()
        .map((line) => [
          line.at.replace('T', ' '),
          line.kind,
          tableText(nameOf(line.pieceId)),
          line.unit ?? '',
          tableText(line.text),
          line.temperatureC ?? '',
          line.humidityPct ?? '',
          tableText(line.note ?? ''),
          line.photo ?? '',
        ]),
    },
    // A cell that a spreadsheet would run as a formula is kept as text.
    { escapeFormulae: true },
  );
}
