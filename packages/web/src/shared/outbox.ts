import { applyLogEdit, type Build, type LogEdit, type LogEntry } from '@fixatum/core';
import { useEventListener, useIntervalFn } from '@vueuse/core';
import { get, update } from 'idb-keyval';
import { nanoid } from 'nanoid';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, ApiProblem } from './api';
import type { BuildAnswer } from './knownBuild';
import { plain } from './offThread/workerLink';
import { useNotice } from './notice';
import { usePhotoBox } from './photoBox';

/** One press, as it is sent. */
export interface Letter {
  id: string;
  buildId: string;
  edit: LogEdit;
}

/** A press that the server refused, with why, until the user sends it again or lets it go. */
export interface Refused extends Letter {
  why: string;
}

const KEY = 'fixatum-outbox';
const REFUSED_KEY = 'fixatum-refused';
/** What our own server says of an edit that it will never take as it is. All else may be different the next time. */
const refusals = new Set(['unusable', 'logged-already', 'not-found']);
/** Where nobody of ours said anything. */
const nobody = new Set(['away', 'foreign']);
const TRY_AGAIN_MS = 5000;

/** So many presses go in one request, where they had to wait. */
const TOGETHER = 100;
/** The first letters, as far as they are about one build. */
function firstOfOneBuild(letters: readonly Letter[]): Letter[] {
  const other = letters.findIndex(({ buildId }) => buildId !== letters[0]?.buildId);
  return letters.slice(0, Math.min(other < 0 ? letters.length : other, TOGETHER));
}

/** Whether an entry says more than that its pass is done: nothing of that is let go unasked. */
const saysMore = ({ note, photo, outcome, material, place }: LogEntry): boolean =>
  [note, photo, outcome, material, place].some((said) => said !== undefined);

/**
 * What was pressed at the bench and has not reached the server yet. Kept in the browser's database, so that a reload or a
 * dead battery loses nothing, and sent in order. Ids are given here: what the server got without our hearing of it counts
 * once.
 */
export const useOutbox = defineStore('outbox', () => {
  const notice = useNotice();
  const photos = usePhotoBox();
  const letters = shallowRef<Letter[]>([]);
  /** The last try found nobody who would take it. */
  const away = ref(false);
  /** Why not, where somebody answered: the disk is full, a backup is being put back. */
  const trouble = ref<string>();
  const count = computed(() => letters.value.length);
  let onSent: (buildId: string, answer: BuildAnswer) => void = () => undefined;
  let sending: Promise<void> | undefined;
  /** Those the server may have by now. */
  let onTheWay: ReadonlySet<string> = new Set();

  /** What the server will not take, to be sent again or let go. */
  const refused = shallowRef<Refused[]>([]);

  const ready = Promise.all([get<Letter[]>(KEY), get<Refused[]>(REFUSED_KEY)])
    .then(([kept, keptRefused]) => {
      letters.value = kept ?? [];
      refused.value = keptRefused ?? [];
    })
    .catch(() => undefined);

  // Only the one letter is touched, as another window may keep letters there too. A browser without a database still
  // works; it only forgets on reload.
  const keepAt = <T>(key: string, change: (kept: T[]) => T[]) =>
    update<T[]>(key, (kept) => change(kept ?? [])).catch(() => undefined);
  const keep = (change: (kept: Letter[]) => Letter[]) => keepAt(KEY, change);

  /** Keeps a press on this machine. It counts, and may be shown, once the browser's database has it: not before. */
  async function put(buildId: string, edit: LogEdit): Promise<void> {
    const letter = { id: nanoid(12), buildId, edit: plain(edit) };
    await keep((kept) => [...kept, letter]);
    letters.value = [...letters.value, letter];
  }

  async function drop(...ids: string[]): Promise<void> {
    const without = (list: Letter[]) => list.filter((letter) => !ids.includes(letter.id));
    letters.value = without(letters.value);
    await keep(without);
  }

  /** One letter in place of one for several passes, in its place: what another device did meanwhile is refused alone. */
  async function split({ id, buildId }: Letter, entries: readonly LogEntry[]): Promise<void> {
    const each = entries.map((entry): Letter => ({
      id: nanoid(12),
      buildId,
      edit: { kind: 'log', entries: [entry] },
    }));
    const parted = (list: Letter[]) => list.flatMap((letter) => (letter.id === id ? each : [letter]));
    letters.value = parted(letters.value);
    await keep(parted);
  }

  async function putBy(letter: Refused): Promise<void> {
    refused.value = [...refused.value, letter];
    await keepAt<Refused>(REFUSED_KEY, (kept) => [...kept, letter]);
  }

  /** Lets go of a press that was refused. */
  async function letGo(id: string): Promise<void> {
    const without = (list: Refused[]) => list.filter((letter) => letter.id !== id);
    refused.value = without(refused.value);
    await keepAt(REFUSED_KEY, without);
  }

  /** Sends a press that was refused once more, behind all that is waiting. */
  async function sendAgain(id: string): Promise<void> {
    const letter = refused.value.find((one) => one.id === id);
    if (!letter) return;
    await letGo(id);
    await put(letter.buildId, letter.edit);
    await flush();
  }

  async function send(): Promise<void> {
    for (let letter = letters.value[0]; letter || photos.count > 0; letter = letters.value[0]) {
      let answer: BuildAnswer | undefined;
      let sent: Letter[] = letter ? [letter] : [];
      try {
        // A coat comes after its photo, so that nothing stored names one that is not there.
        await photos.flush();
        if (!letter) break;
        const together = firstOfOneBuild(letters.value);
        onTheWay = new Set(together.map(({ id }) => id));
        if (together.length === 1) answer = await api.sendEdit(letter.buildId, letter.edit);
        else {
          const taken = await api.sendEdits(
            letter.buildId,
            together.map(({ edit }) => edit),
          );
          answer = taken;
          // Whichever was refused is the first of the next.
          sent = together.slice(0, taken.taken);
        }
      } catch (error) {
        if (!letter || !(error instanceof ApiProblem) || !refusals.has(error.type)) {
          away.value = true;
          trouble.value = error instanceof ApiProblem && !nobody.has(error.type) ? error.message : undefined;
          return;
        }
        const { edit } = letter;
        const logged = edit.kind === 'log' && error.type === 'logged-already' ? edit.entries : [];
        if (logged.length > 1) {
          await split(letter, logged);
          continue;
        }
        // Two people at one bench: it is done, and counts once.
        if (logged.length === 1 && !logged.some(saysMore)) notice.say(`${error.message} It counts once.`);
        else {
          // Refused by our own server: said once, put by with what it was, and not tried for ever. What is there now is shown.
          notice.complain(error);
          await putBy({ ...letter, why: error.message });
        }
        answer = await api.build(letter.buildId).catch(() => undefined);
      }
      away.value = false;
      trouble.value = undefined;
      await drop(...sent.map(({ id }) => id));
      if (answer) onSent(letter.buildId, answer);
    }
    away.value = false;
    trouble.value = undefined;
  }

  /** Sends what is waiting, in order; one at a time however often it is called. */
  function flush(): Promise<void> {
    sending ??= send().finally(() => {
      sending = undefined;
      onTheWay = new Set();
    });
    return sending;
  }

  /** Who is told what the server made of a press. */
  function whenSent(heard: typeof onSent): void {
    onSent = heard;
  }

  /** Takes the last press on a build back that has not been sent; false where all have been, or are being. */
  async function takeBack(buildId: string): Promise<boolean> {
    const last = letters.value.findLast((letter) => letter.buildId === buildId);
    if (!last || onTheWay.has(last.id)) return false;
    await drop(last.id);
    return true;
  }

  /** A build as the server has it, with what is still waiting laid on top. */
  function applied(buildId: string, build: Build): Build {
    return letters.value
      .filter((letter) => letter.buildId === buildId)
      .reduce((current, { edit }) => {
        const edited = applyLogEdit(current, edit);
        return edited.ok ? edited.build : current;
      }, build);
  }

  useIntervalFn(() => {
    if (letters.value.length > 0 || photos.count > 0) void flush();
  }, TRY_AGAIN_MS);
  useEventListener('online', () => void flush());

  return {
    count,
    away,
    trouble,
    refused,
    letGo,
    sendAgain,
    ready,
    put,
    flush,
    takeBack,
    applied,
    whenSent,
  };
});
