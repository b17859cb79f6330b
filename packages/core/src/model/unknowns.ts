/** Whether something is an object with fields, as against a list, a value or nothing. */
export const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What something that was thrown says. */
export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
