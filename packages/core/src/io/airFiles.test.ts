import { parseAirCsv, parseForecastFile } from './airFiles';

const start = '2027-02-20T18:00';

describe('parseForecastFile', () => {
  it('becomes the hourly climate of a place', () => {
    const file = {
      format: 'fixatum-forecast/1',
      start,
      hours: [
        { temperatureC: 9, humidityPct: 80, wind: 'ignored' },
        { temperatureC: 8.5, humidityPct: 84 },
      ],
    };
    expect(parseForecastFile(JSON.stringify(file))).toEqual({
      ok: true,
      climate: { kind: 'hourly', start, temperatureC: [9, 8.5], humidityPct: [80, 84] },
    });
  });

  it.each([
    ['half a file', '{"format":', 'not whole JSON'],
    ['another format', '{"format":"x","start":"2027-02-20T18:00","hours":[]}', 'format'],
    [
      'a wild hour',
      JSON.stringify({ format: 'fixatum-forecast/1', start, hours: [{ temperatureC: 99, humidityPct: 5 }] }),
      'otter than 60',
    ],
  ])('refuses %s with a sentence', (_what, text, said) => {
    const result = parseForecastFile(text);
    expect(result.ok).toBe(false);
    expect(JSON.stringify(result)).toContain(said);
  });
});

describe('parseAirCsv', () => {
  const read = (text: string) => {
    const result = parseAirCsv(text, start, 'Europe/Lisbon');
    return result.ok ? result.climate : result.faults.map((one) => one.message);
  };

  it.each([
    ['commas', '18.5,55\n18.1,56'],
    ['semicolons and decimal commas', '18,5;55\n18,1;56'],
    ['tabs, as from a spreadsheet', '18.5\t55\n18.1\t56\n'],
    ['headings', 'temperature,humidity\n18.5,55\n18.1,56'],
  ])('takes %s', (_what, text) => {
    expect(read(text)).toEqual({ kind: 'hourly', start, temperatureC: [18.5, 18.1], humidityPct: [55, 56] });
  });

  it('takes its start from the first line when that has a time', () => {
    expect(read('time;t;h\n2027-02-21 06:00;7,5;88\n2027-02-21 07:00;8;85')).toMatchObject({
      start: '2027-02-21T06:00',
    });
  });

  it('names the line that is no air', () => {
    expect(read('18.5,55\nwarm,56')).toEqual(['Line 2 is not a temperature and a humidity.']);
    expect(read('')).toEqual([expect.stringContaining('no hours here')]);
  });

  it('refuses air that can not be', () => {
    expect(read('18.5,155')).toEqual([expect.stringContaining('bove 100 %')]);
  });

  it('lays each line at its own time: hours between are filled in evenly, several in an hour averaged', () => {
    // 06:00 and 09:00 are three hours apart: 9, 12, 15, 18 °C; 06:00 and 06:30 make one hour of (9 + 11)/2.
    expect(read('2027-02-21 06:00;9;80\n2027-02-21 09:00;18;50')).toMatchObject({
      temperatureC: [9, 12, 15, 18],
      humidityPct: [80, 70, 60, 50],
    });
    expect(read('2027-02-21 06:00;9;80\n2027-02-21 06:30;11;70\n2027-02-21 07:00;12;60')).toMatchObject({
      temperatureC: [10, 12],
      humidityPct: [75, 60],
    });
  });

  it('counts hours over the night the clocks change', () => {
    // In Lisbon 01:00 to 02:00 is skipped on 28 March 2027, so 00:00 and 03:00 are two hours apart.
    expect(read('2027-03-28 00:00;8;80\n2027-03-28 03:00;10;70')).toMatchObject({ temperatureC: [8, 9, 10] });
  });

  // Lisbon has 01:00 to 02:00 twice on 31 October 2027: four lines an hour apart, the middle two with the same time.
  it('takes the hour that comes again in autumn for the second of the two', () => {
    const text = ['00:00', '01:00', '01:00', '02:00']
      .map((at, n) => `2027-10-31 ${at};${10 + n};60`)
      .join('\n');
    expect(parseAirCsv(text, '', 'Europe/Lisbon')).toMatchObject({
      ok: true,
      climate: { start: '2027-10-31T00:00', temperatureC: [10, 11, 12, 13] },
    });
    // On any other day it is a line twice.
    expect(parseAirCsv(text.replaceAll('-31', '-30'), '', 'Europe/Lisbon').ok).toBe(false);
  });

  it('refuses times that are no times, or out of order, naming the line as it stands in the text', () => {
    expect(read('time;t;h\n2027-02-30 06:00;7,5;88')).toEqual([
      'Line 2 has no time that exists: “2027-02-30 06:00”. Write it as 2027-02-20 18:00.',
    ]);
    expect(read('time;t;h\n2027-02-21 07:00;7;88\n\n2027-02-21 06:00;7;88')).toEqual([
      'Line 4 is not later than the line before it.',
    ]);
    expect(read('2027-02-21 07:00;7;88\n2027-02-22 08:00;7;88')).toEqual([
      'Between lines 1 and 2 nothing is said for 25 h; more than 12 h can’t be filled in.',
    ]);
    expect(read('2027-02-21 07:00;7;88\n7;88')).toEqual([
      'Line 2 has no time, while others do: give all of them one, or none.',
    ]);
  });
});
