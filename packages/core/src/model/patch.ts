/** One step of a JSON Patch (RFC 6902) on a build file. */
export type PatchStep =
  | { op: 'add'; path: string; value: unknown }
  | { op: 'replace'; path: string; value: unknown }
  | { op: 'remove'; path: string }
  | { op: 'move'; from: string; path: string };
