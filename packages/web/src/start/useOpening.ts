import type { Build, Fault } from '@fixatum/core';
import { computed, ref, shallowRef, type WritableComputedRef } from 'vue';
import { api, ApiProblem } from '../shared/api';
import { useNotice } from '../shared/notice';

/** A file that was not taken, and what stands in the way. */
export interface Refused {
  name: string;
  faults: Fault[];
  /** What is in it, for the names of what is faulty. */
  within: unknown;
}

interface Opening {
  /** Whether a build that comes in is asked about: there are workshops it could be for. */
  hasWorkshops: () => boolean;
  /** The list of what is here is asked for again. */
  refresh: () => Promise<void>;
  /** Goes to a build that came in. */
  goTo: (id: string) => unknown;
}

/**
 * Takes files in, one after the other: each is opened, asked about where it has to be, and added, before the next. Where several came, the screen
 * stays, so that all of them do; what is refused is kept by file.
 */
export function useOpening({ hasWorkshops, refresh, goTo }: Opening) {
  const notice = useNotice();
  const refused = ref<Refused[]>([]);
  /** A zip, to be looked into; and a build from a file, to be asked about. */
  const archive = shallowRef<File>();
  const arriving = shallowRef<Build>();
  /** Counts the files: what asks about one is another for the next. */
  const turn = ref(0);
  let waiting: File[] = [];
  let isOneOfMany = false;
  let isBusy = false;
  let closed: (() => void) | undefined;
  const askedAbout = () => new Promise<void>((done) => (closed = done));

  /** Open while there is something to ask about; closed, the next file has its turn. */
  const openWhile = (thing: { value: unknown }): WritableComputedRef<boolean> =>
    computed({
      get: () => thing.value !== undefined,
      set: (is) => {
        if (is) return;
        thing.value = undefined;
        closed?.();
      },
    });

  async function arrived(id: string, name?: string): Promise<void> {
    if (!isOneOfMany) return void goTo(id);
    await refresh();
    notice.say(name === undefined ? 'Added' : `Added: ${name}`);
  }

  async function takeOne(file: File): Promise<void> {
    turn.value += 1;
    if (/\.zip$/i.test(file.name)) {
      archive.value = file;
      return askedAbout();
    }
    const text = await file.text();
    try {
      // Reading files is asked for now and then only.
      const { openFile } = await import('./openFile');
      const opened = openFile(text);
      if (opened.kind === 'faulty')
        refused.value.push({ name: file.name, faults: opened.faults, within: opened.within });
      else if (opened.kind === 'workshop') {
        const { workshop } = await api.createWorkshop(text);
        await refresh();
        notice.say(`Added: ${workshop.name}`);
      } else if (hasWorkshops()) {
        arriving.value = opened.build;
        return await askedAbout();
      } else await arrived((await api.createBuild(text)).id, opened.build.name);
    } catch (error) {
      const faults = error instanceof ApiProblem ? error.faults : [];
      if (faults.length > 0) refused.value.push({ name: file.name, faults, within: undefined });
      else notice.complain(error);
    }
  }

  async function take(files: readonly File[]): Promise<void> {
    waiting.push(...files);
    if (isBusy) {
      isOneOfMany = true;
      return;
    }
    isBusy = true;
    isOneOfMany = files.length > 1;
    refused.value = [];
    try {
      for (let next = waiting.shift(); next; next = waiting.shift()) await takeOne(next);
    } finally {
      isBusy = false;
      waiting = [];
    }
  }

  return {
    refused,
    turn,
    archive,
    arriving,
    take,
    arrived,
    isLooking: openWhile(archive),
    isArriving: openWhile(arriving),
  };
}
