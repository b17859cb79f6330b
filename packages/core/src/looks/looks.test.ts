import { parseBuild } from '../materials/parseBuild';
import type { Build, Piece, Zone } from '../model/schema';
import { judgeBuild } from '../advice/judgeBuild';
import { planBuild } from '../schedule/answers/planBuild';
import { compareVariants, standingSearch } from '../advice/compareVariants';
import { planView } from '../advice/planView';
import { warmFrom } from '../schedule/search/warmStart';
import { checkPlan } from '../testing/checkPlan';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { catalogueById } from '../materials/catalogue';
import { epochMinute } from '../model/wallTime';
import { finishAcrossZones, type ZoneFinish } from './finishPlan';
import { entryOf } from '../model/sure';
import { wornColour } from '../colour/worn';
import { splitByZone } from './splitByZone';
import { lookFromPiece } from './saveLook';
import { schools } from './schools';
import { lookById, shippedLooks } from './shippedLooks';
import { writeSteps } from './writeSteps';
import type { Choices } from './choices';

/** A 6 mm piece of both faces at 20 °C, 50 %, with a porch of the same air to spray in. */
const ground = (): Build => {
  const climate = { kind: 'constant' as const, temperatureC: 20, humidityPct: 50 };
  return sampleBuild({
    places: [
      { id: 'room', name: 'Room', ventilation: 'window', slots: 6, climate },
      { id: 'porch', name: 'Porch', ventilation: 'outdoor', slots: 6, climate },
    ],
  });
};
const bothFaces = (changes: Partial<Piece> = {}) =>
  samplePiece({ faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 580 } }, ...changes }, []);
const dressed = (choices: Choices, piece = bothFaces(), build = ground()): Build => ({
  ...build,
  pieces: [{ ...piece, steps: writeSteps(build, piece, choices).steps }],
});
const findings = (build: Build) =>
  judgeBuild(build).map((finding) => `${finding.severity} ${finding.rule} ${finding.step}`);

describe('the shipped looks', () => {
  it('are nineteen, and name only materials and methods that exist', () => {
    expect(shippedLooks).toHaveLength(19);
    for (const look of shippedLooks) {
      for (const option of look.steps.flatMap((step) => step.options)) {
        expect(catalogueById.get(option.material)?.methods).toContain(option.method);
      }
    }
  });

  it.each(shippedLooks.map((look) => [look.id, look] as const))(
    '%s has no stop and no risk on a 6 mm piece at 20 °C, 50 %',
    (_id, look) => {
      for (const quicker of [false, true]) {
        const build = dressed({ looks: [{ look }], quicker });
        expect(parseBuild(build)).toMatchObject({ ok: true });
        expect(findings(build).filter((line) => !line.startsWith('note'))).toEqual([]);
        const plan = planBuild(build, { latestStarts: false });
        expect(checkPlan(build, plan)).toEqual([]);
        expect(plan.pieces[0]!.readiness).not.toBe('stuck');
      }
    },
  );

  it.each(schools.map((school) => [school.id] as const))(
    'stand on the %s school without a stop',
    (sealer) => {
      const stops = findings(dressed({ looks: [{ look: lookById.get('aged-brass')! }], sealer })).filter(
        (line) => line.startsWith('stop'),
      );
      expect(stops).toEqual([]);
    },
  );

  it('are quicker in the quicker variant where they have extras', () => {
    const hands = (quicker: boolean) =>
      planBuild(dressed({ looks: [{ look: lookById.get('battle-worn-steel')! }], quicker }), {
        latestStarts: false,
      }).operations.length;
    expect(hands(true)).toBeLessThan(hands(false));
  });
});

describe('writing the steps of a piece', () => {
  const kinds = (choices: Choices, piece?: Piece) =>
    dressed(choices, piece).pieces[0]!.steps.map((step) => step.kind);

  it('goes the way a finisher goes', () => {
    const piece = bothFaces({ keepBare: ['strap tab'] });
    expect(
      kinds({ looks: [{ look: lookById.get('carved-wood')! }], straps: true, seams: 'hairline' }, piece),
    ).toEqual([
      'prep',
      'fill',
      'sand',
      'heat-seal',
      'texture',
      'inspect',
      'mask',
      'seal',
      'seal',
      'inspect',
      'prime',
      'inspect',
      'base',
      'inspect',
      'weather',
      'weather',
      'topcoat',
      'unmask',
      'attach',
      'inspect',
    ]);
  });

  it('fits prep to the substrate', () => {
    const look = lookById.get('gunmetal')!;
    expect(
      kinds(
        { looks: [{ look }] },
        bothFaces({ substrate: { kind: 'eva-foam', thicknessMm: 6, heatSealed: true } }),
      ),
    ).not.toContain('heat-seal');
    const plastic = kinds(
      { looks: [{ look }] },
      bothFaces({ substrate: { kind: 'thermoplastic-sheet', thicknessMm: 2 } }),
    );
    expect(plastic).not.toContain('heat-seal');
    expect(plastic).not.toContain('seal');
  });

  it('seals inner and outer face and paints the outer only', () => {
    const { steps } = dressed({ looks: [{ look: lookById.get('gunmetal')! }] }).pieces[0]!;
    // The back first, with a coat less.
    expect(steps.filter((step) => step.kind === 'seal').map(({ faces, coats }) => [faces, coats])).toEqual([
      [['inner'], 2],
      [['outer'], 3],
    ]);
    expect(steps.find((step) => step.kind === 'base')!.faces).toBeUndefined();
  });

  it('sprays where the air moves and brushes indoors', () => {
    const { steps } = dressed({ looks: [{ look: lookById.get('gunmetal')! }], sealer: 'rubber-dip' })
      .pieces[0]!;
    expect(steps.find((step) => step.kind === 'seal')!.place).toBe('porch');
    expect(steps.find((step) => step.kind === 'prime')!.place).toBe('room');
  });

  it('takes the tool that is there', () => {
    const method = (tools: Choices['tools']) =>
      dressed({
        looks: [{ look: lookById.get('gunmetal')! }],
        ...(tools ? { tools } : {}),
      }).pieces[0]!.steps.find((step) => step.kind === 'base')!.method;
    expect(method(['airbrush', 'brush'])).toBe('airbrush');
    expect(method(['brush'])).toBe('brush');
    expect(method(undefined)).toBe('sponge');
  });

  it('puts cloth on last', () => {
    expect(kinds({ looks: [{ look: lookById.get('cloth-covered')! }], clear: 'matte' }).slice(-2)).toEqual([
      'attach',
      'inspect',
    ]);
  });

  it('keeps coats thin over fine detail, and colours the base as asked', () => {
    const piece = dressed(
      { looks: [{ look: lookById.get('bone-and-horn')!, colour: '#112233' }] },
      bothFaces({ finestDetailMm: 0.5 }),
    ).pieces[0]!;
    const base = piece.steps.find((step) => step.kind === 'base')!;
    expect([base.film, base.colour]).toEqual(['light', '#112233']);
  });
});

describe('three colours on one piece', () => {
  const zones: Zone[] = [
    { id: 'rim', name: 'Rim', share: 0.3, edgeMm: 900 },
    { id: 'panel', name: 'Panel', share: 0.6, edgeMm: 700 },
    { id: 'rune', name: 'Rune', share: 0.1, edgeMm: 300 },
  ];
  const looks = [
    { zone: 'rim', look: lookById.get('aged-brass')! },
    { zone: 'panel', look: lookById.get('clean-toy-plastic')! },
    { zone: 'rune', look: lookById.get('worn-brown-leather')! },
  ];

  it('are masked in order, without a stop, and every mask comes off again', () => {
    // A rim of 480 cm² is too large to be brushed for the sake of the tape.
    const faces = { outer: { areaCm2: 1600 }, inner: { areaCm2: 1580 } };
    // Sponges are cut in by hand, unless an edge has to be sharp.
    const sharp = zones.map((zone) => ({ ...zone, edge: 'tape' as const }));
    const byHand = dressed({ looks }, bothFaces({ zones, faces })).pieces[0]!;
    expect(byHand.steps.filter(({ kind }) => kind === 'mask')).toEqual([]);
    const build = dressed({ looks }, bothFaces({ zones: sharp, faces }));
    expect(findings(build)).toEqual([]);
    const { steps } = build.pieces[0]!;
    expect(steps.filter((step) => step.kind === 'mask').map((step) => step.zones)).toEqual(
      steps.filter((step) => step.kind === 'unmask').map((step) => step.zones),
    );
    expect(steps.some((step) => step.kind === 'mask')).toBe(true);
    expect(checkPlan(build, planBuild(build, { latestStarts: false }))).toEqual([]);
  });

  it('follow an order of one’s own', () => {
    const piece = bothFaces({ zones });
    const written = writeSteps(ground(), piece, { looks, order: ['rune', 'rim', 'panel'] });
    expect(written.zones!.order).toEqual(['rune', 'rim', 'panel']);
    const colours = written.steps.filter((step) => step.kind === 'base').map((step) => step.zones![0]);
    expect(colours).toEqual(['rune', 'rim', 'panel']);
  });
});

describe('finishAcrossZones', () => {
  const zone = (id: string, share: number, edgeMm: number): Zone => ({ id, name: id, share, edgeMm });
  const finish = (one: Zone, method: 'foam-brush' | 'brush', colour: string): ZoneFinish => ({
    zones: [one],
    steps: [
      { id: `base-${one.id}`, kind: 'base', material: 'flex-acrylic', method, colour, zones: [one.id] },
    ],
  });
  const ids = () => {
    let n = 0;
    return (stem: string) => `${stem}-${(n += 1)}`;
  };

  const across = (finishes: ZoneFinish[]) =>
    finishAcrossZones(bothFaces({ zones: finishes.flatMap(({ zones }) => zones) }), finishes, {
      freshId: ids(),
      materials: catalogueById,
    });

  it('paints by foam brush first and brushes the rest up to it, with no tape at all', () => {
    const plan = across([
      finish(zone('fine', 0.2, 500), 'brush', '#eeeeee'),
      finish(zone('field', 0.8, 900), 'foam-brush', '#222222'),
    ]);
    // Brush first needs 500 mm of tape: 2 + 8 min at 4 m an hour, 1 + 2 min to pull it. The dark foam brush first stains the light zone, by
    // 0.2 min a step of lightness, and L* 94 − 13 makes 16 min. So the light one still goes first here.
    expect(plan.order).toEqual(['fine', 'field']);
    expect(plan.tapeMm).toBe(500);
    const grey = across([
      finish(zone('fine', 0.2, 500), 'brush', '#333333'),
      finish(zone('field', 0.8, 900), 'foam-brush', '#222222'),
    ]);
    expect(grey.order).toEqual(['field', 'fine']);
    expect(grey.tapeMm).toBe(0);
    expect(grey.steps.map((step) => step.kind)).toEqual(['base', 'base']);
  });

  it('never needs more tape and stain than light to dark does', () => {
    const finishes = [
      finish(zone('a', 0.5, 800), 'foam-brush', '#dddddd'),
      finish(zone('b', 0.3, 600), 'foam-brush', '#888888'),
      finish(zone('c', 0.2, 300), 'brush', '#111111'),
    ];
    const best = across(finishes);
    // a then b takes 600 mm of tape; c is brushed last.
    expect([best.order, best.tapeMm]).toEqual([['a', 'b', 'c'], 600]);
    expect(best.why).toHaveLength(3);
    expect(best.why[1]).toBe('b: after a, which is taped first.');
  });

  it('takes a list apart again and comes to the same order', () => {
    const zones = [zone('rim', 0.4, 900), zone('field', 0.6, 700)];
    const piece = bothFaces({ zones });
    const looks = [
      { zone: 'rim', look: lookById.get('aged-brass')! },
      { zone: 'field', look: lookById.get('sun-faded-paint')! },
    ];
    const written = writeSteps(ground(), piece, { looks });
    const split = splitByZone(written.steps, zones, catalogueById)!;
    const again = finishAcrossZones(piece, split.finishes, { freshId: ids(), materials: catalogueById });
    expect(again.order).toEqual(written.zones!.order);
    expect([...split.before, ...again.steps, ...split.after].map((step) => step.kind)).toEqual(
      written.steps.map((step) => step.kind),
    );
  });
});

describe('a look of one’s own', () => {
  it('keeps where coats go and what is stirred in', () => {
    const build = dressed({ looks: [{ look: lookById.get('rough-stone')! }] });
    const steps = build.pieces[0]!.steps.map((step) =>
      step.kind === 'weather' ? { ...step, coversPct: 25, thinWith: 'medium' as const, thinPct: 40 } : step,
    );
    const own = lookFromPiece({ ...build.pieces[0]!, steps }, 'My stone', 'my-stone');
    const where = (list: Piece['steps']) =>
      list
        .filter(({ kind }) => kind === 'base' || kind === 'weather')
        .map(({ placement, coversPct, thinWith, thinPct }) => [placement, coversPct, thinWith, thinPct]);
    const again = dressed({ looks: [{ look: own }] }).pieces[0]!.steps;
    expect(where(again)).toEqual(where(steps));
    expect(where(again)).toContainEqual(['patches', undefined, undefined, undefined]);
    expect(where(again)).toContainEqual([undefined, 25, 'medium', 40]);
  });

  it('made from a piece writes the same coats again', () => {
    const build = dressed({ looks: [{ look: lookById.get('aged-brass')! }], sealer: 'rubber-dip' });
    const own = lookFromPiece(build.pieces[0]!, 'My brass', 'my-brass');
    expect([own.school, own.undercoat, own.clear]).toEqual(['rubber-dip', 'oxide', 'satin']);
    const coats = (made: Build) =>
      made.pieces[0]!.steps.filter((step) => step.material).map((step) => [
        step.kind,
        step.material,
        step.coats,
        step.colour,
      ]);
    expect(coats(dressed({ looks: [{ look: own }] }))).toEqual(coats(build));
  });
});

describe('comparing two schools', () => {
  it('tells their days, coats and places apart', () => {
    const build = ground();
    const piece = bothFaces();
    const look = lookById.get('aged-brass')!;
    const variant = (sealer: 'pva' | 'rubber-dip' | 'neoprene') => ({
      ...piece,
      steps: writeSteps(build, piece, { looks: [{ look }], sealer }).steps,
    });
    const [pva, dip, neoprene] = compareVariants({ ...build, pieces: [] }, epochMinute(build.start, 'UTC'), [
      variant('pva'),
      variant('rubber-dip'),
      variant('neoprene'),
    ]);
    expect(pva!.places).toEqual(['Room']);
    expect(dip!.places).toEqual(['Room', 'Porch']);
    // Two coats of sealer inside and three outside, primer, two of brass, wash, dry-brush, clear.
    expect(pva!.coats).toBe(11);
    expect(pva!.stops + dip!.stops).toBe(0);
    // Neoprene wants its nights.
    expect(pva!.packableAt).toBeLessThan(neoprene!.packableAt!);
    expect(dip!.packableAt).toBeLessThan(neoprene!.packableAt!);
    expect(pva!.makesLate).toEqual([]);
  });

  it('says what the plan then comes to, where there is one to go on from', () => {
    const other = {
      ...dressed({ looks: [{ look: lookById.get('gunmetal')! }] }).pieces[0]!,
      id: 'other',
      name: 'Other',
    };
    const bare = { ...ground(), pieces: [other, bothFaces()] };
    const now = epochMinute(bare.start, 'UTC');
    const warm = warmFrom(planView(bare, { now }));
    const look = lookById.get('battle-worn-steel')!;
    for (const sealer of ['pva', 'neoprene'] as const) {
      const piece = {
        ...bothFaces(),
        steps: writeSteps(bare, bothFaces(), { looks: [{ look }], sealer }).steps,
      };
      const [said] = compareVariants(bare, now, [piece], { warm });
      const stands = planView(
        { ...bare, pieces: [other, piece] },
        { now, search: standingSearch(bare, warm) },
      );
      const state = stands.pieces.find(({ pieceId }) => pieceId === piece.id)!;
      expect([said!.packableAt, said!.wearableAt]).toEqual([state.packableAt, state.wearableAt]);
      expect(said!.packableAt).toBeGreaterThan(now);
    }
  });
});

describe('order rules', () => {
  const make = (steps: Piece['steps'], changes: Partial<Piece> = {}, log: Build['log'] = []): Build => ({
    ...ground(),
    pieces: [{ ...bothFaces(changes), steps }],
    log,
  });
  const seal = {
    id: 'seal',
    kind: 'seal' as const,
    material: 'rubber-dip-spray',
    method: 'aerosol' as const,
    place: 'porch',
  };
  const pva = { id: 'seal', kind: 'seal' as const, material: 'pva-flex-primer', method: 'brush' as const };
  const clear = {
    id: 'clear',
    kind: 'topcoat' as const,
    material: 'matte-varnish',
    method: 'brush' as const,
  };
  const paint = { id: 'paint', kind: 'base' as const, material: 'craft-acrylic', method: 'brush' as const };
  const attach = (attaches: 'fabric' | 'decal' | 'strap') => ({
    id: 'on',
    kind: 'attach' as const,
    attaches,
  });
  const entry = (step: string, doneAt: string, face?: 'outer' | 'inner') => ({
    id: `${step}${doneAt}`,
    piece: 'plate',
    unit: 1,
    step,
    coat: 1,
    doneAt,
    ...(face ? { face } : {}),
  });

  const cases: [string, Build, string[]][] = [
    // Filler paste is dry through after 180 label min; the deficit at 20 °C is 0.942 of that at 21 °C, so 191 min.
    [
      'R11: sealed over filler after two hours',
      make([{ id: 'fill', kind: 'fill', material: 'foam-filler-paste' }, pva], {}, [
        entry('fill', '2027-02-15T09:00', 'outer'),
        entry('seal', '2027-02-15T11:00', 'outer'),
      ]),
      ['stop R11 seal'],
    ],
    [
      'R11 near: after three hours and twenty minutes',
      make([{ id: 'fill', kind: 'fill', material: 'foam-filler-paste' }, pva], {}, [
        entry('fill', '2027-02-15T09:00', 'outer'),
        entry('seal', '2027-02-15T12:20', 'outer'),
      ]),
      [],
    ],
    // Craft acrylic is tape-safe after 720 label min; 20 °C runs at 2^-0.1 = 0.933, so 772 min. The mask takes its minutes first.
    [
      'R16: taped after six hours',
      make([pva, paint, { id: 'tape', kind: 'mask', minutes: 5 }, { id: 'pull', kind: 'unmask' }], {}, [
        entry('seal', '2027-02-15T09:00', 'outer'),
        entry('paint', '2027-02-16T09:00', 'outer'),
        entry('tape', '2027-02-16T15:00'),
      ]),
      ['stop R16 tape'],
    ],
    [
      'R16 near: taped after thirteen hours',
      make([pva, paint, { id: 'tape', kind: 'mask', minutes: 5 }, { id: 'pull', kind: 'unmask' }], {}, [
        entry('seal', '2027-02-15T09:00', 'outer'),
        entry('paint', '2027-02-16T09:00', 'outer'),
        entry('tape', '2027-02-16T22:00'),
      ]),
      [],
    ],
    [
      'R27: heat after the seal',
      make([pva, { id: 'heat', kind: 'heat-seal', method: 'hot-air' }]),
      ['risk R27 heat'],
    ],
    [
      'R27 near: heat on the other face',
      make([pva, { id: 'heat', kind: 'heat-seal', method: 'hot-air', faces: ['inner'] }]),
      [],
    ],
    [
      'R27: hot glue on paint',
      make([pva, { id: 'glue', kind: 'attach', material: 'hot-glue' }]),
      ['risk R27 glue'],
    ],
    [
      'R27 near: hot glue on bare tabs',
      make(
        [
          { id: 'm', kind: 'mask', covers: ['tab'] },
          pva,
          { id: 'pull', kind: 'unmask' },
          { id: 'glue', kind: 'attach', material: 'hot-glue', bondArea: 'tab' },
        ],
        { keepBare: ['tab'] },
      ),
      [],
    ],
    [
      'R29: sanding rubber dip',
      make([seal, { id: 'sand', kind: 'sand' }], {
        substrate: { kind: 'eva-foam', thicknessMm: 6, heatSealed: true },
      }),
      ['stop R29 sand'],
    ],
    ['R29 near: sanding PVA primer', make([pva, { id: 'sand', kind: 'sand' }]), []],
    ['R31: cloth before the clear', make([pva, attach('fabric'), clear]), ['risk R31 on']],
    ['R31 near: cloth after it', make([pva, clear, attach('fabric')]), []],
    [
      'R42: trimmed after paint',
      make([pva, paint, { id: 'trim', kind: 'prep', trims: true }]),
      ['note R42 trim'],
    ],
    ['R42 near: trimmed before', make([{ id: 'trim', kind: 'prep', trims: true }, pva, paint]), []],
    ['O01: decal after the clear', make([pva, clear, attach('decal')]), ['risk O01 on']],
    ['O01 near: decal before it', make([pva, attach('decal'), clear]), []],
    ['O02: a closure nobody covers', make([pva], { keepBare: ['zip'] }), ['risk O02 seal']],
    [
      'O02 near: covered first',
      make([{ id: 'm', kind: 'mask', covers: ['zip'] }, pva, { id: 'pull', kind: 'unmask' }], {
        keepBare: ['zip'],
      }),
      [],
    ],
    // PVA primer is handleable after 60 label min, 64 at 20 °C.
    [
      'O03: straps on after half an hour',
      make([pva, attach('strap')], {}, [
        entry('seal', '2027-02-15T09:00', 'outer'),
        entry('on', '2027-02-15T09:40'),
      ]),
      ['risk O03 on'],
    ],
    [
      'O03 near: after two hours',
      make([pva, attach('strap')], {}, [
        entry('seal', '2027-02-15T09:00', 'outer'),
        entry('on', '2027-02-15T11:15'),
      ]),
      [],
    ],
    [
      'O04: turned over after half an hour',
      make([{ ...pva, faces: ['inner', 'outer'] }], {}, [
        entry('seal', '2027-02-15T09:00', 'inner'),
        entry('seal', '2027-02-15T09:30', 'outer'),
      ]),
      ['stop O04 seal'],
    ],
    [
      'O04 near: after an hour and a quarter',
      make([{ ...pva, faces: ['inner', 'outer'] }], {}, [
        entry('seal', '2027-02-15T09:00', 'inner'),
        entry('seal', '2027-02-15T10:15', 'outer'),
      ]),
      [],
    ],
  ];

  // Bare paint without a colour or a clear, and a single coat of sealer, is noted by rules of its own.
  const aside = ['note R72 paint', 'note O10 paint', 'note O12 seal'];
  it.each(cases)('%s', (_what, build, expected) => {
    expect(findings(build).filter((line) => !aside.includes(line))).toEqual(expected);
  });
});

it('what the sun fades and what dirties it follows the colour that is chosen', () => {
  const look = entryOf(lookById, 'sun-faded-paint');
  const coloursIn = (colour?: string) =>
    writeSteps(ground(), bothFaces(), { looks: [{ look, ...(colour ? { colour } : {}) }] }).steps.flatMap(
      (step) => (step.kind === 'weather' && step.colour ? [step.colour] : []),
    );
  expect(coloursIn()).toEqual(['#c9d2c2', '#3a3f38']);
  expect(coloursIn('#b2202c')).toEqual([wornColour('#b2202c', 'faded'), wornColour('#b2202c', 'dirty')]);
});
