import { photoName } from '@fixatum/core';
import { createStore, del, entries, set } from 'idb-keyval';
import { nanoid } from 'nanoid';
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { api, ApiProblem } from './api';
import { useNotice } from './notice';

/** A photo as the browser keeps it; bytes, as some browsers lose blobs. */
interface KeptPhoto {
  bytes: ArrayBuffer;
  type: string;
}

/** What our own server says of a photo that it will never take. */
const refusals = new Set(['no-photo', 'too-large', 'unusable']);

/**
 * Photos taken here that the server does not have yet. They have their names from the start, so that a coat can be logged with one
 * where nobody answers, and count once however often they are sent. Kept in the browser's database, over a reload and a flat battery.
 */
export const usePhotoBox = defineStore('photoBox', () => {
  const notice = useNotice();
  const store = createStore('fixatum-photos', 'photos');
  /** The addresses to see them at here, by name, in the order they were taken. */
  const addresses = shallowRef<ReadonlyMap<string, string>>(new Map());
  const count = computed(() => addresses.value.size);
  const kept = new Map<string, KeptPhoto>();
  let sending: Promise<void> | undefined;

  const ready = entries<string, KeptPhoto>(store)
    .then((found) => found.forEach(([name, photo]) => show(name, photo)))
    .catch(() => undefined);

  const blobOf = ({ bytes, type }: KeptPhoto) => new Blob([bytes], { type });
  function show(name: string, photo: KeptPhoto): void {
    kept.set(name, photo);
    addresses.value = new Map([...addresses.value, [name, URL.createObjectURL(blobOf(photo))]]);
  }

  /** Keeps a photo on this machine and gives it its name. A browser without a database keeps it until the page goes. */
  async function put(picture: Blob): Promise<string> {
    const name = photoName(nanoid(14));
    const photo = { bytes: await picture.arrayBuffer(), type: picture.type };
    await set(name, photo, store).catch(() => undefined);
    show(name, photo);
    return name;
  }

  /** Forgets a photo that is not wanted, or that the server has. */
  async function drop(name: string): Promise<void> {
    const address = addresses.value.get(name);
    if (address === undefined) return;
    kept.delete(name);
    addresses.value = new Map([...addresses.value].filter(([one]) => one !== name));
    await del(name, store).catch(() => undefined);
    URL.revokeObjectURL(address);
  }

  async function send(): Promise<void> {
    await ready;
    for (const [name, photo] of kept) {
      try {
        await api.addPhoto(blobOf(photo), name);
      } catch (error) {
        if (!(error instanceof ApiProblem) || !refusals.has(error.type)) throw error;
        notice.complain(error);
      }
      await drop(name);
    }
  }

  /**
   * Sends what is waiting; one at a time however often it is called. Rejects where one could not be sent and is to be tried again.
   */
  function flush(): Promise<void> {
    sending ??= send().finally(() => (sending = undefined));
    return sending;
  }

  /** Where a photo is seen: here while the server does not have it. */
  const addressOf = (name: string): string => addresses.value.get(name) ?? api.photoUrl(name);

  return { count, ready, put, drop, flush, addressOf };
});
