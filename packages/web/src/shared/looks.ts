import { shippedLooks, type Look } from '@fixatum/core';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api } from './api';
import { useNotice } from './notice';

/** The looks to choose from: one's own first, then those that ship with the program. */
export const useLooks = defineStore('looks', () => {
  const notice = useNotice();
  const own = ref<Look[]>([]);
  const all = computed<Look[]>(() => [...own.value, ...shippedLooks]);
  const byId = (id: string): Look | undefined => all.value.find((look) => look.id === id);

  async function load(): Promise<void> {
    try {
      own.value = (await api.looks()).looks;
    } catch (error) {
      notice.complain(error);
    }
  }

  /** Saves a look; returns whether it went through. */
  async function save(look: Look): Promise<boolean> {
    try {
      await api.saveLook(look);
      await load();
      return true;
    } catch (error) {
      notice.complain(error);
      return false;
    }
  }

  async function remove(look: Look): Promise<void> {
    try {
      await api.deleteLook(look.id);
      await load();
      notice.say(`Look deleted: ${look.name}`, { label: 'Undo', run: () => void save(look) });
    } catch (error) {
      notice.complain(error);
    }
  }

  return { own, all, byId, load, save, remove };
});
