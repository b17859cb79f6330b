import { catalogueById, stepSchema, type Step } from '@fixatum/core';
import { stepFromForm, stepToForm, type StepForm } from './stepForm';

const read = (form: StepForm, old?: Step) =>
  stepFromForm(form, { old, taken: ['base', 'seal'], material: catalogueById.get(form.material) });
const step = (fields: object): Step => stepSchema.parse({ id: 'seal', kind: 'seal', ...fields });

describe('a step in its form', () => {
  it('comes out as it went in', () => {
    for (const one of [
      step({}),
      step({ material: 'pva-flex-primer', coats: 3, film: 'light', faces: ['inner', 'outer'], tintPct: 12 }),
      step({ kind: 'texture', material: 'epoxy-clear', coats: 1, film: 'normal', pourMm: 2.5, mixes: 2 }),
      step({ kind: 'attach', attaches: 'strap', minutes: 12, note: 'Left one first' }),
      step({ kind: 'mask', covers: ['tab', 'buckle'], zones: ['rim'] }),
      step({ kind: 'prep', trims: true, optional: true, waitFor: 'cured' }),
      step({ material: 'craft-acrylic', coats: 1, film: 'normal', thinPct: 25, thinWith: 'reducer' }),
      step({ kind: 'join', material: 'contact-cement', coats: 1, film: 'normal', bondArea: 'tab' }),
      step({ kind: 'texture', texture: 'burned' }),
      step({ kind: 'prep', cleans: 'degreased' }),
      step({ kind: 'sand', thinWith: 'water' }),
      step({ kind: 'attach', attaches: 'led', spaced: true }),
      step({
        kind: 'base',
        material: 'flex-acrylic',
        coats: 2,
        film: 'normal',
        colour: '#8a6f3b',
        air: 'fan',
      }),
      step({
        kind: 'weather',
        material: 'acrylic-wash',
        coats: 1,
        film: 'normal',
        placement: 'fade',
        coversPct: 40,
      }),
    ])
      expect(read(stepToForm(one), one)).toEqual({ ok: true, value: one });
  });

  it('keeps what it does not show, and leaves out what no longer goes with its kind or material', () => {
    const old = step({ material: 'pva-flex-primer', coats: 2, film: 'normal', tintPct: 10, after: ['base'] });
    const form = { ...stepToForm(old), kind: 'prep' as const, material: '' };
    expect(read(form, old)).toEqual({ ok: true, value: { id: 'seal', kind: 'prep', after: ['base'] } });
  });

  it('gives a new step an id that is free', () => {
    const made = read(stepToForm());
    expect(made.ok && made.value.id).toBe('base-2');
  });

  it('says what is wrong, and where', () => {
    const form = { ...stepToForm(), material: 'flex-acrylic', coats: 0, minutes: 5000, colour: 'green' };
    const made = read(form);
    expect(made.ok ? [] : made.faults.map(({ path, message }) => [path.join('.'), message])).toEqual([
      ['coats', 'At least one coat.'],
      ['colour', expect.stringMatching(/colour/i)],
      ['minutes', 'Longer than a day.'],
    ]);
    const empty = read({ ...stepToForm(), material: 'flex-acrylic', coats: Number.NaN });
    expect(empty.ok ? [] : empty.faults.map(({ message }) => message)).toEqual(['A number belongs here.']);
  });
});
