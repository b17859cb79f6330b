import { isRecord, type ChangeKind, type ThingChanged } from '@fixatum/core';

/** By the part of a build that was changed. */
const kindOfPart: Readonly<Record<string, ChangeKind>> = {
  log: 'log',
  underway: 'log',
  touchTests: 'log',
  timers: 'log',
  stock: 'shelf',
  amounts: 'shelf',
  prices: 'shelf',
  mixes: 'shelf',
  materials: 'shelf',
  events: 'date',
  start: 'date',
  places: 'air',
  people: 'people',
  pieces: 'piece',
  palette: 'colour',
};

/** Where a change touches several parts, the first of these says what it was about. */
const inOrder: readonly ChangeKind[] = ['piece', 'date', 'people', 'air', 'shelf', 'colour', 'log', 'plan'];

/**
 * What a change was about.
 * @param back the JSON Patch that takes it back, as text
 * @param shared what it changed of the workshop, as text
 */
export function changeKind(back: string, shared: string | null): ChangeKind {
  const steps: unknown = JSON.parse(back);
  const things: ThingChanged[] = shared === null ? [] : JSON.parse(shared);
  const parts = [
    ...(Array.isArray(steps) ? steps : []).flatMap((step: unknown) =>
      isRecord(step) && typeof step['path'] === 'string' ? [step['path'].split('/')[1] ?? ''] : [],
    ),
    ...things.map(({ key }) => key),
  ];
  const kinds = new Set(parts.map((part) => kindOfPart[part] ?? 'plan'));
  return inOrder.find((kind) => kinds.has(kind)) ?? 'plan';
}
