import { defineStore } from 'pinia';
import { ref } from 'vue';
import { ApiProblem } from './api';

/** The line that says what has just happened, with a way to take it back. */
export const useNotice = defineStore('notice', () => {
  const text = ref('');
  const isProblem = ref(false);
  const shown = ref(false);
  const action = ref<{ label: string; run: () => void } | undefined>();
  /** How many have been said: each stands for its whole time, also where one comes while another is shown. */
  const count = ref(0);

  function say(message: string, then?: { label: string; run: () => void }): void {
    text.value = message;
    isProblem.value = false;
    action.value = then;
    count.value += 1;
    shown.value = true;
  }

  function complain(error: unknown, then?: { label: string; run: () => void }): void {
    text.value =
      error instanceof ApiProblem
        ? `${error.title}. ${error.message}`
        : error instanceof Error
          ? error.message
          : String(error);
    isProblem.value = true;
    action.value = then;
    count.value += 1;
    shown.value = true;
  }

  return { text, isProblem, shown, action, count, say, complain };
});
