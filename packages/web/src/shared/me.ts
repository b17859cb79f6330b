import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, type Me } from './api';

/** Who this browser is to the server. Until that is known it is taken for the computer itself. */
export const useMe = defineStore('me', () => {
  const me = ref<Me>({ role: 'finisher', device: null });
  return {
    isHelper: computed(() => me.value.role === 'helper'),
    device: computed(() => me.value.device),
    async load(): Promise<void> {
      me.value = await api.me();
    },
  };
});
