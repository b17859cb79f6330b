import { judgeBuild } from '../advice/judgeBuild';
import { tapeMmOf } from '../facts/tape';
import { workloadOf } from '../schedule/plan/workload';
import type { SubstrateKind } from '../model/substrates';
import type { Build, Piece, Step, Zone } from '../model/schema';
import { entryOf } from '../model/sure';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import type { Choices } from './choices';
import { lookById } from './shippedLooks';
import { writeSteps } from './writeSteps';

const climate = { kind: 'constant' as const, temperatureC: 20, humidityPct: 50 };
const room = { id: 'room', name: 'Room', ventilation: 'window' as const, slots: 6, climate };
const porch = { id: 'porch', name: 'Porch', ventilation: 'outdoor' as const, slots: 6, climate };
const ground = (places = [room, porch]): Build => sampleBuild({ places });
const zones: Zone[] = [
  { id: 'field', name: 'Field', share: 0.6, edgeMm: 1200 },
  { id: 'rim', name: 'Rim', share: 0.3, edgeMm: 900 },
  { id: 'gem', name: 'Gem', share: 0.1, edgeMm: 300 },
];
const plate = (changes: Partial<Piece> = {}): Piece =>
  samplePiece({ faces: { outer: { areaCm2: 1600 } }, zones, ...changes }, []);
const look = (id: string) => entryOf(lookById, id);
const picks = (...ids: string[]): Choices['looks'] =>
  ids.map((id, n) => ({ zone: zones[n]!.id, look: look(id) }));
const write = (choices: Partial<Choices>, piece = plate(), build = ground()) =>
  writeSteps(build, piece, { looks: [], ...choices });
const told = (steps: readonly Step[], kind: Step['kind']) =>
  steps
    .filter((step) => step.kind === kind)
    .map(({ material, method, zones: own }) => [material, method, own?.join('+')]);

describe('undercoats', () => {
  it('lie under the zone that needs them, brushed up to the edge, and joined where zones agree', () => {
    // Gold and brass want red-brown, bone wants white.
    const { steps } = write({ looks: picks('bone-and-horn', 'polished-gold', 'aged-brass') });
    expect(told(steps, 'prime')).toEqual([
      ['acrylic-pu-primer-white', 'brush', 'field'],
      ['acrylic-pu-primer-oxide', 'brush', 'rim+gem'],
    ]);
  });

  it('are one coat on all of it where all agree', () => {
    const { steps } = write({ looks: picks('gunmetal', 'bright-steel', 'worn-brown-leather') });
    expect(told(steps, 'prime')).toEqual([['acrylic-pu-primer-black', 'foam-brush', undefined]]);
  });

  it('go with a zone’s own colours under its tape where only spray is at hand', () => {
    const { steps } = write(
      { looks: picks('bone-and-horn', 'polished-gold'), tools: ['aerosol'] },
      plate({ zones: zones.slice(0, 2).map((zone, n) => ({ ...zone, share: n === 0 ? 0.7 : 0.3 })) }),
    );
    const kinds = steps.filter(({ kind }) => ['prime', 'base', 'mask', 'unmask'].includes(kind));
    expect(kinds.map(({ kind, zones: own }) => [kind, own])).toEqual([
      ['prime', ['field']],
      ['base', ['field']],
      ['mask', ['field']],
      ['prime', ['rim']],
      ['base', ['rim']],
      ['unmask', ['field']],
    ]);
  });
});

describe('zones of the same look', () => {
  it('are painted and taped as one; another colour makes them two', () => {
    const same = write({ looks: picks('polished-gold', 'clean-toy-plastic', 'polished-gold') }).steps;
    expect(told(same, 'base').map(([, , own]) => own)).toContain('field+gem');
    const other = picks('polished-gold', 'clean-toy-plastic', 'polished-gold');
    other[2]!.colour = '#aa2222';
    const apart = write({ looks: other }).steps;
    expect(
      told(apart, 'base')
        .map(([, , own]) => own)
        .sort(),
    ).toEqual(['field', 'gem', 'rim']);
  });

  it('with all alike the piece is one', () => {
    const { steps, zones: order } = write({ looks: picks('gunmetal', 'gunmetal', 'gunmetal') });
    expect(order).toBeUndefined();
    expect(steps.filter((step) => step.zones)).toEqual([]);
  });

  it('take the colour the zone was given where the piece was made', () => {
    const piece = plate({
      zones: zones.map((zone) => (zone.id === 'gem' ? { ...zone, colour: '#2244cc' } : zone)),
    });
    const { steps } = write({ looks: picks('gunmetal', 'gunmetal', 'clean-toy-plastic') }, piece);
    expect(steps.find(({ kind, zones: own }) => kind === 'base' && own?.includes('gem'))?.colour).toBe(
      '#2244cc',
    );
  });
});

describe('weathering and clears', () => {
  it('come after all colours, together where zones want the same, and no tape after them', () => {
    // Battle-worn steel and chipped enamel both take the same dark wash.
    const { steps } = write({ looks: picks('battle-worn-steel', 'clean-toy-plastic', 'chipped-enamel') });
    const washes = steps.filter(({ material }) => material === 'acrylic-wash');
    const lastTape = steps.findLastIndex(({ kind }) => kind === 'mask' || kind === 'unmask');
    expect(Math.min(...washes.map((wash) => steps.indexOf(wash)))).toBeGreaterThan(lastTape);
    expect(steps.findLastIndex(({ kind }) => kind === 'base')).toBeLessThan(steps.indexOf(washes[0]!));
  });

  it('are one step on all zones that want the very same, each zone in its own order', () => {
    const looks = picks('aged-brass', 'aged-brass', 'gunmetal');
    looks[1]!.colour = '#7a4a20';
    const worn = write({ looks })
      .steps.filter(({ kind }) => kind === 'weather')
      .map(({ material, colour, zones: own }) => [material, colour, own?.join('+')]);
    // Brass twice takes one wash and one pass of edges; gunmetal has edges of its own.
    expect(worn.filter(([, , own]) => own === 'field+rim' || own === 'rim+field')).toHaveLength(2);
    expect(worn).toContainEqual(['dry-brush-acrylic', '#8d9296', 'gem']);
    expect(worn).toHaveLength(3);
    const alike = write({
      looks: picks('aged-brass', 'aged-brass', 'aged-brass').map((pick, n) => ({
        ...pick,
        colour: ['#a8803a', '#7a4a20', '#905020'][n]!,
      })),
    }).steps;
    expect(alike.filter(({ kind }) => kind === 'weather').map(({ zones: own }) => own)).toEqual([
      undefined,
      undefined,
    ]);
  });

  it('keep each zone’s own clear: what is misted first, then what is brushed', () => {
    const { steps } = write({ looks: picks('bone-and-horn', 'polished-gold', 'battle-worn-steel') });
    expect(told(steps, 'topcoat')).toEqual([
      ['matte-clear-spray', 'aerosol', 'gem'],
      ['satin-varnish', 'brush', 'field'],
      ['gloss-varnish', 'brush', 'rim'],
    ]);
  });

  it('are one clear for all with spray alone, and that is said', () => {
    const { steps, notes } = write({
      looks: picks('bone-and-horn', 'polished-gold', 'gunmetal'),
      tools: ['aerosol'],
    });
    expect(told(steps, 'topcoat')).toHaveLength(1);
    expect(notes).toContain('With spray alone there is one clear for all that takes one: satin.');
    expect(notes).toContain('There is no satin clear in a can: matte is written in its place.');
  });
});

describe('tape and brush', () => {
  it('a small zone is brushed up to the edge where that is quicker, and both are told', () => {
    const { zones: order } = write({
      looks: picks('bone-and-horn', 'worn-brown-leather', 'clean-toy-plastic'),
    });
    // 160 cm² by brush, three coats cut in along 300 mm: 3 × (3 + 2 + 5) = 30 min; by foam brush 3 × (3 + 1 + 5), 300 mm of tape, 2 + 5 to lay
    // it, 1 + 2 to pull it, and 2 + 2 to look over the edges of a piece of 1600 cm².
    expect(order!.why).toContain('Gem: brushed up to the edge, 30 min; with 0.3 m of tape, 41 min.');
  });

  it('a zone of up to 600 cm² may be brushed for the sake of the tape, and no larger one', () => {
    const told = (areaCm2: number) =>
      write(
        { looks: picks('bone-and-horn', 'worn-brown-leather', 'clean-toy-plastic') },
        plate({ faces: { outer: { areaCm2 } } }),
      ).zones!.why.find((line) => line.startsWith('Gem'));
    // The gem is a tenth of it.
    expect(told(6000)).toMatch(/^Gem: brushed up to the edge, \d+ min; with/);
    expect(told(6001)).not.toContain('brushed up to the edge');
  });

  it('the metres shown are the metres counted in the minutes', () => {
    const piece = plate({ zones: zones.map((zone) => ({ ...zone, edge: 'tape' as const })) });
    const written = write({ looks: picks('clean-toy-plastic', 'polished-gold', 'gunmetal') }, piece);
    const dressed = { ...piece, steps: written.steps };
    const masks = written.steps.filter(({ kind }) => kind === 'mask');
    expect(masks.length).toBeGreaterThan(0);
    expect(masks.reduce((sum, mask) => sum + tapeMmOf(dressed, mask), 0)).toBe(written.zones!.tapeMm);
    const passes = workloadOf({ ...ground(), pieces: [dressed] }).operations.filter(({ stepId }) =>
      masks.some(({ id }) => id === stepId),
    );
    // Four metres an hour, and 0.3 min to take it up.
    expect(passes.map(({ workMinutes }) => workMinutes)).toEqual(
      masks.map((mask) => Math.ceil(0.3 + (tapeMmOf(dressed, mask) / 4000) * 60)),
    );
  });

  it('tape is as long as the shorter outline of what is covered and what is painted', () => {
    const step = (more: Partial<Step> & Pick<Step, 'id' | 'kind'>): Step => more;
    const mask = step({ id: 'mask', kind: 'mask', zones: ['field', 'rim'] });
    const paint = step({ id: 'paint', kind: 'base', material: 'flex-acrylic', zones: ['gem'] });
    const pull = step({ id: 'pull', kind: 'unmask', zones: ['field', 'rim'] });
    // 1200 + 900 round what is covered, 300 round the gem.
    expect(tapeMmOf(plate({ steps: [mask, paint, pull] }), mask)).toBe(300);
    expect(tapeMmOf(plate({ steps: [mask, pull, paint] }), mask)).toBe(2100);
    expect(tapeMmOf(plate({ steps: [mask] }), mask)).toBe(2100);
  });
});

describe('the coats of a colour', () => {
  it('are up to two more where that covers, and the usual where even that does not', () => {
    const coats = (colour: string) =>
      write(
        { looks: [{ look: look('clean-toy-plastic'), colour }], undercoat: 'black' },
        plate({ zones: [] }),
      ).steps.find(({ kind }) => kind === 'base')!.coats!;
    // Reds, yellows and greys from dark to light over black: three are usual, five the most.
    const steps = Array.from({ length: 59 }, (_, n) => 20 + 4 * n);
    const all = steps.flatMap((n) => {
      const part = n.toString(16).padStart(2, '0');
      return ['2020', `${part}20`, `${part}${part}`, 'c418'].map((rest) => coats(`#${part}${rest}`));
    });
    expect(all[0]).toBe(3);
    expect([Math.min(...all), Math.max(...all)]).toEqual([3, 5]);
  });
});

describe('what is owned', () => {
  const methods = (tools: Choices['tools'], changes: Partial<Piece> = {}, build = ground()) =>
    write(
      { looks: [{ look: look('bright-steel') }], ...(tools ? { tools } : {}) },
      plate({ zones: [], ...changes }),
      build,
    )
      .steps.filter(({ material }) => material !== undefined)
      .map(({ kind, method }) => `${kind} ${method}`);

  it('with cans alone all is sprayed, with brushes alone all is brushed', () => {
    expect(methods(['aerosol']).filter((one) => !/aerosol|wipe/.test(one))).toEqual([]);
    expect(methods(['brush']).filter((one) => !/brush|dry-brush/.test(one))).toEqual([]);
  });

  it('no can is used where there is no place for its mist', () => {
    expect(methods(['aerosol', 'brush'], {}, ground([room])).filter((one) => /aerosol/.test(one))).toEqual(
      [],
    );
  });

  it('a small piece is sponged, a large one sprayed', () => {
    const base = (areaCm2: number) =>
      methods(undefined, { faces: { outer: { areaCm2 } } }).find((one) => one.startsWith('base'));
    // 0.3 m²: 2 × (8 + 12) = 40 min by sponge, 2 × (10 + 3) = 26 by can, which is 0.65 of it; 0.4 m²: 48 and 28, 0.58.
    expect([base(3000), base(4000)]).toEqual(['base sponge', 'base aerosol']);
  });

  it('what cracks where the piece bends is not taken', () => {
    const flex = [{ name: 'waist', bendRadiusMm: 40 }];
    expect(methods(['aerosol', 'sponge', 'brush'], { faces: { outer: { areaCm2: 9000 } }, flex })).toContain(
      'base sponge',
    );
  });

  it('without a brush washes are wiped on, and highlights that need one are left out and told', () => {
    const { steps, notes } = write(
      { looks: [{ look: look('bright-steel') }], tools: ['aerosol'] },
      plate({ zones: [] }),
    );
    expect(told(steps, 'weather')).toEqual([['acrylic-wash', 'wipe', undefined]]);
    expect(notes).toContain('Washes and highlights want a brush or a sponge, so they are left out.');
  });

  it('a powder is paint where no mist of clear can hold it', () => {
    const { steps } = write(
      { looks: [{ look: look('battle-worn-steel') }], tools: ['brush'] },
      plate({ zones: [] }),
    );
    expect(steps.map(({ material }) => material)).not.toContain('graphite-powder');
    expect(judgeBuild({ ...ground(), pieces: [{ ...plate({ zones: [] }), steps }] })).toEqual([]);
  });
});

describe('the ground', () => {
  const on = (kind: SubstrateKind) => {
    const piece = plate({ zones: [], substrate: { kind, thicknessMm: 3 } });
    const { steps, notes } = write({ looks: [{ look: look('gunmetal') }], lookOvers: false }, piece);
    const until = steps.findIndex(({ kind: step }) => step === 'base');
    return {
      before: steps
        .slice(0, until)
        .map(({ kind: step, material, coats, cleans, thinWith }) =>
          [step, material, coats, cleans, thinWith].filter((one) => one !== undefined).join(' '),
        ),
      notes,
    };
  };
  it.each<[SubstrateKind, string[]]>([
    ['eva-foam', ['prep', 'heat-seal', 'seal pva-flex-primer 3', 'prime acrylic-pu-primer-black 1', 'sand']],
    ['thermoplastic-sheet', ['prep', 'sand', 'prime acrylic-pu-primer-black 3', 'sand']],
    ['pla-print', ['prep', 'fill foam-filler-paste', 'sand', 'prime acrylic-pu-primer-black 2', 'sand']],
    [
      'cast-resin',
      ['prep washed', 'sand', 'prime adhesion-promoter', 'prime acrylic-pu-primer-black 1', 'sand'],
    ],
    ['pvc-pipe', ['prep wiped', 'sand water', 'prime acrylic-pu-primer-black 1', 'sand']],
    ['stretch-fabric', ['prep']],
    ['wood', ['prep', 'sand', 'seal pva-flex-primer 4', 'prime acrylic-pu-primer-black 1', 'sand']],
  ])('of %s gets what it needs', (kind, steps) => {
    expect(on(kind).before).toEqual(steps);
  });

  it('is rid of glue, filled and then lined as is asked for, all before heat', () => {
    const piece = plate({ zones: [] });
    const before = (choices: Partial<Choices>, on = piece) => {
      const { steps, notes } = write(
        { looks: [{ look: look('gunmetal') }], lookOvers: false, ...choices },
        on,
      );
      const words = steps
        .slice(
          0,
          steps.findIndex(({ kind }) => kind === 'seal'),
        )
        .map(({ kind, material, cleans, texture }) => material ?? cleans ?? texture ?? kind);
      return { words, notes };
    };
    expect(before({ wipe: true, lines: 'burned', seams: 'both' }).words).toEqual([
      'prep',
      'unglued',
      'acrylic-caulk',
      'foam-filler-paste',
      'sand',
      'burned',
      'heat-seal',
    ]);
    expect(before({ seams: 'gaps' }).words).toEqual(['prep', 'acrylic-caulk', 'heat-seal']);
    expect(before({ lines: 'ground' }).words).toEqual(['prep', 'ground', 'heat-seal']);
    const bead = plate({ zones: [], substrate: { kind: 'expanded-polystyrene', thicknessMm: 30 } });
    expect(before({ wipe: true }, bead)).toEqual({
      words: ['prep'],
      notes: ['White spirit would eat this foam: marker is sealed in instead.'],
    });
    for (const seams of ['hairline', 'gaps', 'both'] as const)
      for (const lines of ['burned', 'ground'] as const) {
        const { steps } = write({ looks: [{ look: look('gunmetal') }], wipe: true, seams, lines }, piece);
        expect(judgeBuild({ ...ground(), pieces: [{ ...piece, steps }] })).toEqual([]);
      }
  });

  it('says what is done in place of the sealer', () => {
    expect(on('pvc-pipe').notes).toEqual(['PVC takes no sealer: wiped and scuffed wet, then primer.']);
    expect(on('eva-foam').notes).toEqual([]);
  });

  it('of cloth keeps paint soft with textile medium', () => {
    const piece = plate({ zones: [], substrate: { kind: 'stretch-fabric', thicknessMm: 1 } });
    const base = write({ looks: [{ look: look('gunmetal') }] }, piece).steps.find(
      ({ kind }) => kind === 'base',
    )!;
    expect([base.thinWith, base.thinPct]).toEqual(['textile-medium', 50]);
  });
});
