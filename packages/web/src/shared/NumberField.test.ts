/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { nextTick } from 'vue';
import { mounted } from '../testing/mounted';
import { useAppearance } from './appearance';
import { UNITS_KEY } from './deviceStyle';
import NumberField from './NumberField.vue';

const field = {
  VTextField: {
    props: ['modelValue', 'suffix', 'errorMessages'],
    emits: ['update:modelValue', 'blur'],
    template:
      '<div><input :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value)" @blur="$emit(\'blur\')" /><i>{{ suffix }}</i><b>{{ errorMessages }}</b></div>',
  },
};
async function opened(props: Record<string, unknown>) {
  const wrapper = mounted(NumberField, {
    props: { label: 'Length', ...props } as never,
    global: { components: field },
  });
  const input = wrapper.get('input');
  return {
    wrapper,
    input,
    last: () => wrapper.emitted('update:modelValue')?.at(-1)?.[0],
    shown: () => input.element.value,
  };
}

describe('a field that measures', () => {
  // The browser of the tests says it is an American one.
  beforeEach(() => localStorage.setItem(UNITS_KEY, 'metric'));
  afterEach(() => localStorage.clear());
  it('takes any unit, and shows the user’s own when it is left', async () => {
    const { wrapper, input, last, shown } = await opened({ modelValue: 200, of: 'lengthMm' });
    expect([shown(), wrapper.get('i').text()]).toEqual(['200', 'mm']);
    await input.setValue('5 1/2 in');
    expect(last()).toBeCloseTo(139.7, 9);
    expect(shown()).toBe('5 1/2 in');
    await wrapper.setProps({ modelValue: 139.7 } as never);
    await input.trigger('blur');
    expect(shown()).toBe('139.7');
  });
  it('says what it can’t read, and keeps it to be put right', async () => {
    const { wrapper, input, last, shown } = await opened({ modelValue: 200, of: 'lengthMm' });
    await input.setValue('5 bananas');
    await input.trigger('blur');
    expect(last()).toBeUndefined();
    expect(wrapper.get('b').text()).toBe('Can’t be read; write 200, 20 cm or 7 7/8 in.');
    expect(shown()).toBe('5 bananas');
  });
  it('shows inches to those who measure in them, and changes nothing', async () => {
    const { wrapper, shown } = await opened({ modelValue: 203.2, of: 'lengthMm' });
    useAppearance().units = 'imperial';
    await nextTick();
    expect([shown(), wrapper.get('i').text()]).toEqual(['8', 'in']);
    expect(wrapper.emitted('update:modelValue')).toBeUndefined();
  });
  it('that only counts takes numbers', async () => {
    const { input, last } = await opened({ modelValue: 3, suffix: '%' });
    await input.setValue('40');
    expect(last()).toBe(40);
    await input.setValue('');
    expect(last()).toBeUndefined();
  });
});
