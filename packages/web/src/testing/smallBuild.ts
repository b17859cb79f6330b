import { parseBuild, type Build } from '@fixatum/core';

/**
 * A build for tests: one plate with a date, two mornings a week, one room at label air. Read as the server's answers are, so
 * that no test runs on what could never come.
 */
export function smallBuild(changes: Partial<Build> = {}): Build {
  const parsed = parseBuild(plainBuild(changes));
  if (!parsed.ok)
    throw new Error(parsed.faults.map(({ path, message }) => `${path.join('.')}: ${message}`).join(' '));
  return parsed.value;
}

const plainBuild = (changes: Partial<Build>): Build => ({
  format: 'fixatum-build/1',
  name: 'Small',
  timeZone: 'UTC',
  start: '2027-02-15T08:00',
  events: [{ id: 'day', name: 'The day', packAt: '2027-02-25T18:00', wearAt: '2027-02-26T09:00' }],
  people: [{ id: 'me', name: 'Me', availability: [{ days: ['mon', 'tue'], from: '08:00', to: '12:00' }] }],
  places: [
    {
      id: 'room',
      name: 'Room',
      ventilation: 'window',
      slots: 4,
      climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 },
    },
  ],
  pieces: [
    {
      id: 'plate',
      name: 'Plate',
      quantity: 1,
      event: 'day',
      substrate: { kind: 'eva-foam', density: 'medium', thicknessMm: 6 },
      faces: { outer: { areaCm2: 300 } },
      steps: [{ id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 }],
    },
  ],
  ...changes,
});
