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
  humidityPct: 'humidity',
  judgedOn: 'judged on',
  meanC: 'mean',
  packAt: 'packed by',
  slots: 'rack places',
  start: 'nothing before',
  swingC: 'swing',
  temperatureC: 'temperature',
  thicknessMm: 'thickness',
  to: 'to',
  wearAt: 'worn on',
};

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
      else parts.push(`line ${key + 1}`);
    } else parts.push(words[key] ?? key);
  }
  return parts.join(', ');
}
