import { isRecord } from './unknowns';

/** FNV-1a, 32 bits: its start and its prime. */
const START = 0x811c9dc5;
const PRIME = 0x01000193;

/** A short mark of a text, by which a changed text is told from it: its length and its FNV-1a hash. Nothing that has to be safe. */
export function textMark(text: string): string {
  let hash = START;
  for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), PRIME);
  return `${text.length}-${(hash >>> 0).toString(16)}`;
}

const inOrder = (_key: string, value: unknown): unknown =>
  isRecord(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)))
    : value;

/** A mark of plain data, whatever the order of its keys, which is another on its way over the server. */
export const dataMark = (data: unknown): string => textMark(JSON.stringify(data, inOrder));
