import 'fake-indexeddb/auto';
import { mount, type ComponentMountingOptions } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import type { Component } from 'vue';

/** Vuetify's parts as plain elements: what they are told stays to be asked for, and a button is a button. */
const stubs = {
  VBtn: {
    props: ['disabled'],
    emits: ['click'],
    template: '<button type="button" :disabled="disabled" @click="$emit(\'click\')"><slot /></button>',
  },
  VIcon: { template: '<i />' },
  'router-link': { template: '<a><slot /></a>' },
};

/** Mounts a component by itself, with stores of its own. */
export function mounted<C extends Component>(component: C, options: ComponentMountingOptions<C> = {}) {
  setActivePinia(createPinia());
  return mount(component, { ...options, global: { stubs, ...options.global } } as never);
}
