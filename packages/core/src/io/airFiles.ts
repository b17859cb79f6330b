import Papa from 'papaparse';
import { z } from 'zod';
import { faultsOfZod } from '../materials/parseBuild';
import type { Fault } from '../model/fault';
import { sayWait, secondOfTwo, toEpochMinute } from '../model/wallTime';
import { humidityPct, temperatureC } from '../model/fields';
import { climateSchema, type Climate } from '../model/schema';
import { nth } from '../model/sure';
import { messageOf } from '../model/unknowns';
import { sayC } from '../model/sayMeasure';

/** The form of an outdoor forecast: hourly values from a moment of wall time on (docs/air.md). */
export const FORECAST_FORMAT = 'fixatum-forecast/1';

const forecastSchema = z.looseObject({
  format: z.literal(FORECAST_FORMAT),
  start: z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'write a moment as 2027-03-05T19:00'),
  hours: z
    .array(
      z.looseObject({
        temperatureC,
        humidityPct,
      }),
    )
    .min(1, 'give at least one hour')
    .max(24 * 60, 'at most sixty days'),
});

type HourlyClimate = Extract<Climate, { kind: 'hourly' }>;
export type AirFileResult = { ok: true; climate: HourlyClimate } | { ok: false; faults: Fault[] };

const fault = (path: Fault['path'], message: string): AirFileResult => ({
  ok: false,
  faults: [{ code: 'air-file', path, message }],
});

/** Reads a forecast file into the climate of a place. Faults have the path inside the file. */
export function parseForecastFile(text: string): AirFileResult {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return fault([], `The file is not whole JSON: ${messageOf(error)}`);
  }
  const parsed = forecastSchema.safeParse(data);
  if (!parsed.success) return { ok: false, faults: faultsOfZod(parsed.error) };
  const { start, hours } = parsed.data;
  return {
    ok: true,
    climate: {
      kind: 'hourly',
      start,
      temperatureC: hours.map((hour) => hour.temperatureC),
      humidityPct: hours.map((hour) => hour.humidityPct),
    },
  };
}

/** Between two lines the air is taken to change evenly, over no longer than this. */
const LONGEST_GAP_MINUTES = 12 * 60;

/** One pasted line that could be read. */
interface AirLine {
  /** Counted from 1, headings and blank lines included. */
  number: number;
  time: string | undefined;
  temperatureC: number;
  humidityPct: number;
}

/**
 * Reads air that was pasted: temperature and humidity a line, with or without a time before them and a line of headings; commas,
 * semicolons or tabs between, decimal commas where semicolons or tabs part the columns. With times every line counts from its
 * own: hours between two lines are filled in evenly, several within an hour are averaged. Without times each is an hour.
 * @param start the hour of the first line, when the lines have no times
 * @param timeZone the zone that times are in
 * @example parseAirCsv('2027-02-20 18:00;18,5;55\n2027-02-20 19:00;18,1;56', '…', 'Europe/Lisbon')
 */
export function parseAirCsv(text: string, start: string, timeZone: string): AirFileResult {
  const { data } = Papa.parse<string[]>(text.trimEnd(), { delimitersToGuess: [';', '\t', ','] });
  const rows = data
    .map((cells, at) => ({ cells, number: at + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const isHeading = rows[0] !== undefined && Number.isNaN(numberIn(rows[0].cells.at(-1)));
  const faults: Fault[] = [];
  const lines = (isHeading ? rows.slice(1) : rows).flatMap(({ cells, number }): AirLine[] => {
    const line = {
      number,
      time: cells.length > 2 ? nth(cells, 0).trim().replace(' ', 'T').slice(0, 16) : undefined,
      temperatureC: numberIn(cells.at(-2)),
      humidityPct: numberIn(cells.at(-1)),
    };
    const wrong = cells.length < 2 ? 'is not a temperature and a humidity' : faultOfLine(line, timeZone);
    if (wrong === undefined) return [line];
    faults.push({ code: 'air-file', path: [number - 1], message: `Line ${number} ${wrong}.` });
    return [];
  });
  if (faults.length > 0) return { ok: false, faults };
  if (lines.length === 0)
    return fault([], 'There are no hours here: write a line an hour, temperature and humidity.');
  const timed = lines.filter(({ time }) => time !== undefined).length;
  if (timed > 0 && timed < lines.length) {
    const { number } = lines.find(({ time }) => time === undefined)!;
    return fault([number - 1], `Line ${number} has no time, while others do: give all of them one, or none.`);
  }
  if (timed === 0)
    return hourly(
      start,
      lines.map(({ temperatureC, humidityPct }) => [temperatureC, humidityPct] as const),
    );
  return fromTimedLines(lines, timeZone);
}

const numberIn = (cell: string | undefined): number =>
  cell === undefined || cell.trim() === '' ? Number.NaN : Number(cell.trim().replace(',', '.'));

/** What is wrong with a line, to follow "Line 7". */
function faultOfLine({ time, temperatureC, humidityPct }: AirLine, timeZone: string): string | undefined {
  if (Number.isNaN(temperatureC) || Number.isNaN(humidityPct)) return 'is not a temperature and a humidity';
  if (temperatureC < -40 || temperatureC > 60) return `says ${sayC(temperatureC)}, which no room has`;
  if (humidityPct < 0 || humidityPct > 100)
    return `says ${humidityPct} % humidity, ${humidityPct < 0 ? 'below 0' : 'above 100'} %`;
  if (time !== undefined && toEpochMinute(time, timeZone) === undefined)
    return `has no time that exists: “${time.replace('T', ' ')}”. Write it as 2027-02-20 18:00`;
  return undefined;
}

function hourly(start: string, hours: readonly (readonly [number, number])[]): AirFileResult {
  const climate = climateSchema.safeParse({
    kind: 'hourly',
    start,
    temperatureC: hours.map(([temperatureC]) => temperatureC),
    humidityPct: hours.map(([, humidityPct]) => humidityPct),
  });
  return climate.success
    ? { ok: true, climate: climate.data as HourlyClimate }
    : { ok: false, faults: faultsOfZod(climate.error) };
}

/** Lays lines at their own times: the mean of each hour that has some, evenly changing values for hours that have none. */
function fromTimedLines(lines: readonly AirLine[], timeZone: string): AirFileResult {
  const timedLines: (AirLine & { at: number })[] = [];
  for (const line of lines) {
    const first = toEpochMinute(line.time!, timeZone)!;
    const second = secondOfTwo(line.time!, timeZone);
    const before = timedLines.at(-1)?.at ?? -Infinity;
    // Lines go on in order, so that in autumn the hour that comes again is the second of the two.
    timedLines.push({ ...line, at: first <= before && second !== undefined ? second : first });
  }
  for (const [n, line] of timedLines.entries()) {
    const before = timedLines[n - 1];
    if (!before) continue;
    if (line.at <= before.at)
      return fault([line.number - 1], `Line ${line.number} is not later than the line before it.`);
    if (line.at - before.at > LONGEST_GAP_MINUTES)
      return fault(
        [line.number - 1],
        `Between lines ${before.number} and ${line.number} nothing is said for ${sayWait(line.at - before.at)}; more than 12 h can’t be filled in.`,
      );
  }
  const first = nth(timedLines, 0);
  const sums = new Map<number, { count: number; temperatureC: number; humidityPct: number }>();
  for (const { at, temperatureC, humidityPct } of timedLines) {
    const hour = Math.floor((at - first.at) / 60);
    const sum = sums.get(hour) ?? { count: 0, temperatureC: 0, humidityPct: 0 };
    sum.count += 1;
    sum.temperatureC += temperatureC;
    sum.humidityPct += humidityPct;
    sums.set(hour, sum);
  }
  const known = [...sums].map(
    ([hour, { count, temperatureC, humidityPct }]) =>
      [hour, temperatureC / count, humidityPct / count] as const,
  );
  const hours = known.flatMap(([hour, temperatureC, humidityPct], n) => {
    const next = known[n + 1];
    const span = next ? next[0] - hour : 1;
    return Array.from({ length: span }, (_, step) => {
      const share = step / span;
      return [
        temperatureC + share * ((next?.[1] ?? temperatureC) - temperatureC),
        humidityPct + share * ((next?.[2] ?? humidityPct) - humidityPct),
      ] as const;
    });
  });
  return hourly(first.time!, hours);
}
