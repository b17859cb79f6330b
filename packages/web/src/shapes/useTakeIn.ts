import type { Piece } from '@fixatum/core';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useBuild } from '../shared/build';
import { useLooks } from '../shared/looks';
import { useNotice } from '../shared/notice';
import { freshTakeIn, withLooks } from './takeInForm';

/** Taking pieces into the build, all in one go. */
export function useTakeIn() {
  const store = useBuild();
  const looks = useLooks();
  const notice = useNotice();
  const router = useRouter();
  const form = ref(freshTakeIn(store.build?.events[0]?.id));
  const saving = ref(false);

  /** Adds pieces with the steps of their looks; true when they are kept. */
  async function take(pieces: readonly Piece[], from: string): Promise<boolean> {
    const { build } = store;
    if (!build || pieces.length === 0) return false;
    saving.value = true;
    try {
      const written = pieces.map((piece) => withLooks(build, piece, form.value.looks, looks.byId));
      const label =
        pieces.length === 1
          ? `Taken in: ${pieces[0]!.name}`
          : `Taken in: ${pieces.length} pieces from ${from}`;
      const done = await store.patch(
        label,
        written.map((piece) => ({ op: 'add' as const, path: '/pieces/-', value: piece })),
      );
      if (!done) return false;
      notice.say(`${label}.`);
      const [only] = written;
      await router.push(
        written.length === 1 && only
          ? { name: 'piece', params: { build: store.theId, piece: only.id } }
          : { name: 'pieces', params: { build: store.theId } },
      );
      return true;
    } catch (error) {
      notice.complain(error);
      return false;
    } finally {
      saving.value = false;
    }
  }
  return { form, saving, take };
}
