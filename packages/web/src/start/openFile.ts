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
  | { kind: 'build'; build: Build }
  | { kind: 'workshop' }
  | { kind: 'faulty'; faults: Fault[]; within: unknown };

const dataIn = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
};

export function openFile(text: string): Opened {
  const within = dataIn(text);
  if (isRecord(within) && within['format'] === WORKSHOP_FORMAT) {
    const parsed = parseWorkshopText(text);
    return parsed.ok ? { kind: 'workshop' } : { kind: 'faulty', faults: parsed.faults, within };
  }
  const parsed = parseBuildText(text);
  return parsed.ok
    ? { kind: 'build', build: parsed.value }
    : { kind: 'faulty', faults: parsed.faults, within };
}
