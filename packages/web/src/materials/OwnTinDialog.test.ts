/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { catalogueById, type Material } from '@fixatum/core';
import { flushPromises } from '@vue/test-utils';
import { api } from '../shared/api';
import { useBuild } from '../shared/build';
import { mounted } from '../testing/mounted';
import { smallBuild } from '../testing/smallBuild';
import OwnTinDialog from './OwnTinDialog.vue';

jest.mock('../shared/planner', () => ({ planInWorker: jest.fn() }));

const field = (name: string) => ({
  name,
  props: ['modelValue', 'label', 'hint', 'errorMessages', 'items'],
  emits: ['update:modelValue'],
  template: '<p>{{ label }} {{ hint }} {{ errorMessages }}</p>',
});
const stubs = {
  AppDialog: { template: '<div><slot /></div>' },
  VBtn: true,
  VCard: { template: '<div><slot /></div>' },
  VTextField: field('VTextField'),
  VSelect: field('VSelect'),
  VCombobox: field('VCombobox'),
  FaultList: true,
};

test('a binder that no rule knows is asked about before the tin is kept, and the answer is what it is kept as', async () => {
  const material = catalogueById.get('craft-acrylic') as Material;
  const dialog = mounted(OwnTinDialog, { props: { modelValue: true, material }, global: { stubs } });
  const store = useBuild();
  const kept: unknown[] = [];
  jest.spyOn(api, 'patchBuild').mockImplementation((_id, patch) => {
    kept.push(patch);
    return Promise.reject(new Error('not needed here'));
  });
  store.id = 'b1';
  store.build = smallBuild();
  jest.spyOn(store, 'attempt').mockImplementation(async (run: () => Promise<unknown>) => {
    await run().catch(() => undefined);
    return true;
  });
  const by = (name: string, label: string) =>
    dialog.findAllComponents({ name }).find((one) => one.props('label') === label)!;
  by('VTextField', 'What it is made of').vm.$emit('update:modelValue', 'moon dust');
  await flushPromises();
  expect(dialog.text()).toContain('No rule here knows “moon dust”. What is it most like?');
  await dialog.get('form').trigger('submit');
  await flushPromises();
  expect(kept).toEqual([]);
  expect(dialog.text()).toContain('No rule here knows “moon dust”: choose what it is most like');
  by('VSelect', 'It is most like').vm.$emit('update:modelValue', 'alkyd');
  by('VSelect', 'It is thinned with').vm.$emit('update:modelValue', 'solvent');
  await flushPromises();
  await dialog.get('form').trigger('submit');
  await flushPromises();
  expect(kept).toEqual([
    {
      materials: [
        expect.objectContaining({ extends: 'craft-acrylic', binder: 'alkyd', carrier: 'solvent' }) as object,
      ],
    },
  ]);
});
