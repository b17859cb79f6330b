import type { Step } from '../model/schema';
import { catalogueById } from '../materials/catalogue';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { describeStep } from '../words/describeStep';
import { expandBuild } from '../schedule/plan/operations';
import { safetyLine } from '../words/safety';
import { methodOf } from '../model/stepSpots';

const faces = { outer: { areaCm2: 600 }, inner: { areaCm2: 500 } };

describe('expandBuild', () => {
  it('makes coats × faces × units, all coats of a face before the next', () => {
    const step: Step = {
      id: 's',
      kind: 'seal',
      material: 'pva-flex-primer',
      coats: 2,
      faces: ['inner', 'outer'],
    };
    const operations = expandBuild(sampleBuild({ pieces: [samplePiece({ quantity: 2, faces }, [step])] }));
    expect(operations.map((operation) => operation.id)).toEqual([
      'plate/1/s/1/inner',
      'plate/1/s/2/inner',
      'plate/1/s/1/outer',
      'plate/1/s/2/outer',
      'plate/2/s/1/inner',
      'plate/2/s/2/inner',
      'plate/2/s/1/outer',
      'plate/2/s/2/outer',
    ]);
    expect(operations[2]!.after).toEqual(['plate/1/s/2/inner']);
    expect(operations[4]!.after).toEqual([]);
  });

  it('links steps in list order, or as `after` says', () => {
    const steps: Step[] = [
      { id: 'a', kind: 'prep' },
      { id: 'b', kind: 'prep' },
      { id: 'c', kind: 'prep', after: ['a'] },
    ];
    const after = expandBuild(sampleBuild({ pieces: [samplePiece({}, steps)] })).map(
      (operation) => operation.after,
    );
    expect(after).toEqual([[], ['plate/1/a/1/-'], ['plate/1/a/1/-']]);
  });

  it('covers the share of its zones on the face it is laid on', () => {
    const zones = [
      { id: 'rim', name: 'Rim', share: 0.25 },
      { id: 'field', name: 'Field', share: 0.75 },
    ];
    const steps: Step[] = [{ id: 's', kind: 'base', material: 'craft-acrylic', zones: ['rim'] }];
    const [operation] = expandBuild(sampleBuild({ pieces: [samplePiece({ faces, zones }, steps)] }));
    // A quarter of 600 cm².
    expect(operation).toMatchObject({ areaCm2: 150, cells: ['outer:rim'] });
  });

  it('does step without material once a unit, on whatever faces', () => {
    const [operation] = expandBuild(
      sampleBuild({
        pieces: [samplePiece({ faces }, [{ id: 'h', kind: 'heat-seal', faces: ['inner', 'outer'] }])],
      }),
    );
    expect(operation).toMatchObject({ id: 'plate/1/h/1/-', face: undefined, areaCm2: 1100 });
  });
});

describe('methods', () => {
  it('are the step’s own, else the material’s first, else the kind’s', () => {
    const dip = catalogueById.get('rubber-dip-spray');
    expect(methodOf({ id: 's', kind: 'seal', method: 'dip' }, dip)).toBe('dip');
    expect(methodOf({ id: 's', kind: 'seal' }, dip)).toBe('aerosol');
    expect(methodOf({ id: 's', kind: 'sand' }, undefined)).toBe('sand');
  });
});

describe('describeStep', () => {
  it('says what, with what, where, how long and how long it waits', () => {
    const step: Step = {
      id: 's',
      kind: 'seal',
      material: 'pva-flex-primer',
      method: 'brush',
      coats: 2,
      film: 'light',
      faces: ['inner', 'outer'],
      place: 'room',
    };
    const build = sampleBuild({ pieces: [samplePiece({ faces }, [step])] });
    // 500 cm² by brush is 1.5, so 2 min, with 3 and 5 round it; 45 min · 0.6^1.5 = 20.9.
    expect(describeStep(build, build.pieces[0]!, step, catalogueById.get('pva-flex-primer'))).toBe(
      '2 light coats of Flexible PVA foam primer · brush · both faces · Room · 10 min a pass · then 21 min',
    );
  });

  it('names parts, covers and waiting for cure', () => {
    const build = sampleBuild();
    const say = (step: Step) =>
      describeStep(
        build,
        build.pieces[0]!,
        step,
        step.material ? catalogueById.get(step.material) : undefined,
      );
    expect(say({ id: 'j', kind: 'join', parts: ['plate'] })).toContain('Plate into this');
    expect(say({ id: 'm', kind: 'mask', covers: ['zip', 'tab'], minutes: 5 })).toBe(
      'zip, tab · 5 min a pass',
    );
    expect(say({ id: 'e', kind: 'topcoat', material: 'epoxy-clear', waitFor: 'cured' })).toContain(
      'once all below is cured',
    );
  });
});

describe('safety', () => {
  const line = (id: string | undefined, step: Partial<Step> = {}) => {
    const material = id === undefined ? undefined : catalogueById.get(id);
    const whole: Step = { id: 's', kind: 'base', ...step };
    return safetyLine(whole, methodOf(whole, material), material);
  };

  it('goes with every material that has a hazard', () => {
    for (const material of catalogueById.values()) {
      const said = safetyLine({ id: 's', kind: 'base' }, material.methods[0]!, material);
      if (material.hazards.length > 0) expect([material.id, said]).not.toEqual([material.id, undefined]);
    }
  });

  it('asks for cartridges, air and no flame with solvents, and for licence with isocyanate', () => {
    expect(line('rubber-dip-spray')).toMatch(
      /organic-vapour cartridges.*outdoors or with extraction.*No flame/,
    );
    expect(line('urethane-2k-clear')).toMatch(/licensed practice with supplied air/);
  });

  it('asks for gloves and no flame where a solvent is wiped with, and for nothing with water', () => {
    for (const cleans of ['degreased', 'unglued'] as const)
      expect(line(undefined, { kind: 'prep', cleans })).toBe(
        'Gloves and moving air with any solvent; no flame near.',
      );
    expect(line(undefined, { kind: 'prep', cleans: 'washed' })).toBeUndefined();
  });

  it('keeps its word on latex and on resins however they are put on', () => {
    const latex = catalogueById.get('natural-latex')!;
    const sprayed = safetyLine({ id: 's', kind: 'seal' }, 'airbrush', latex)!;
    expect(sprayed).toContain('Particle mask and eye cover');
    expect(sprayed).toContain('Natural latex: keep away from anyone with the allergy');
    const epoxy = catalogueById.get('epoxy-clear')!;
    expect(safetyLine({ id: 's', kind: 'seal' }, 'airbrush', epoxy)).toContain('can sensitise skin');
    expect(safetyLine({ id: 's', kind: 'seal' }, 'brush', latex)).toBe(
      'Natural latex: keep away from anyone with the allergy; air the room of ammonia.',
    );
  });

  it('minds the propellant of every can, eyes with epoxy, dust of tools, and little of a pen', () => {
    expect(line('foam-seal-spray', { method: 'aerosol' })).toMatch(/the propellant burns/);
    expect(line('epoxy-clear', { method: 'brush' })).toMatch(/eye cover/);
    expect(line(undefined, { kind: 'prep', trims: true })).toMatch(/Particle mask and goggles/);
    expect(line(undefined, { kind: 'prep' })).toMatch(/where a tool throws dust/);
    expect(line('alcohol-marker')).toBe('Moving air; no flame near.');
    expect(line('metal-wax')).toMatch(/Organic-vapour mask/);
    expect(line(undefined, { kind: 'sand', thinWith: 'water' })).toMatch(/^Wet/);
  });

  it('goes with heat and sanding too, and is silent for a brush of acrylic', () => {
    expect(line(undefined, { kind: 'heat-seal' })).toMatch(/PVC is never heated/);
    expect(line(undefined, { kind: 'sand' })).toMatch(/Particle mask/);
    expect(line('craft-acrylic')).toBeUndefined();
  });
});
