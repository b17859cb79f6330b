import { useRouteQuery } from '@vueuse/router';
import { computed, type WritableComputedRef } from 'vue';

/**
 * What is chosen on a screen, kept in its address, so that reloading it, a link to it and going back lead to the same. What is usual is not
 * written; a word that is none of the choices is taken for it.
 * @param name of the query
 * @example const tab = useInAddress('tab', 'catalogue', ['catalogue', 'pairs']);
 */
export function useInAddress<T extends string>(
  name: string,
  usual: T,
  choices: readonly T[],
): WritableComputedRef<T> {
  const query = useRouteQuery<string | undefined>(name, usual, { mode: 'replace' });
  return computed({
    get: () => choices.find((choice) => choice === query.value) ?? usual,
    set: (choice) => {
      query.value = choice === usual ? undefined : choice;
    },
  });
}

/** Words that are looked for on a screen, kept in its address. */
export function useWordsInAddress(name: string): WritableComputedRef<string> {
  const query = useRouteQuery<string | undefined>(name, '', { mode: 'replace' });
  return computed({
    get: () => query.value ?? '',
    set: (words) => {
      query.value = words === '' ? undefined : words;
    },
  });
}
