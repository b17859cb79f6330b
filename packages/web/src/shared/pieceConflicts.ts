import type { Piece, Step } from '@fixatum/core';
import { shallowRef, type Ref } from 'vue';
import { api, ApiProblem } from './api';
import type { BuildAnswer } from './knownBuild';
import { useNotice } from './notice';

interface Document {
  /** The id of the open build. */
  id: Readonly<Ref<string>>;
  pieceEtags: Ref<Record<string, string>>;
  /** Runs one change and says so; returns whether it went through. */
  change(work: () => Promise<BuildAnswer>, said?: string): Promise<boolean>;
  /** As `change`, but rejects with what can't be used. */
  attempt(work: () => Promise<BuildAnswer>, said: string): Promise<boolean>;
}

/** Saving a piece that somebody else may have changed meanwhile: the user is asked, and nothing is lost. */
export function pieceConflicts({ id, pieceEtags, change, attempt }: Document) {
  const notice = useNotice();

  /** A piece that was changed here and elsewhere, until the user says what shall be. */
  const conflict = shallowRef<{
    base: Piece;
    mine: Piece;
    theirs: Piece;
    etag: string | undefined;
    said: string;
    settled: (done: boolean) => void;
  }>();
  /** The version of a piece that each edit began from. */
  const seenEtag = (piece: Piece) => pieceEtags.value[piece.id];

  /**
   * Saves a piece that was changed from `base`. When it was changed elsewhere meanwhile, the user is asked; false means
   * nothing was saved. Rejects with an ApiProblem when it can't be used.
   */
  async function savePiece(
    mine: Piece,
    base: Piece,
    said: string,
    etagSeen = seenEtag(base),
  ): Promise<boolean> {
    try {
      return await attempt(() => api.putPiece(id.value, mine, etagSeen), said);
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.status !== 412) throw error;
      return new Promise((settled) => {
        conflict.value = { base, mine, theirs: error.current as Piece, etag: error.etag, said, settled };
      });
    }
  }

  /** Ends a conflict with the piece as it shall be, or with what is there now. */
  async function settleConflict(piece: Piece | undefined): Promise<void> {
    const open = conflict.value;
    conflict.value = undefined;
    if (!open) return;
    if (piece === undefined) {
      await change(() => api.build(id.value));
      open.settled(false);
      return;
    }
    open.settled(await change(() => api.putPiece(id.value, piece, open.etag), open.said));
  }

  /** Saves a piece with other steps, and says what is wrong with them if they can't be used. */
  async function saveSteps(piece: Piece, steps: Step[], said: string, etagSeen?: string): Promise<boolean> {
    try {
      return await savePiece({ ...piece, steps }, piece, said, etagSeen ?? seenEtag(piece));
    } catch (error) {
      notice.complain(error);
      return false;
    }
  }

  /** Adds a piece, at a place in the list or at its end. Rejects with an ApiProblem when it can't be used. */
  const addPiece = (piece: Piece, at?: number): Promise<boolean> =>
    attempt(() => api.addPiece(id.value, piece, at), `Added: ${piece.name}`);

  return { conflict, addPiece, savePiece, settleConflict, saveSteps };
}
