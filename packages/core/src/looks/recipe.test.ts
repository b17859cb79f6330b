import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { judgeBuild } from '../advice/judgeBuild';
import { parseBuildText } from '../materials/parseBuild';
import { materialsOf } from '../materials/ownMaterials';
import { idFromName } from '../model/pieceEdits';
import type { Build, Piece, Step, Zone } from '../model/schema';
import { entryOf, nth, sure } from '../model/sure';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { lookSchema, type Look, type Recipe } from './look';
import { lookFromPiece, recipeOf } from './saveLook';
import { lookById, shippedLooks } from './shippedLooks';
import { matchZones, writeRecipe } from './writeRecipe';
import { writeSteps } from './writeSteps';

const climate = { kind: 'constant' as const, temperatureC: 20, humidityPct: 50 };
const ground: Build = sampleBuild({
  places: [
    { id: 'room', name: 'Room', ventilation: 'window', slots: 6, climate },
    { id: 'porch', name: 'Porch', ventilation: 'outdoor', slots: 6, climate },
  ],
});
const zones: Zone[] = [
  { id: 'field', name: 'Field', share: 0.6, edgeMm: 1200 },
  { id: 'rim', name: 'Rim', share: 0.3, edgeMm: 900 },
  { id: 'gem', name: 'Gem', share: 0.1, edgeMm: 300 },
];
const plate = (changes: Partial<Piece> = {}): Piece =>
  samplePiece({ faces: { outer: { areaCm2: 800 }, inner: { areaCm2: 780 } }, zones, ...changes }, []);
/** Ivory, gold and steel: white, red-brown and black below. */
const threeLooks = ['bone-and-horn', 'polished-gold', 'battle-worn-steel'];
function dressed(piece = plate()): Piece {
  const looks = threeLooks.map((id, n) => ({ zone: nth(zones, n).id, look: entryOf(lookById, id) }));
  return { ...piece, steps: writeSteps(ground, piece, { looks, straps: true }).steps };
}

type Saved = Look & { recipe: Recipe };
/** As it comes out of the server, or a file. */
function saved(piece: Piece, recipe?: Recipe): Saved {
  const look = lookFromPiece(piece, 'Mine', 'mine', undefined, recipe ?? recipeOf(piece));
  const read = lookSchema.parse(JSON.parse(JSON.stringify(look)));
  return { ...read, recipe: sure(read.recipe, 'a recipe') };
}
const again = (build: Build, piece: Piece, look: Saved, map = matchZones(look.recipe, piece)) =>
  writeRecipe(build, piece, look, map);

describe('a look that is saved and put on the same piece', () => {
  it.each(shippedLooks.map((look) => [look.id, look] as const))(
    '%s writes the very same steps',
    (_id, look) => {
      for (const own of [zones, undefined]) {
        const { zones: _zones, ...rest } = plate();
        const bare = own ? { ...rest, zones: own } : rest;
        const others = shippedLooks.slice(shippedLooks.indexOf(look)).concat(shippedLooks);
        const picks = own ? own.map(({ id }, n) => ({ zone: id, look: nth(others, n) })) : [{ look }];
        const piece = {
          ...bare,
          keepBare: ['tab'],
          steps: writeSteps(ground, { ...bare, keepBare: ['tab'] }, { looks: picks }).steps,
        };
        const written = again(ground, piece, saved(piece));
        expect(written.steps).toEqual(piece.steps);
        expect(written.notes.filter((note) => !note.includes('may crack'))).toEqual([]);
      }
    },
  );

  it('leaves out the colour of a look that was given up, and breaks nothing off', () => {
    const written = dressed();
    const first = written.steps.find(({ kind }) => kind === 'base')!;
    const seal = written.steps.find(({ kind }) => kind === 'seal')!;
    const piece: Piece = {
      ...written,
      steps: written.steps.flatMap((step) =>
        step === first
          ? [{ ...step, id: 'old', colour: '#00ff00', ended: true as const }, step]
          : step === seal
            ? [{ ...step, ended: true as const }]
            : [step],
      ),
    };
    expect(recipeOf(piece).steps).toEqual(recipeOf(written).steps);
  });

  it('every piece of the demo comes out as it was', () => {
    for (const name of ['orrery-courier', 'tidepool-lantern']) {
      const parsed = parseBuildText(readFileSync(join(__dirname, `../../../../demo/${name}.json`), 'utf8'));
      if (!parsed.ok) throw new Error(name);
      for (const piece of parsed.value.pieces)
        expect([piece.id, again(parsed.value, piece, saved(piece)).steps]).toEqual([piece.id, piece.steps]);
    }
  });

  it('keeps what no look has: tints, air, waits, lots, cleaning', () => {
    const steps: Step[] = [
      { id: 'wash', kind: 'prep', cleans: 'degreased', minutes: 7, note: 'Twice.' },
      { id: 'seal', kind: 'seal', material: 'neoprene-soft', tintPct: 8, air: 'fan', faces: ['outer'] },
      {
        id: 'pour',
        kind: 'topcoat',
        material: 'epoxy-clear',
        pourMm: 1.5,
        mixes: 2,
        waitFor: 'cured',
        after: ['seal'],
      },
    ];
    const piece = plate({ steps });
    expect(again(ground, piece, saved(piece)).steps).toEqual(steps);
  });
});

describe('on another piece', () => {
  const plain = dressed();
  // Somebody knows that prep takes ten minutes here.
  const first = {
    ...plain,
    steps: plain.steps.map((step, n) => (n === 0 ? { ...step, minutes: 10 } : step)),
  };
  const look = saved(first);
  const other = (changes: Partial<Piece> = {}): Piece =>
    plate({
      id: 'greave',
      name: 'Greave',
      zones: [
        { id: 'shin', name: 'Shin', share: 0.7 },
        { id: 'knee', name: 'Knee band', share: 0.25 },
        { id: 'stud', name: 'Studs', share: 0.05 },
      ],
      ...changes,
    });
  const coats = (steps: readonly Step[]) =>
    steps.map(({ kind, material, colour, coats: count, zones: on }) => ({
      kind,
      material,
      colour,
      count,
      on,
    }));

  it('zones are known again by what they are, and the steps are the same on them', () => {
    const piece = other();
    expect(matchZones(look.recipe, piece)).toEqual({ shin: 'field', knee: 'rim', stud: 'gem' });
    const { steps, notes } = again(ground, piece, look);
    const named = new Map([
      ['field', 'shin'],
      ['rim', 'knee'],
      ['gem', 'stud'],
    ]);
    const wanted = first.steps.map(({ zones: on, ...step }) => ({
      ...step,
      ...(on ? { zones: on.map((id) => sure(named.get(id), id)) } : {}),
    }));
    expect(coats(steps)).toEqual(coats(wanted));
    expect(notes).toEqual([]);
    expect(
      judgeBuild({ ...ground, pieces: [{ ...piece, steps }] }).filter(({ severity }) => severity === 'stop'),
    ).toEqual([]);
  });

  it('knows a zone by what it is said to be, where its size tells otherwise', () => {
    const small = (role?: Zone['role']): Zone => ({
      id: 'x',
      name: 'X',
      share: 0.1,
      ...(role ? { role } : {}),
    });
    const others: Zone[] = [
      { id: 'y', name: 'Y', share: 0.55 },
      { id: 'z', name: 'Z', share: 0.35, role: 'line' },
    ];
    const { recipe } = saved(dressed());
    // By size it is the gem's; said to be the rim it takes the rim's.
    expect(matchZones(recipe, plate({ zones: [small(), ...others] })).x).toBe('gem');
    expect(matchZones(recipe, plate({ zones: [small('trim'), ...others] })).x).toBe('rim');
    const roles = recipeOf(plate({ zones: [small('hardware'), ...others] })).zones.map(({ role }) => role);
    expect(roles).toEqual(['hardware', 'field', 'line']);
  });

  it('two zones can be the same one, and one can be none', () => {
    const piece = other();
    const { steps, notes } = again(ground, piece, look, { shin: 'field', knee: 'field', stud: undefined });
    expect(new Set(steps.flatMap((step) => step.zones ?? []))).toEqual(new Set(['shin', 'knee']));
    expect(notes).toEqual([
      'Nothing here is Rim, so its steps are left out.',
      'Nothing here is Gem, so its steps are left out.',
    ]);
  });

  it('without zones it takes one of them, without tape', () => {
    const { zones: _zones, ...whole } = other();
    const { steps } = again(ground, whole, look, { '': 'rim' });
    expect(steps.filter(({ zones: on }) => on)).toEqual([]);
    expect(steps.map(({ kind }) => kind)).not.toContain('mask');
    expect(steps.filter(({ kind }) => kind === 'base').map(({ colour }) => colour)).toEqual(['#c59a35']);
  });

  it('minutes that were said follow the area, and fine detail gets light coats', () => {
    const piece = other({
      faces: { outer: { areaCm2: 1600 }, inner: { areaCm2: 1500 } },
      finestDetailMm: 0.6,
    });
    const { steps, notes } = again(ground, piece, look);
    // Ten minutes that somebody said for prep on 800 cm² are twenty on 1600.
    expect([first.steps[0]!.minutes, steps[0]!.minutes]).toEqual([10, 20]);
    expect(steps.filter(({ material, film }) => material && (film ?? 'normal') === 'normal')).toEqual([]);
    expect(notes).toContain('Minutes that were said are scaled to the area.');
    expect(notes).toContain('Coats are laid light, for the fine detail here.');
  });

  it('of other stuff gets its own ground below the same colours', () => {
    const piece = other({ substrate: { kind: 'thermoplastic-sheet', thicknessMm: 3 } });
    const { steps, notes } = again(ground, piece, look);
    expect(steps.map(({ kind }) => kind)).not.toContain('seal');
    expect(steps.filter(({ kind }) => kind === 'prime').map(({ coats: count }) => count)).toEqual([3, 3, 3]);
    expect(notes[0]).toBe(
      'Made on: EVA foam. What comes before the colours is written anew, for: Thermoplastic sheet.',
    );
    expect(
      judgeBuild({ ...ground, pieces: [{ ...piece, steps }] }).filter(({ severity }) => severity === 'stop'),
    ).toEqual([]);
  });

  it('heat-sealed already, without an inner face, with other closures and in another room it fits', () => {
    const kept = {
      ...first,
      keepBare: ['tab'],
      steps: [{ id: 'm', kind: 'mask' as const, covers: ['tab'] }, ...first.steps],
    };
    const piece = other({
      substrate: { kind: 'eva-foam', thicknessMm: 6, heatSealed: true },
      faces: { outer: { areaCm2: 800 } },
      keepBare: ['zip'],
    });
    const cellar = { ...ground, places: [{ ...ground.places[0]!, id: 'cellar' }] };
    const { steps, notes } = again(cellar, piece, saved(kept));
    expect(steps.map(({ kind }) => kind)).not.toContain('heat-seal');
    expect(steps.find(({ kind }) => kind === 'seal')!.faces).toEqual(['outer']);
    expect(steps[0]!.covers).toEqual(['zip']);
    expect(new Set(steps.flatMap(({ place }) => place ?? []))).toEqual(new Set(['cellar']));
    expect(notes).toEqual(['Heat-sealed already: that step is left out.', 'Places are those of this build.']);
  });

  it('that bends further is told which film may crack', () => {
    const stiff = {
      ...first,
      steps: [...first.steps, { id: 'hard', kind: 'topcoat' as const, material: 'epoxy-clear' }],
    };
    const piece = other({ flex: [{ name: 'knee', bendRadiusMm: 30 }] });
    expect(again(ground, piece, saved(stiff)).notes.join(' ')).toContain(
      'Clear epoxy 1:1 may crack at the knee',
    );
  });

  it('parts of the first piece are not joined to it', () => {
    const joined = {
      ...first,
      steps: [
        ...first.steps,
        { id: 'join', kind: 'join' as const, parts: ['clasp'], after: ['inspect', 'clasp/paint'] },
      ],
    };
    const step = again(ground, other(), saved(joined)).steps.at(-1)!;
    expect([step.parts, step.after]).toEqual([undefined, ['inspect']]);
  });
});

it('of a piece’s zones the largest is its field, those under twelve per cent are accents', () => {
  const shares = (...list: number[]) =>
    recipeOf(plate({ zones: list.map((share, n) => ({ id: `z${n}`, name: `Z${n}`, share })) })).zones.map(
      ({ role }) => role,
    );
  expect(shares(0.6, 0.28, 0.12)).toEqual(['field', 'trim', 'trim']);
  expect(shares(0.6, 0.281, 0.119)).toEqual(['field', 'trim', 'accent']);
});

describe('what was really laid', () => {
  it('is kept in place of what was planned', () => {
    const piece = { ...dressed(), zones: [] };
    const materials = materialsOf();
    const seal = piece.steps.find(({ kind }) => kind === 'seal')!;
    const prime = piece.steps.filter(({ kind }) => kind === 'prime');
    const entry = (step: string, more = {}) => ({
      id: step,
      piece: piece.id,
      unit: 2,
      step,
      coat: 1,
      doneAt: '2027-02-16T10:00',
      ...more,
    });
    const log = [
      entry(seal.id, { material: 'rubber-dip-spray', film: 'dust' }),
      entry(nth(prime, 2).id),
      entry(seal.id, { id: 'other', unit: 1, material: 'neoprene-soft', outcome: 'failed' }),
    ];
    const { steps } = recipeOf(piece, { log, materials });
    // The first two primers were passed over, as the third was laid after them.
    expect(steps.filter(({ kind }) => kind === 'prime')).toEqual([nth(prime, 2)]);
    const laid = steps.find(({ kind }) => kind === 'seal')!;
    expect([laid.material, laid.film, laid.method]).toEqual(['rubber-dip-spray', 'dust', 'aerosol']);
    // What was not begun yet stays as it is planned.
    expect(steps.at(-1)).toEqual(piece.steps.at(-1));
  });
});

it('a saved look is still one zone’s look among others', () => {
  const look = saved(dressed());
  const piece = plate();
  const { steps } = writeSteps(ground, piece, {
    looks: [
      { zone: 'gem', look },
      { zone: 'field', look: entryOf(lookById, 'gunmetal') },
      { zone: 'rim', look: entryOf(lookById, 'gunmetal') },
    ],
  });
  // Of three zones its largest counts, which is ivory over white.
  expect(steps.find(({ kind, zones: on }) => kind === 'base' && on?.includes('gem'))?.colour).toBe('#d9cdae');
  expect(idFromName(look.name, [])).toBe('mine');
});
