import { pieceSchema, type Piece } from '@fixatum/core';
import { canHaveInner, outerAreaOf, pieceFromForm, pieceToForm, radiusOf, type PieceForm } from './pieceForm';

const piece = (fields: object = {}): Piece =>
  pieceSchema.parse({
    id: 'greave',
    name: 'Greave',
    quantity: 2,
    substrate: { kind: 'eva-foam', thicknessMm: 5, heatSealed: true },
    faces: { outer: { areaCm2: 640 } },
    steps: [{ id: 'seal', kind: 'seal' }],
    ...fields,
  });
const read = (form: PieceForm, old?: Piece) => pieceFromForm(form, old, ['greave']);

describe('a solid rod', () => {
  it('has no inner face, whatever was said of one before its shape', () => {
    const form = { ...pieceToForm(), name: 'Staff', measure: 'dowel' as const };
    expect([form.inner, canHaveInner(form)]).toEqual([true, false]);
    const made = read(form);
    expect(made.ok && made.value.faces.inner).toBeUndefined();
    // 25 mm through and 900 mm long: π · 25 · 900 and both ends of π/4 · 25², 706.9 + 9.8 cm².
    expect(made.ok && made.value.faces.outer.areaCm2).toBe(716.7);
    const tube = read({ ...form, measure: 'cylinder' });
    expect(tube.ok && tube.value.faces.inner).toBeDefined();
  });
});

describe('a piece in its form', () => {
  it('comes out as it went in, what the form does not show included', () => {
    for (const one of [
      piece(),
      piece({ faces: { outer: { areaCm2: 640 }, inner: { areaCm2: 500 } }, mirrors: 'other', event: 'fair' }),
      piece({
        zones: [
          {
            id: 'rim',
            name: 'Rim',
            share: 0.25,
            edgeMm: 900,
            wantsSheen: 'gloss',
            colour: '#c59a35',
            drawn: 'yes',
          },
          { id: 'field', name: 'Field', share: 0.75 },
        ],
        flex: [{ name: 'knee', bendRadiusMm: 42.5 }],
        keepBare: ['tab', 'buckle'],
        finestDetailMm: 1.5,
        wantsSheen: 'satin',
        note: 'Trim after the fitting',
      }),
      piece({
        substrate: {
          kind: 'thermoplastic-sheet',
          thicknessMm: 2,
          heatSealed: false,
          surface: 'opened',
          over: ['eva-foam', 'pvc-pipe'],
          colour: '#1b1b1c',
        },
        standing: true,
        onSkin: true,
        againstVinyl: true,
      }),
      piece({ substrate: { kind: 'stretch-fabric', thicknessMm: 1, heatSealed: false, stretchPct: 30 } }),
      // 200 by 320 mm is 640 cm².
      piece({
        faces: { outer: { areaCm2: 640, shape: { kind: 'rectangle', widthMm: 200, heightMm: 320 } } },
      }),
      // A right angle with legs of 60 and 80 mm is 24 cm².
      piece({
        faces: {
          outer: {
            areaCm2: 24,
            shape: {
              kind: 'polygon',
              pointsMm: [
                [0, 0],
                [60, 0],
                [0, 80],
              ],
            },
          },
        },
      }),
    ])
      expect(read(pieceToForm(one), one)).toEqual({ ok: true, value: one });
  });

  it('takes the area from the shape that was measured, and the inner face from the outer', () => {
    const form = { ...pieceToForm(), name: 'Vambrace', values: { widthMm: 110, heightMm: 250 } };
    expect(outerAreaOf(form)).toBe(275);
    const made = read(form);
    expect(made.ok && [made.value.id, made.value.faces.outer.areaCm2, made.value.faces.inner]).toEqual([
      'vambrace',
      275,
      { areaCm2: 275 },
    ]);
    expect(outerAreaOf({ ...form, values: { widthMm: undefined } })).toBeUndefined();
  });

  it('bends at its middle round the body that was measured', () => {
    // Half of 90 mm across the body and half of 6 mm of foam.
    expect(radiusOf({ name: 'arm', bendRadiusMm: 60, bodyDiameterMm: 90, use: 'worn' }, 6)).toBe(48);
    expect(radiusOf({ name: 'arm', bendRadiusMm: 60, bodyDiameterMm: undefined, use: 'worn' }, 6)).toBe(60);
  });

  it('says what is wrong, and where', () => {
    const faults = (changes: Partial<PieceForm>) => {
      const made = read({ ...pieceToForm(), name: 'Plate', ...changes });
      return made.ok ? [] : made.faults.map(({ path, message }) => `${path.join('.')}: ${message}`);
    };
    expect(faults({ name: '  ' })).toEqual(['name: Give the piece a name.']);
    expect(faults({ values: { widthMm: 0 } })[0]).toMatch(/^faces.outer: Fill in the lengths/);
    expect(faults({ quantity: 0, thicknessMm: undefined })).toEqual([
      'quantity: At least one.',
      'substrate.thicknessMm: Missing; a number belongs here.',
    ]);
    expect(faults({ measure: 'typed', outerCm2: -4 })[0]).toMatch(/^faces.outer.areaCm2/);
  });
});
