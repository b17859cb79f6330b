import { faultsOfZod, type Result } from '@fixatum/core';
import type { z } from 'zod';

/** The names in a list with commas between, without the empty ones. */
export const namesIn = (text: string): string[] =>
  text
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);

/** A text or a list that holds something; undefined for an empty one. */
export const orNothing = <T extends string | readonly unknown[]>(value: T): T | undefined =>
  value.length > 0 ? value : undefined;

/**
 * What a form makes: the fields that were given, checked.
 * @returns the value, or what is wrong with it, each fault with the path of its field
 */
export function made<S extends z.ZodType>(schema: S, fields: object): Result<z.infer<S>> {
  // Fields that hold nothing go, however deep; what is left is data of its own, no part of the form.
  const given: unknown = JSON.parse(JSON.stringify(fields));
  const parsed = schema.safeParse(given);
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, faults: faultsOfZod(parsed.error) };
}
