import type { Build, PatchStep } from '@fixatum/core';
import { immutableJSONPatch } from 'immutable-json-patch';

/** A build as the server holds it. */
export interface BuildAnswer {
  id: string;
  version: number;
  /** When it was put by as done, as wall time; null while it is in hand. */
  finishedAt?: string | null | undefined;
  pieceEtags: Record<string, string>;
  build: Build;
}

/** What changed in a build since a version of it, with the versions of the pieces that changed. */
interface BuildNews extends Omit<BuildAnswer, 'build'> {
  since: number;
  change: PatchStep[];
}

/** What the server says of a build: all of it, or what is new to somebody who has a version of it. */
export type SaidOfBuild = BuildAnswer | BuildNews;

const HAVE_HEADER = 'x-fixatum-have';

/**
 * Remembers the build that the server told of last, and tells the server which version it is, so that no more comes over the air
 * than what is new: a log of thousands is fetched once. What is remembered is never changed in place, and shares with what follows
 * all that stayed as it was.
 */
export class KnownBuild {
  private last: BuildAnswer | undefined;

  /** Asks something of a build that is answered with the build. @param ask gets the headers to send along */
  async ask<T extends SaidOfBuild>(
    id: string,
    ask: (headers: Record<string, string>) => Promise<T>,
  ): Promise<BuildAnswer & T> {
    const have = this.last?.id === id ? this.last : undefined;
    const said = await ask(have ? { [HAVE_HEADER]: String(have.version) } : {});
    const answer = { ...said, ...whole(said, have) };
    this.last = answer;
    return answer;
  }
}

/** @param have what was told of to the server when it was asked */
function whole(said: SaidOfBuild, have: BuildAnswer | undefined): BuildAnswer {
  const { id, version } = said;
  const finished = said.finishedAt ? { finishedAt: said.finishedAt } : {};
  if ('build' in said) return { id, version, ...finished, pieceEtags: said.pieceEtags, build: said.build };
  if (have?.version !== said.since) throw new Error('The server told of changes to another version.');
  return {
    id,
    version,
    ...finished,
    pieceEtags: { ...have.pieceEtags, ...said.pieceEtags },
    build: immutableJSONPatch<Build>(have.build, said.change),
  };
}
