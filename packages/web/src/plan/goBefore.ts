import type { GoFirst } from '@fixatum/core';
import { ref, shallowRef, watch } from 'vue';
import { api } from '../shared/api';
import { useBuild } from '../shared/build';
import { useNotice } from '../shared/notice';

/**
 * What each build that goes before the open one costs it, looked for whenever the open one is late, and going before one of them. Invariant:
 * what is shown was planned for the plan that is on screen.
 */
export function useGoBefore() {
  const store = useBuild();
  const notice = useNotice();
  const offers = shallowRef<GoFirst[]>([]);
  const looking = ref(false);
  let ticket = 0;

  watch(
    () => [store.view, store.planning, store.beside] as const,
    async ([view, planning, beside]) => {
      ticket += 1;
      const own = ticket;
      offers.value = [];
      const isLate = view?.pieces.some(({ readiness }) => readiness === 'late' || readiness === 'stuck');
      looking.value = false;
      if (planning || !isLate || !beside.some(({ isAhead }) => isAhead)) return;
      looking.value = true;
      try {
        const found = await store.askGoFirst();
        if (own === ticket) offers.value = found;
      } catch (error) {
        if (own === ticket) notice.complain(error);
      } finally {
        if (own === ticket) looking.value = false;
      }
    },
    { immediate: true },
  );

  const nameOf = (id: string): string => store.beside.find((one) => one.id === id)?.name ?? 'Another build';

  /** Puts the open build before another in the order of their workshop. */
  async function goBefore(other: string): Promise<void> {
    try {
      const { workshops } = await api.workshops();
      const workshop = workshops.find(({ builds }) => builds.includes(store.theId));
      if (!workshop) return;
      const { id, builds, ownOrder } = workshop;
      const rest = builds.filter((one) => one !== store.theId);
      rest.splice(rest.indexOf(other), 0, store.theId);
      await api.orderBuilds(id, rest);
      const undo = () => (ownOrder ? api.orderBuilds(id, builds) : api.orderBuildsByDate(id));
      notice.say(`Goes before ${nameOf(other)} now`, {
        label: 'Undo',
        run: () => void undo().catch((error: unknown) => notice.complain(error)),
      });
    } catch (error) {
      notice.complain(error);
    }
  }

  return { offers, looking, nameOf, goBefore };
}
