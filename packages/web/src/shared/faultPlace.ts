import { isRecord } from '@fixatum/core';

/** Fields as people know them, by their name in the build file. */
const words: Record<string, string> = {
  areaCm2: 'area',
  availability: 'hours',
  bendRadiusMm: 'bend radius',
  containerMl: 'size of the tin',
  coats: 'coats',
  exceptions: 'days that differ',
  finestDetailMm: 'finest detail',
  flex: 'bends',
  from: 'from',
  // The face itself says what it is.
  faces: '',
  humidityPct: 'humidity',
  inner: 'inner face',
  judgedOn: 'judged on',
  meanC: 'mean',
  outer: 'outer face',
  packAt: 'packed by',
  slots: 'rack places',
  start: 'nothing before',
  swingC: 'swing',
  quantity: 'quantity',
  substrate: 'what it is made of',
  timeZone: 'time zone',
  temperatureC: 'temperature',
  thicknessMm: 'thickness',
  to: 'to',
  wearAt: 'worn on',
};

/** What one line of a list is called. */
const lines: Record<string, string> = {
  events: 'date',
  hours: 'hours',
  log: 'log line',
  materials: 'material',
  people: 'person',
  pieces: 'piece',
  places: 'place',
  steps: 'step',
  stock: 'tin',
  zones: 'zone',
};

/** A field that has no word of its own: `thinnestEdgeMm` is “thinnest edge”. */
const nameOf = (key: string): string =>
  key
    .replace(/(Cm2|M2|Mm|Ml|Um|Pct|Gu|C|G)$/, '')
    .replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
    .trim();

/**
 * Where a fault is, for people: what has a name by its name, other lines by their number, fields by what they are called.
 * @param path from the top of `within`
 * @example faultPlace(['events', 0, 'wearAt'], build) // 'Lantern Quay Fair, worn on'
 */
export function faultPlace(path: readonly (string | number)[], within: unknown): string {
  const parts: string[] = [];
  let here: unknown = within;
  for (const key of path) {
    here = Array.isArray(here) ? here[Number(key)] : isRecord(here) ? here[key] : undefined;
    if (typeof key === 'number') {
      const name = isRecord(here) ? here.name : undefined;
      // What a list holds is said by the names in it.
      if (typeof name === 'string' && name !== '') parts.splice(-1, 1, name);
      // Without a name, a line of a list is what the list is of, and its number.
      else
        parts.splice(-1, 1, `${lines[parts.at(-1) ?? ''] ?? `${parts.at(-1) ?? ''} line`} ${key + 1}`.trim());
    } else parts.push(words[key] ?? nameOf(key));
  }
  const said = parts.filter((part) => part !== '').join(', ');
  return said.slice(0, 1).toUpperCase() + said.slice(1);
}
