import jsonpatch, { type Operation as JsonPatchOperation } from 'fast-json-patch';
import { parseBuild } from './parseBuild';
import type { Result } from '../model/fault';
import { keepLaid } from '../model/keepLaid';
import type { Build } from '../model/schema';
import type { PatchStep } from '../model/patch';
import { findStepCycle } from '../model/stepLinks';
import { messageOf } from '../model/unknowns';

/**
 * A build with a patch applied, checked like any other input; the build given is left as it is, and what was logged stays what it was.
 * Faults come back when the patch does not fit or what results can't be used.
 */
export function applyPatch(build: Build, change: readonly PatchStep[]): Result<Build> {
  try {
    return parseBuild(patched(build, change));
  } catch (error) {
    return {
      ok: false,
      faults: [
        {
          code: 'patch',
          path: [],
          message: `That change no longer fits this build: ${messageOf(error).split('\n')[0]}`,
        },
      ],
    };
  }
}

/**
 * A build with a patch of our own making applied, to be looked at and thrown away. Undefined when it does not fit, or makes steps
 * wait for each other in a circle; nothing else is checked.
 */
export function patchedForTrying(build: Build, change: readonly PatchStep[]): Build | undefined {
  try {
    const changed = patched(build, change);
    return findStepCycle(changed) ? undefined : changed;
  } catch {
    return undefined;
  }
}

/** @throws an error that says where the patch does not fit */
const patched = (build: Build, change: readonly PatchStep[]): Build =>
  keepLaid(
    build,
    jsonpatch.applyPatch(structuredClone(build), change as unknown as JsonPatchOperation[], true).newDocument,
  );
