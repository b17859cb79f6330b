import type { Face } from '../build/schema';

/** `stop`: it fails. `risk`: try it on an offcut or meet the condition. `note`: good to know. */
export type Severity = 'stop' | 'risk' | 'note';

/** One step of a JSON Patch (RFC 6902) on a build file. */
export type PatchStep =
  | { op: 'add'; path: string; value: unknown }
  | { op: 'replace'; path: string; value: unknown }
  | { op: 'remove'; path: string }
  | { op: 'move'; from: string; path: string };

/** A change that would settle a finding: a label, and the patch that makes it. */
export interface WayOut {
  label: string;
  change: PatchStep[];
}

/** What a rule has to say about one step. */
export interface Finding {
  rule: string;
  severity: Severity;
  piece: string;
  zone?: string;
  face?: Face;
  step?: string;
  /** The material underneath that it is about. */
  below?: string;
  /** One plain sentence for anyone. */
  message: string;
  /** Why, for those who want to know. */
  reason: string;
  waysOut: WayOut[];
}
