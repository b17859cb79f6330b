import { applyLogEdit, type Build, type LogEdit } from '@fixatum/core';
import { useEventListener, useIntervalFn } from '@vueuse/core';
import { get, update } from 'idb-keyval';
import { nanoid } from 'nanoid';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, ApiProblem } from './api';
import type { BuildAnswer } from './knownBuild';
import { plain } from './offThread/workerLink';
import { useNotice } from './notice';

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
const TRY_AGAIN_MS = 5000;

/**
 * What was pressed at the bench and has not reached the server yet. Kept in the browser's database, so that a reload or a
 * dead battery loses nothing, and sent in order. Ids are given here: what the server got without our hearing of it counts
 * once.
 */
export const useOutbox = defineStore('outbox', () => {
  const notice = useNotice();
  const letters = shallowRef<Letter[]>([]);
  /** The last try found nobody. */
  const away = ref(false);
  const count = computed(() => letters.value.length);
  let onSent: (buildId: string, answer: BuildAnswer) => void = () => undefined;
  let sending: Promise<void> | undefined;

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

  async function drop(id: string): Promise<void> {
    const without = (list: Letter[]) => list.filter((letter) => letter.id !== id);
    letters.value = without(letters.value);
    await keep(without);
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
    for (let letter = letters.value[0]; letter; letter = letters.value[0]) {
      const { id, buildId, edit } = letter;
      let answer: BuildAnswer | undefined;
      try {
        answer = await api.sendEdit(buildId, edit);
      } catch (error) {
        if (!(error instanceof ApiProblem) || !refusals.has(error.type)) {
          away.value = true;
          return;
        }
        // Refused by our own server: said once, put by with what it was, and not tried for ever. What is there now is shown.
        notice.complain(error);
        await putBy({ ...letter, why: error.message });
        answer = await api.build(buildId).catch(() => undefined);
      }
      away.value = false;
      await drop(id);
      if (answer) onSent(buildId, answer);
    }
  }

  /** Sends what is waiting, in order; one at a time however often it is called. */
  function flush(): Promise<void> {
    sending ??= send().finally(() => (sending = undefined));
    return sending;
  }

  /** Who is told what the server made of a press. */
  function whenSent(heard: typeof onSent): void {
    onSent = heard;
  }

  /** Takes the last press on a build back that has not been sent; false where all have been. */
  async function takeBack(buildId: string): Promise<boolean> {
    const last = letters.value.findLast((letter) => letter.buildId === buildId);
    if (!last) return false;
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
    if (letters.value.length > 0) void flush();
  }, TRY_AGAIN_MS);
  useEventListener('online', () => void flush());

  return {
    count,
    away,
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
