import { useEventListener } from '@vueuse/core';

/** What stands in the field an event is of. */
export const valueOf = ({ target }: Event): string =>
  target instanceof HTMLInputElement ? target.value : '';

/** A field that is searched in begins with its words selected, so that what is typed takes their place. */
export function selectSearches(): void {
  useEventListener(document, 'focusin', ({ target }) => {
    if (!(target instanceof HTMLInputElement) || !target.closest('.v-autocomplete')) return;
    // The press that brought the focus puts the caret where it was, a moment later.
    requestAnimationFrame(() => document.activeElement === target && target.select());
  });
}

/** A file that is dropped where nothing takes it does not push the app out of its window. */
export function keepDroppedFilesOut(): void {
  useEventListener(document, ['dragover', 'drop'], (event: DragEvent) => {
    if (!event.dataTransfer?.types.includes('Files') || event.defaultPrevented) return;
    event.preventDefault();
    event.dataTransfer.dropEffect = 'none';
  });
}

/** The files chosen in the field an event is of, which is then empty again, so that the same file can be chosen twice. */
export function filesOf({ target }: Event): File[] {
  if (!(target instanceof HTMLInputElement)) return [];
  const files = [...(target.files ?? [])];
  target.value = '';
  return files;
}

/** The one file chosen in the field an event is of. */
export const fileOf = (event: Event): File | undefined => filesOf(event)[0];
