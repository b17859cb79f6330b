<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { nextTick, ref, useId, useTemplateRef, watch } from 'vue';
import type { VDialog } from 'vuetify/components';
import { useHeld, useUnsaved } from './unsaved';

/**
 * Every dialog: named by its heading, and where something is typed into it, asking before a press beside it, Escape or another screen would lose
 * that. What closes it by a button of its own is a choice, and asks nothing.
 */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  /** Whether what is typed here is worth asking about. */
  asks?: boolean;
  persistent?: boolean;
}>();
defineOptions({ inheritAttrs: false });
const unsaved = useUnsaved();
const dialog = useTemplateRef<VDialog>('dialog');
const headingId = useId();
const isTyped = ref(false);
watch(open, () => (isTyped.value = false), { flush: 'sync' });
useHeld(isTyped);

const typed = () => {
  if (props.asks) isTyped.value = true;
};
// What is chosen from lies over the dialog, and outside of it.
useEventListener(document, 'click', ({ target }) => {
  if (open.value && !unsaved.isAsking && target instanceof Element && target.closest('[role="option"]'))
    typed();
});

async function leave(): Promise<void> {
  if (!isTyped.value || unsaved.isAsking) return;
  if (await unsaved.mayLeave()) open.value = false;
}

/** Named by its heading, which may come a moment later. */
async function name(): Promise<void> {
  await nextTick();
  const within: HTMLElement | undefined = dialog.value?.contentEl;
  const heading = within?.querySelector('h1, h2');
  if (!heading) return;
  heading.id ||= headingId;
  within?.closest('[role="dialog"]')?.setAttribute('aria-labelledby', heading.id);
}
watch(open, (isOpen) => isOpen && void name(), { immediate: true });
</script>

<template>
  <v-dialog
    ref="dialog"
    v-model="open"
    v-bind="$attrs"
    :persistent="persistent || isTyped"
    :content-props="{
      onInput: typed,
      onChange: typed,
      onKeydown: (event: KeyboardEvent) => event.key === 'Escape' && void leave(),
    }"
    @click:outside="leave"
    @after-enter="name"
  >
    <slot />
  </v-dialog>
</template>
