import { catalogueById, stepSchema, type Step } from '@fixatum/core';
import { sampleBuild, samplePiece } from '../../../core/src/testing/sampleBuild';
import { detailPlacement, fittedForm, stepFromForm, stepToForm, type StepForm } from './stepForm';

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
      step({ kind: 'join', parts: ['fin'], alongMm: 240, bondArea: 'tab' }),
      step({ kind: 'attach', attaches: 'hardware', fixings: 4 }),
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

  it('reads a colour by its name', () => {
    const made = read({ ...stepToForm(), material: 'flex-acrylic', colour: 'Dark olive green' });
    expect(made.ok && made.value.colour).toBe('#556b2f');
  });

  it('waits for other steps once other parts are joined', () => {
    const old = step({ kind: 'join', parts: ['fin'], after: ['base', 'fin/clear'] });
    const same = read(stepToForm(old), old);
    expect(same.ok && same.value.after).toEqual(['base', 'fin/clear']);
    const other = read({ ...stepToForm(old), parts: ['fin', 'crest'] }, old);
    expect(other.ok && [other.value.parts, other.value.after]).toEqual([['fin', 'crest'], undefined]);
  });

  it('gives a new step an id that is free', () => {
    const made = read(stepToForm());
    expect(made.ok && made.value.id).toBe('base-2');
  });

  it('says what is wrong, and where', () => {
    const form = { ...stepToForm(), material: 'flex-acrylic', coats: 0, minutes: 7000, colour: 'grünlich' };
    const made = read(form);
    expect(made.ok ? [] : made.faults.map(({ path, message }) => [path.join('.'), message])).toEqual([
      ['coats', 'At least one coat.'],
      ['colour', expect.stringMatching(/colour/i)],
      ['minutes', 'At most a hundred hours.'],
    ]);
    const empty = read({ ...stepToForm(), material: 'flex-acrylic', coats: Number.NaN });
    expect(empty.ok ? [] : empty.faults.map(({ message }) => message)).toEqual(['A number belongs here.']);
  });
});

describe('a method or a place that does not go with a material', () => {
  const places = sampleBuild({
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'window',
        slots: 4,
        climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
      },
      {
        id: 'porch',
        name: 'Porch',
        ventilation: 'outdoor',
        slots: 4,
        climate: { kind: 'constant', temperatureC: 16, humidityPct: 50 },
      },
    ],
  }).places;
  const fit = (form: Partial<StepForm>, material: string) =>
    fittedForm({ kind: 'base', method: '', place: '', ...form }, catalogueById.get(material), places);

  it('is changed, and said', () => {
    expect(fit({ method: 'airbrush' }, 'craft-acrylic')).toEqual({
      change: { method: '' },
      said: ['Craft acrylic can’t be applied by airbrush: it is brush now.'],
    });
    expect(fit({}, 'rubber-dip-spray')).toEqual({
      change: { place: 'porch' },
      said: ['A can wants moving air: it is done in Porch.'],
    });
  });

  it('stays where it can', () => {
    expect(fit({ method: 'sponge' }, 'craft-acrylic').said).toEqual([]);
    expect(fit({ place: 'porch' }, 'rubber-dip-spray').said).toEqual([]);
  });
});

it('a detail coat goes where the last one went', () => {
  const piece = (placement?: 'edges') =>
    samplePiece({}, [{ id: 'd', kind: 'detail', ...(placement ? { placement } : {}) }]);
  expect([detailPlacement([]), detailPlacement([piece('edges'), piece()])]).toEqual(['lines', 'edges']);
});
