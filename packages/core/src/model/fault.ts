/** Something that makes input unusable: where it is, and a sentence for the user. */
export interface Fault {
  /** A short name for programs, such as `unknown-id`. */
  code: string;
  /** Keys and indices from the top of the build file to the fault. */
  path: (string | number)[];
  /** One plain sentence. */
  message: string;
}

/** Either a value or the faults that stand against it. */
export type Result<T> = { ok: true; value: T } | { ok: false; faults: Fault[] };

/**
 * A path as it is shown to people.
 * @example pathText(['pieces', 0, 'faces', 'outer', 'areaCm2']) // 'pieces[0].faces.outer.areaCm2'
 */
export function pathText(path: readonly (string | number)[]): string {
  if (path.length === 0) return 'the file';
  return path.map((key, at) => (typeof key === 'number' ? `[${key}]` : at === 0 ? key : `.${key}`)).join('');
}
