import { catalogueById } from '../materials/catalogue';
import { reachesOver } from '../facts/tape';
import { isMaskedAt } from '../facts/masking';
import { expandBuild } from '../schedule/plan/operations';
import { judgeBuild } from '../advice/judgeBuild';
import { parseBuild } from '../materials/parseBuild';
import { substrateKinds, type SubstrateKind } from '../model/substrates';
import type { Method } from '../model/methods';
import type { Build, Piece, Step } from '../model/schema';
import { nth } from '../model/sure';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import type { Look } from './look';
import { shippedLooks } from './shippedLooks';
import { writeSteps } from './writeSteps';

const climate = { kind: 'constant' as const, temperatureC: 20, humidityPct: 50 };
const ground = sampleBuild({
  places: [
    { id: 'room', name: 'Room', ventilation: 'window', slots: 6, climate },
    { id: 'porch', name: 'Porch', ventilation: 'outdoor', slots: 6, climate },
  ],
});
const applicators: Readonly<Record<string, readonly Method[]>> = {
  brushes: ['brush', 'foam-brush', 'sponge'],
  cans: ['aerosol'],
  all: ['brush', 'foam-brush', 'sponge', 'aerosol', 'airbrush'],
};
const shares = [[1], [0.7, 0.3], [0.6, 0.3, 0.1], [0.4, 0.3, 0.2, 0.1]];

interface Case {
  name: string;
  look: Look;
  substrate: SubstrateKind;
  tools: readonly Method[];
  zones: number;
}
const cases = shippedLooks.flatMap((look, n) =>
  substrateKinds.flatMap((substrate, m) =>
    Object.entries(applicators).map(([owned, tools], k): Case => {
      const zones = ((n + m + k) % 4) + 1;
      return {
        name: `${look.id} on ${substrate} with ${owned}, ${zones} zones`,
        look,
        substrate,
        tools,
        zones,
      };
    }),
  ),
);

/** A plate of that stuff, with its first zone in the look and the others in looks further down the list. */
function dressed({ look, substrate, tools, zones: count }: Case): {
  build: Build;
  piece: Piece;
  looks: Look[];
} {
  const from = shippedLooks.indexOf(look);
  const looks = Array.from({ length: count }, (_, n) =>
    nth(shippedLooks, (from + 5 * n) % shippedLooks.length),
  );
  const plain = samplePiece(
    {
      substrate: { kind: substrate, thicknessMm: substrate.endsWith('foam') ? 6 : 3 },
      faces: { outer: { areaCm2: 1200 }, inner: { areaCm2: 1150 } },
      ...(count > 1
        ? { zones: nth(shares, count - 1).map((share, n) => ({ id: `z${n}`, name: `Zone ${n}`, share })) }
        : {}),
    },
    [],
  );
  const picks = looks.map((one, n) => ({ look: one, ...(count > 1 ? { zone: `z${n}` } : {}) }));
  const { steps } = writeSteps(ground, plain, { looks: picks, tools });
  const piece = { ...plain, steps };
  return { build: { ...ground, pieces: [piece] }, piece, looks };
}

/** Hands-on minutes of all a build asks for. */
const minutesOf = (build: Build): number =>
  expandBuild(build).reduce(
    (sum, { setUpMinutes, workMinutes, cleanUpMinutes }) => sum + setUpMinutes + workMinutes + cleanUpMinutes,
    0,
  );

const colours = (step: Step) => step.kind === 'base';
const isOn = (step: Step, zone: string) => step.zones === undefined || step.zones.includes(zone);

it('there are more than six hundred', () => {
  expect(cases.length).toBeGreaterThanOrEqual(600);
  expect(new Set(cases.map(({ zones }) => zones))).toEqual(new Set([1, 2, 3, 4]));
});

describe.each(Object.keys(applicators))('with %s', (owned) => {
  const own = cases.filter(({ tools }) => tools === applicators[owned]);

  it.each(own.map((one) => [one.name, one] as const))('%s', (_name, one) => {
    const { build, piece, looks } = dressed(one);
    expect(parseBuild(build)).toMatchObject({ ok: true });
    // Thin foam that is poured over on one face bends whatever anybody does, and is told so.
    const told = judgeBuild(build).filter(({ severity, rule }) => severity !== 'note' && rule !== 'R59');
    expect(told.map(({ rule, message }) => `${rule} ${message}`)).toEqual([]);

    const zones = piece.zones ?? [{ id: 'whole', name: 'Whole' }];
    zones.forEach(({ id }, n) => {
      const look = nth(looks, n);
      const wanted = look.steps.find(({ main }) => main)?.colour;
      const laid = piece.steps.filter((step) => colours(step) && isOn(step, id));
      // Its own colour is there, and in no zone the colour of another.
      expect(laid.map(({ colour }) => colour)).toContain(wanted);
      const ownColours = look.steps.map(({ colour }) => colour);
      for (const { colour } of laid) expect(ownColours).toContain(colour);
      // Nothing that reaches over is laid beside it once it is painted, unless it is taped.
      const painted = piece.steps.findIndex((step) => colours(step) && isOn(step, id));
      piece.steps.forEach((step, at) => {
        const material = catalogueById.get(step.material ?? '');
        if (at <= painted || isOn(step, id) || step.kind === 'topcoat' || !reachesOver(step, material))
          return;
        expect([step.id, isMaskedAt(piece, id, at)]).toEqual([step.id, true]);
      });
      // An undercoat of its own is nobody else's.
      const primed = piece.steps.filter((step) => step.kind === 'prime' && isOn(step, id));
      expect(
        primed.filter(({ material }) => material?.startsWith('acrylic-pu-primer')).length,
      ).toBeLessThanOrEqual(1);
    });
    // Everything that is taped is pulled.
    const tape = (kind: Step['kind']) =>
      piece.steps.filter((step) => step.kind === kind).map((step) => step.zones);
    expect(tape('unmask')).toEqual(tape('mask'));
  });
});

/** So much longer may be taken where a lighter zone is then not spilled on, which would cost it a coat by brush: 3 + 1 + 5 min. */
const SAVES_A_COAT_MINUTES = 9;

describe('none is slower than the same zones in the order somebody lists them', () => {
  const several = cases.filter(({ zones, tools }) => zones > 1 && tools === applicators.all);
  it.each(several.map((one) => [one.name, one] as const))('%s', (_name, one) => {
    const { build, piece, looks } = dressed(one);
    const ids = (piece.zones ?? []).map(({ id }) => id);
    for (const order of [ids, [...ids].reverse()]) {
      const picks = looks.map((look, n) => ({ look, zone: `z${n}` }));
      const { steps } = writeSteps(build, { ...piece, steps: [] }, { looks: picks, tools: one.tools, order });
      expect(minutesOf(build)).toBeLessThanOrEqual(
        minutesOf({ ...build, pieces: [{ ...piece, steps }] }) + SAVES_A_COAT_MINUTES,
      );
    }
  });
});
