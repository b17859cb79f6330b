import {
  isRecord,
  parseBuildText,
  parseWorkshopText,
  WORKSHOP_FORMAT,
  type Build,
  type Fault,
} from '@fixatum/core';

/** What a chosen file holds: a build, a workshop, or something that stands in the way. */
export type Opened =
  { kind: 'build'; build: Build } | { kind: 'workshop' } | { kind: 'faulty'; faults: Fault[] };

const formatOf = (text: string): unknown => {
  try {
    const data: unknown = JSON.parse(text);
    return isRecord(data) ? data['format'] : undefined;
  } catch {
    return undefined;
  }
};

export function openFile(text: string): Opened {
  if (formatOf(text) === WORKSHOP_FORMAT) {
    const parsed = parseWorkshopText(text);
    return parsed.ok ? { kind: 'workshop' } : { kind: 'faulty', faults: parsed.faults };
  }
  const parsed = parseBuildText(text);
  return parsed.ok ? { kind: 'build', build: parsed.value } : { kind: 'faulty', faults: parsed.faults };
}
