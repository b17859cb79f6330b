import { useMousePressed, whenever } from '@vueuse/core';
import { computed, ref, watch, type Ref } from 'vue';

/** How a field reads what is written into it, and shows what it holds. */
interface Writing {
  /** The value that something written stands for; undefined where it is none. */
  read: (written: string) => string | undefined;
  /** A value as it is shown; what is no value as it was written. */
  say: (value: string) => string;
}

/**
 * What is written in a field, beside the value it stands for. While somebody is at it, the text stays as they write it, and
 * the value follows; when they leave, it is shown in full. What can't be read is kept as it was written, and is `wrong`.
 */
export function useWritten(value: Ref<string>, { read, say }: Writing) {
  const text = ref<string | null>(say(value.value));
  const typing = ref(false);
  watch(
    value,
    (next) => {
      if (!typing.value) text.value = say(next);
    },
    { flush: 'sync' },
  );
  // A field that is cleared by its button holds null.
  watch(text, (next) => (value.value = read(next ?? '') ?? (next ?? '').trim()), { flush: 'sync' });
  const wrong = computed(() => !typing.value && value.value !== '' && read(value.value) === undefined);
  const enter = () => {
    typing.value = true;
  };
  const show = () => {
    typing.value = false;
    text.value = say(value.value);
  };
  const { pressed } = useMousePressed();
  // What is said of it moves what lies below, and a press that takes the focus away would miss what it is on: it is let end first.
  const leave = () => {
    if (pressed.value) whenever(() => !pressed.value, show, { once: true });
    else show();
  };
  return { text, wrong, enter, leave };
}
