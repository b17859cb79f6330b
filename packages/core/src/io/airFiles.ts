import Papa from 'papaparse';
import { z } from 'zod';
import { faultsOfZod } from '../materials/parseBuild';
import type { Fault } from '../model/fault';
import { climateSchema, type Climate } from '../model/schema';

/** The form of an outdoor forecast: hourly values from a moment of wall time on (docs/air.md). */
export const FORECAST_FORMAT = 'fixatum-forecast/1';

const forecastSchema = z.looseObject({
  format: z.literal(FORECAST_FORMAT),
  start: z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'write a moment as 2027-03-05T19:00'),
  hours: z
    .array(
      z.looseObject({
        temperatureC: z.number().min(-40, 'colder than -40 °C').max(60, 'hotter than 60 °C'),
        humidityPct: z.number().min(0, 'below 0 %').max(100, 'above 100 %'),
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
    return fault([], `The file is not whole JSON: ${(error as Error).message}`);
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

/**
 * Reads hourly air that was pasted: a line an hour, temperature and humidity, with or without a time before them and a
 * line of headings; commas, semicolons or tabs between, decimal commas where semicolons or tabs part the columns.
 * @param start the hour of the first line, when the lines have no times
 * @example parseAirCsv('2027-02-20 18:00;18,5;55\n2027-02-20 19:00;18,1;56', '…')
 */
export function parseAirCsv(text: string, start: string): AirFileResult {
  const { data } = Papa.parse<string[]>(text.trim(), {
    skipEmptyLines: true,
    delimitersToGuess: [';', '\t', ','],
  });
  const number = (cell: string | undefined) => {
    const value =
      cell === undefined || cell.trim() === '' ? Number.NaN : Number(cell.trim().replace(',', '.'));
    return value;
  };
  const rows = Number.isNaN(number(data[0]?.at(-1))) ? data.slice(1) : data;
  if (rows.length === 0)
    return fault([], 'There are no hours here: write a line an hour, temperature and humidity.');
  const faults: Fault[] = [];
  const temperatureC: number[] = [];
  const humidityPct: number[] = [];
  let firstTime: string | undefined;
  rows.forEach((row, at) => {
    const temperature = number(row.at(-2));
    const humidity = number(row.at(-1));
    if (row.length < 2 || Number.isNaN(temperature) || Number.isNaN(humidity)) {
      faults.push({
        code: 'air-file',
        path: [at],
        message: `Line ${at + 1} is not a temperature and a humidity.`,
      });
      return;
    }
    if (at === 0 && row.length > 2) firstTime = row[0]!.trim().replace(' ', 'T').slice(0, 16);
    temperatureC.push(temperature);
    humidityPct.push(humidity);
  });
  if (faults.length > 0) return { ok: false, faults };
  const climate = climateSchema.safeParse({
    kind: 'hourly',
    start: firstTime ?? start,
    temperatureC,
    humidityPct,
  });
  return climate.success
    ? { ok: true, climate: climate.data as HourlyClimate }
    : { ok: false, faults: faultsOfZod(climate.error) };
}
