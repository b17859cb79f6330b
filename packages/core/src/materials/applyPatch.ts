import jsonpatch, { type Operation as JsonPatchOperation } from 'fast-json-patch';
import { parseBuild } from './parseBuild';
import type { Result } from '../model/fault';
import type { Build } from '../model/schema';
import type { PatchStep } from '../model/patch';
import { messageOf } from '../model/unknowns';

/**
 * A build with a patch applied, checked like any other input; the build given is left as it is.
 * Faults come back when the patch does not fit or what results can't be used.
 */
export function applyPatch(build: Build, change: readonly PatchStep[]): Result<Build> {
  const copy = structuredClone(build);
  try {
    const patched = jsonpatch.applyPatch(copy, change as unknown as JsonPatchOperation[], true).newDocument;
    return parseBuild(patched);
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
