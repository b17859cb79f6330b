import type { Build, OwnMaterial, Piece, Step } from '../model/schema';
import { both, cured, firing, heat, of, paint, place, pva, scuff, varnish, zones } from '../testing/firing';
import { lay, logged, plate, sayings } from '../testing/ruleCases';

describe('a rule', () => {
  it.each(firing)('%s: %s', (rule, _why, [build, severity, step], near) => {
    expect(sayings(build, rule)).toEqual([expect.objectContaining({ severity, step })]);
    for (const [what, other] of near)
      expect([what, sayings(other, rule).map(({ message }) => message)]).toEqual([what, []]);
  });
});

describe('what a film is, not what it is called', () => {
  const dip = lay('dip', 'seal', 'rubber-dip-spray', { film: 'light' });
  const enamel = lay('enamel', 'base', 'hobby-enamel', { film: 'light' });
  const primer = lay('prime', 'prime', 'acrylic-pu-primer-grey');
  const severities = (steps: Step[], rule: string, more: Partial<Build> = {}, piece: Partial<Piece> = {}) =>
    sayings(plate(steps, piece, more), rule).map(({ severity }) => severity);

  it('looks through what is thin, wiped, brushed nearly dry or laid in places, and not through a full coat', () => {
    expect(severities([dip, enamel], 'R04')).toEqual(['stop']);
    expect(severities([dip, primer, enamel], 'R04')).toEqual([]);
    for (const open of [
      { ...primer, film: 'dust' as const },
      { ...primer, coversPct: 60 },
      { ...primer, placement: 'patches' as const },
      lay('w', 'weather', 'acrylic-wash'),
      lay('w', 'weather', 'dry-brush-acrylic', { method: 'dry-brush', placement: 'all' }),
      lay('w', 'weather', 'graphite-powder', { placement: 'all' }),
    ])
      expect([open, severities([dip, open, enamel], 'R04')]).toEqual([open, ['stop']]);
    // Two thin coats make a closed one: 0.6 + 0.6 of a normal coat is over 0.9 of it; three dust coats are 1.05.
    expect(severities([dip, { ...primer, film: 'light', coats: 2 }, enamel], 'R04')).toEqual([]);
    expect(severities([dip, { ...primer, film: 'dust', coats: 3 }, enamel], 'R04')).toEqual([]);
  });

  it('knows where a coat lies: what sits in the recesses is not under the high points', () => {
    const wax = (placement: Step['placement']) => lay('x', 'weather', 'metal-wax', { placement });
    const wash = lay('w', 'weather', 'acrylic-wash', { placement: 'recesses' });
    expect(severities([pva, wax('high-points'), wash], 'R09')).toEqual([]);
    expect(severities([pva, wax('recesses'), wash], 'R09')).toEqual(['stop']);
  });

  it('goes by what own labels say of binder and solvent, in their own words', () => {
    const tins: OwnMaterial[] = [
      { id: 'dip', extends: 'rubber-dip-spray', name: 'Dip', binder: 'Rubber' },
      {
        id: 'hot',
        extends: 'craft-acrylic',
        name: 'Thin',
        binder: 'Acrylic',
        carrier: 'solvent',
        solvent: 3,
      },
      { id: 'mild', extends: 'craft-acrylic', name: 'Mild', binder: 'Acrylic', carrier: 'water', solvent: 0 },
      {
        id: 'oil',
        extends: 'alkyd-gloss-spray',
        name: 'Fence',
        binder: 'oil-modified alkyd',
      },
      { id: 'two', extends: 'satin-varnish', name: 'Hard', hazards: ['hardener: HDI trimer'] },
    ];
    const own = { materials: tins };
    const rubber = lay('r', 'seal', 'dip', { film: 'light' });
    expect(severities([rubber, lay('e', 'base', 'oil')], 'R04', own)).toEqual(['stop']);
    expect(severities([pva, lay('e', 'base', 'oil')], 'R04', own)).toEqual([]);
    expect(severities([rubber, lay('h', 'base', 'hot')], 'R05', own)).toEqual(['risk']);
    expect(severities([rubber, lay('h', 'base', 'mild')], 'R05', own)).toEqual([]);
    expect(severities([pva, primer, lay('o', 'base', 'oil'), lay('h', 'base', 'hot')], 'R06', own)).toEqual([
      'stop',
    ]);
    expect(severities([pva, primer, lay('o', 'base', 'oil'), lay('m', 'base', 'mild')], 'R06', own)).toEqual(
      [],
    );
    expect(severities([pva, paint, lay('t', 'topcoat', 'two')], 'R40', own)).toEqual(['stop']);
    expect(severities([pva, paint, varnish], 'R40', own)).toEqual([]);
  });

  it('goes by properties in own tins as well, whatever they are called', () => {
    const tins: OwnMaterial[] = [
      { id: 't1', extends: 'copper-acrylic', name: 'Old penny' },
      { id: 't2', extends: 'natural-latex', name: 'Milk' },
      { id: 't3', extends: 'chrome-effect-spray', name: 'Mirror' },
      { id: 't4', extends: 'graphite-powder', name: 'Pencil dust' },
      { id: 't5', extends: 'hot-glue', name: 'Sticks' },
      { id: 't6', extends: 'pva-thinned', name: 'School glue' },
      {
        id: 't7',
        name: 'Car clear',
        role: 'topcoat',
        binder: 'Polyurethane',
        carrier: 'solvent',
        potLife: 240,
      },
      {
        id: 't8',
        name: 'Tractor paint',
        role: 'paint',
        binder: 'Enamel',
        carrier: 'solvent',
        solvent: 2,
        recoat: '60-',
      },
    ];
    const own = { materials: tins };
    expect(severities([lay('l', 'seal', 't2'), lay('c', 'base', 't1')], 'R13', own)).toEqual(['stop']);
    expect(severities([lay('c', 'base', 't1'), lay('l', 'seal', 't2')], 'R13', own)).toEqual(['stop']);
    expect(severities([pva, lay('c', 'base', 't3'), varnish], 'R19', own)).toEqual(['risk']);
    expect(severities([pva, lay('g', 'weather', 't4'), varnish], 'R09', own)).toEqual(['risk']);
    expect(severities([pva, lay('g', 'attach', 't5')], 'R27', own)).toEqual(['risk']);
    expect(severities([lay('s', 'seal', 't6'), lay('w', 'weather', 'acrylic-wash')], 'R12', own)).toEqual([
      'risk',
    ]);
    expect(severities([pva, lay('c', 'topcoat', 't7', { method: 'brush' })], 'R40', own)).toEqual(['stop']);
    expect(severities([dip, lay('e', 'base', 't8', { method: 'brush' })], 'R04', own)).toEqual(['stop']);
    // A one-part water-borne urethane holds none.
    expect(severities([pva, lay('c', 'topcoat', 'urethane-1k-clear')], 'R40')).toEqual([]);
  });

  it('names step, zone and face', () => {
    const [finding] = sayings(
      plate(
        [
          pva,
          { ...dip, zones: ['rim'], faces: ['inner', 'outer'] },
          { ...enamel, zones: ['rim'], faces: ['inner'] },
        ],
        {
          ...both,
          ...zones,
        },
      ),
      'R04',
    );
    expect(finding).toMatchObject({
      where: 'step 3, Hobby enamel · Rim, inner face',
      zone: 'rim',
      face: 'inner',
    });
  });
});

describe('mended rules', () => {
  const found = (steps: Step[], rule: string, piece: Partial<Piece> = {}, build: Partial<Build> = {}) =>
    sayings(plate(steps, piece, build), rule).map(({ severity, step }) => `${severity} ${step}`);
  const styrene = of('expanded-polystyrene');
  const enamel = lay('enamel', 'base', 'hobby-enamel');
  const fabric: Step = { id: 'cloth', kind: 'attach', attaches: 'fabric' };

  it('R01 speaks of dust coats and of cement too, until two full water-borne coats lie closed', () => {
    expect(found([lay('d', 'seal', 'rubber-dip-spray', { film: 'dust' })], 'R01', styrene)).toEqual([
      'stop d',
    ]);
    expect(found([lay('g', 'join', 'contact-cement')], 'R01', styrene)).toEqual(['stop g']);
    expect(found([pva, lay('g', 'join', 'contact-cement')], 'R01', styrene)).toEqual([]);
    // Two dust coats are 0.7 of a full one, of two that are needed.
    expect(found([{ ...pva, film: 'dust' }, lay('d', 'seal', 'rubber-dip-spray')], 'R01', styrene)).toEqual([
      'stop d',
    ]);
    expect(found([lay('g', 'join', 'hot-glue-low')], 'R01', styrene)).toEqual([]);
  });

  it('R07 is quiet after scuffing on a cured film', () => {
    // A resin that takes the next coat for two hours and then no more.
    const materials: OwnMaterial[] = [
      { id: 'shut', extends: 'satin-varnish', name: 'Shut', recoat: '30-120' },
    ];
    const log = [logged('pva', '08:00'), logged('pva', '09:00', { coat: 2 }), logged('shut', '10:00')];
    const shut = lay('shut', 'topcoat', 'shut');
    const next = logged('paint', '2027-02-20T10:00');
    expect(found([pva, shut, paint], 'R07', {}, { materials, log: [...log, next] })).toEqual(['stop paint']);
    expect(
      found(
        [pva, shut, scuff, paint],
        'R07',
        {},
        {
          materials,
          log: [...log, logged('scuff', '2027-02-20T09:00'), next],
        },
      ),
    ).toEqual([]);
  });

  it('R09 lets a wash of enamel cure and asks for no scuffing, but does of a whole coat', () => {
    const wash = lay('w', 'weather', 'panel-wash');
    expect(found([pva, paint, wash, { ...paint, id: 'p2' }], 'R09')).toEqual(['risk p2']);
    expect(found([pva, paint, wash, { ...paint, id: 'p2', ...cured }], 'R09')).toEqual([]);
    expect(found([pva, enamel, { ...paint, ...cured }], 'R09')).toEqual(['risk paint']);
    expect(found([pva, enamel, scuff, { ...paint, ...cured }], 'R09')).toEqual([]);
  });

  it('R11 minds heat and sanding, by the real thickness of what was filled', () => {
    const clay = lay('clay', 'fill', 'foam-clay', { pourMm: 5 });
    const caulk = lay('caulk', 'fill', 'acrylic-caulk');
    // Clay of 5 mm: 1440 label min at 21 °C and 50 %, so until 09:00 the next day.
    expect(
      found([clay, heat], 'R11', {}, { log: [logged('clay', '09:00'), logged('heat', '19:00')] }),
    ).toEqual(['stop heat']);
    expect(
      found([clay, heat], 'R11', {}, { log: [logged('clay', '09:00'), logged('heat', '2027-02-16T10:00')] }),
    ).toEqual([]);
    // 1 mm is a fifth: 1440 · max(0, 0.2^1.5 = 0.0894) = 129 min.
    expect(
      found(
        [{ ...clay, pourMm: 1 }, heat],
        'R11',
        {},
        { log: [logged('clay', '09:00'), logged('heat', '12:00')] },
      ),
    ).toEqual([]);
    // Caulk has no time for sanding on its label: dry through after 120 min.
    expect(
      found([caulk, scuff], 'R11', {}, { log: [logged('caulk', '09:00'), logged('scuff', '10:00')] }),
    ).toEqual(['stop scuff']);
    expect(
      found([caulk, scuff], 'R11', {}, { log: [logged('caulk', '09:00'), logged('scuff', '11:30')] }),
    ).toEqual([]);
  });

  it('R12 speaks inside against sweat, and not of a dry brush', () => {
    const glue = lay('s', 'seal', 'pva-thinned');
    expect(found([glue, lay('d', 'weather', 'dry-brush-acrylic', { method: 'dry-brush' })], 'R12')).toEqual(
      [],
    );
    expect(found([{ ...glue, faces: ['inner'] }], 'R12', both)).toEqual(['risk s']);
    expect(
      found(
        [
          { ...glue, faces: ['inner'] },
          { ...varnish, faces: ['inner'] },
        ],
        'R12',
        both,
      ),
    ).toEqual([]);
  });

  it('R14 is a risk at any bend, with its numbers; where it cracks for sure R15 says so', () => {
    const steps = [
      lay('n', 'seal', 'neoprene-soft'),
      lay('m', 'base', 'metallic-lacquer-spray', { film: 'dust' }),
    ];
    const bend = (bendRadiusMm: number): Partial<Piece> => ({ flex: [{ name: 'side', bendRadiusMm }] });
    expect(found(steps, 'R14', bend(200))).toEqual(['risk m']);
    expect(found(steps, 'R14', bend(100))).toEqual(['risk m']);
    expect(found(steps, 'R15', bend(100))).toEqual([]);
    // (3 + 0.08)/38 = 8.1 % of 8: a dust coat breaks too fine to see, a whole one cracks.
    const whole = [steps[0]!, { ...steps[1]!, film: 'normal' as const }];
    expect(found(steps, 'R15', bend(38))).toEqual([]);
    expect(found(whole, 'R15', bend(38))).toEqual(['stop m']);
    expect(found(whole, 'R14', bend(38))).toEqual(['risk m']);
    // (3 + 0.08)/42 = 7.3 %: told by R14.
    expect(found(whole, 'R15', bend(42))).toEqual([]);
    // Where it only opens it takes 12 %; what was formed that way never bends.
    const used = (use: 'opening' | 'formed') => ({ flex: [{ name: 'side', bendRadiusMm: 38, use }] });
    expect(found(whole, 'R15', used('opening'))).toEqual([]);
    expect(found(whole, 'R14', used('opening'))).toEqual(['risk m']);
    expect(found(whole, 'R14', used('formed'))).toEqual([]);
    expect(found(whole, 'R15', used('formed'))).toEqual([]);
    expect(sayings(plate(steps, bend(100)), 'R14')[0]!.message).toContain(
      'may crack: side stretches it by 3.1 %, and it breaks at 8 %. Test it on an offcut.',
    );
    expect(found(steps, 'R14')).toEqual([]);
  });

  it('R15 takes “cracking wanted” only for the film it was said of', () => {
    const bend = { flex: [{ name: 'side', bendRadiusMm: 6 }] };
    const wanted = { ...paint, wanted: ['cracking' as const] };
    expect(found([pva, wanted, { ...paint, id: 'p2' }], 'R15', bend)).toEqual(['stop p2', 'note paint']);
  });

  it('R27 names the film on top, and minds heat through thin foam from the other face', () => {
    const thin = { ...both, ...of('eva-foam', { thicknessMm: 2, heatSealed: true }) };
    const inside: Step = { ...heat, faces: ['inner'] };
    expect(sayings(plate([pva, paint, heat]), 'R27')[0]).toMatchObject({ below: 'craft-acrylic' });
    expect(found([pva, inside], 'R27', thin)).toEqual(['risk heat']);
    expect(found([pva, inside], 'R27', both)).toEqual([]);
    expect(found([pva, { ...heat, wanted: ['short-reheat'] }], 'R27')).toEqual([]);
  });

  it('R28 lets burned and ground lines be, and a short pass that is meant', () => {
    const texture = (more: Partial<Step>): Step => ({ id: 't', kind: 'texture', ...more });
    const thin = { ...both, ...of('eva-foam', { thicknessMm: 2 }) };
    expect(found([texture({}), heat], 'R28')).toEqual(['stop heat']);
    expect(found([texture({ texture: 'burned' }), heat], 'R28')).toEqual([]);
    expect(found([texture({ texture: 'ground' }), heat], 'R28')).toEqual([]);
    expect(found([texture({ method: 'sand' }), heat], 'R28')).toEqual([]);
    expect(found([texture({}), { ...heat, wanted: ['short-reheat'] }], 'R28')).toEqual([]);
    expect(found([texture({}), { ...heat, faces: ['inner'] }], 'R28', thin)).toEqual(['stop heat']);
    expect(found([texture({}), { ...heat, faces: ['inner'] }], 'R28', both)).toEqual([]);
  });

  it('R50 lets paint be set in cloth by a short pass of heat on purpose, and R27 leaves cloth to it', () => {
    const cloth = of('stretch-fabric', { thicknessMm: 1 });
    expect(found([paint, heat], 'R50', cloth)).toEqual(['stop heat']);
    expect(found([paint, heat], 'R27', cloth)).toEqual([]);
    expect(found([paint, { ...heat, wanted: ['short-reheat'] }], 'R50', cloth)).toEqual([]);
  });

  it('R30 goes by face and by which area was kept bare', () => {
    const cement = (more: Partial<Step> = {}) => lay('g', 'join', 'contact-cement', more);
    expect(found([pva, cement()], 'R30', { keepBare: ['zip'] })).toEqual(['risk g']);
    expect(found([pva, cement({ bondArea: 'tab' })], 'R30', { keepBare: ['zip', 'tab'] })).toEqual([]);
    expect(found([pva, cement({ bondArea: 'tab' })], 'R30', { keepBare: ['zip'] })).toEqual(['risk g']);
    expect(found([pva, cement({ faces: ['inner'] })], 'R30', both)).toEqual([]);
  });

  it('R31 knows tape, faces, and cloth that is meant to be painted', () => {
    const tape: Step = { id: 'm', kind: 'mask' };
    expect(found([pva, fabric, varnish], 'R31')).toEqual(['risk cloth']);
    expect(found([pva, fabric, tape, varnish, { id: 'u', kind: 'unmask' }], 'R31')).toEqual([]);
    expect(found([pva, { ...fabric, faces: ['inner'] }, varnish], 'R31', both)).toEqual([]);
    expect(found([pva, { ...fabric, wanted: ['painted-cloth'] }, varnish], 'R31')).toEqual([]);
  });

  it('R32 minds PVC inside a piece of something else', () => {
    expect(found([heat], 'R32', of('thermoplastic-sheet', { over: ['eva-foam', 'pvc-pipe'] }))).toEqual([
      'stop heat',
    ]);
    expect(found([heat], 'R32', of('thermoplastic-sheet', { over: ['eva-foam'] }))).toEqual([]);
  });

  it('R34 minds the dew point for epoxy, and what was laid when nobody measured', () => {
    // 21 °C and 84 % is within 3 °C of the dew point, 18.2 °C; the label of the epoxy allows 85 %.
    const damp = place({ climate: { kind: 'constant', temperatureC: 21, humidityPct: 84 } });
    expect(found([lay('e', 'topcoat', 'epoxy-clear')], 'R34', {}, damp)).toEqual(['stop e']);
    expect(found([lay('p', 'weather', 'pigment-powder')], 'R34', {}, damp)).toEqual([]);
    const log = [logged('pva', '09:00'), logged('pva', '11:00', { coat: 2 })];
    expect(found([pva], 'R34', {}, { ...damp, log })).toEqual(['risk pva']);
    expect(
      found(
        [pva],
        'R34',
        {},
        { ...damp, log: log.map((one) => ({ ...one, temperatureC: 21, humidityPct: 84 })) },
      ),
    ).toEqual(['stop pva']);
  });

  it('O08 does not ask to pull tape that was left out', () => {
    const steps: Step[] = [
      { id: 't', kind: 'mask', covers: ['zip'] },
      { ...pva, coats: 1 },
    ];
    expect(found(steps, 'O08')).toEqual(['risk t']);
    expect(found(steps, 'O08', {}, { log: [logged('pva', '09:00')] })).toEqual([]);
  });

  it('R41 speaks only of paint that is laid by then', () => {
    const packed = { packedAt: '2027-02-15T12:00' };
    expect(found([{ ...pva, coats: 1 }], 'R41', packed)).toEqual(['stop pva']);
    expect(found([{ ...pva, coats: 1 }], 'R41', packed, { start: '2027-02-16T08:00' })).toEqual([]);
  });
});
