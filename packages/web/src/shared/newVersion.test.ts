/** @jest-environment jsdom */
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import NewVersion from './NewVersion.vue';
import { useNewVersion } from './newVersion';

beforeEach(() => {
  setActivePinia(createPinia());
  document.head.innerHTML = '<script type="module" src="/assets/index-old.js"></script>';
});
const shown = () =>
  mount(NewVersion, { global: { stubs: { VBtn: { template: '<button><slot /></button>' } } } });

test('nothing is said while the server has the version this page is', () => {
  const bar = shown();
  useNewVersion().isOnServer('/assets/index-old.js');
  expect(bar.text()).toBe('');
});

test('another version is said, and no more once it is the same again', async () => {
  const bar = shown();
  useNewVersion().isOnServer('/assets/index-new.js');
  await bar.vm.$nextTick();
  expect(bar.text()).toContain('A new version of the program is here.');
  useNewVersion().isOnServer('/assets/index-old.js');
  await bar.vm.$nextTick();
  expect(bar.text()).toBe('');
});

test('a server without an app, as in development, says nothing; a part that is gone does', async () => {
  const bar = shown();
  useNewVersion().isOnServer(null);
  expect(bar.text()).toBe('');
  useNewVersion().partIsGone();
  await bar.vm.$nextTick();
  expect(bar.text()).toContain('A new version');
});
