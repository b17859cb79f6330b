import { defineStore } from 'pinia';
import { ref } from 'vue';
import { useUnsaved } from './unsaved';

/** What this page began with. */
const ownScript = (): string | undefined =>
  typeof document === 'undefined'
    ? undefined
    : (document.querySelector('script[type="module"][src]')?.getAttribute('src') ?? undefined);

/** Whether the server has another version of the app than this page is, so that parts of this one may be gone. */
export const useNewVersion = defineStore('newVersion', () => {
  const isThere = ref(false);
  const unsaved = useUnsaved();

  /** Is told what the app on the server begins with. */
  function isOnServer(script: string | null): void {
    const own = ownScript();
    if (script !== null && own !== undefined) isThere.value = script !== own;
  }

  /** A part of this version can't be had any more. */
  function partIsGone(): void {
    isThere.value = true;
  }

  /** Loads the page again, once nothing that was typed would go, or that was let go. */
  async function load(): Promise<void> {
    if (await unsaved.mayLeave()) window.location.reload();
  }

  return { isThere, isOnServer, partIsGone, load };
});
