import {
  joinWorkshop,
  matchWorkshop,
  materialsOf,
  type Build,
  type JoinChoice,
  type Joined,
  type Match,
} from '@fixatum/core';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { api, faultsOf, type WorkshopAnswer } from '../shared/api';
import { known } from './joinWords';

/**
 * Joining a build to one of the workshops there are: what it brings is matched with each, and what becomes of it is chosen.
 * @param butNot a workshop that is not offered, as the build is in it
 */
export function useJoining(build: Ref<Build>, butNot?: string) {
  const workshops = shallowRef<WorkshopAnswer[]>();
  const faults = ref<ReturnType<typeof faultsOf>>([]);
  /** The workshop it is for; undefined for one of its own. */
  const chosenId = ref<string>();
  const choices = ref<Record<string, JoinChoice>>({});

  const materialName = (id: string) => materialsOf(build.value.materials).get(id)?.name ?? id;
  const matchesOf = ({ workshop }: WorkshopAnswer): Match[] =>
    matchWorkshop(build.value, workshop, materialName);

  /** Asks for the workshops, and offers the one that knows most of what the build brings. */
  async function load(mayBeOwn: boolean): Promise<void> {
    faults.value = [];
    try {
      const { workshops: there } = await api.workshops();
      const all = await Promise.all(
        there.filter(({ id }) => id !== butNot).map(({ id }) => api.workshop(id)),
      );
      workshops.value = all;
      const fitting = all.filter(({ workshop }) => workshop.timeZone === build.value.timeZone);
      const best = fitting
        .map((one) => ({ id: one.id, count: known(matchesOf(one)) }))
        .sort((a, b) => b.count - a.count)[0];
      chosenId.value = best && (!mayBeOwn || best.count > 0) ? best.id : undefined;
    } catch (error) {
      workshops.value ??= [];
      faults.value = faultsOf(error);
    }
  }

  const chosen = computed(() => workshops.value?.find(({ id }) => id === chosenId.value));
  /** Its moments are written in its own time, so a workshop elsewhere on earth is none for it. */
  const isElsewhere = computed(
    () => chosen.value !== undefined && chosen.value.workshop.timeZone !== build.value.timeZone,
  );
  const matches = computed(() => (chosen.value && !isElsewhere.value ? matchesOf(chosen.value) : []));
  watch(chosenId, () => (choices.value = {}));

  const joined = computed((): Joined | undefined =>
    chosen.value && !isElsewhere.value
      ? joinWorkshop(
          build.value,
          chosen.value.workshop,
          matches.value,
          ({ kind, id }) => choices.value[`${kind} ${id}`],
        )
      : undefined,
  );
  return { workshops, faults, chosenId, chosen, choices, isElsewhere, matches, joined, load };
}
