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
    const result = parseAirCsv(text, start);
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
});
