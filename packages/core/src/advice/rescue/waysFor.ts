import { type Build, type Piece, type Step } from '../../model/schema';
import { coatsToHide } from '../../colour/hiding';
import { materialsOf } from '../../materials/ownMaterials';
import { dryFilmUm } from '../../materials/film';
import { layerUm, spotsOf } from '../../facts/spots';
import { unitKey } from '../../schedule/plan/workload';
import { stepKindWords } from '../../model/stepKinds';
import type { PatchStep } from '../../model/patch';
import { placesOf } from '../../model/places';
import type { Plan } from '../../schedule/answers/plan';
import type { Way } from './rescueCost';
import { eveningWays } from './ways/evenings';
import { packWays } from './ways/packLater';

/** Every single way that could help the pieces in trouble, by kind, gentle ones first. */
export function waysFor(build: Build, plan: Plan, inTrouble: readonly string[]): Way[] {
  const materials = materialsOf(build.materials);
  const shelf = new Set((build.stock ?? []).filter((tin) => tin.remainingMl > 0).map((tin) => tin.material));
  const used = new Set(build.pieces.flatMap((piece) => piece.steps.flatMap((step) => step.material ?? [])));
  const toBuy = (id: string) => (used.has(id) || shelf.has(id) ? [] : [materials.get(id)?.name ?? id]);
  const ways: Way[] = [];
  const troubled = build.pieces.filter((piece) => inTrouble.includes(piece.id));
  for (const piece of troubled) {
    const at = build.pieces.indexOf(piece);
    const pointer = (step: number) => `/pieces/${at}/steps/${step}`;
    const open = (step: Step) =>
      plan.operations.some(
        (one) =>
          one.pieceId === piece.id &&
          one.stepId === step.id &&
          (one.status === 'planned' || one.status === 'unplaced'),
      );
    const untouched = (step: Step) =>
      !plan.operations.some(
        (one) =>
          one.pieceId === piece.id &&
          one.stepId === step.id &&
          (one.status === 'done' || one.status === 'underway'),
      );
    const openSteps = piece.steps.map((step, n) => ({ step, n })).filter(({ step }) => open(step));
    // A fan on all that is still to be laid.
    const fanned = openSteps.filter(({ step }) => step.material && (step.air ?? 'still') === 'still');
    if (fanned.length > 0)
      ways.push({
        label: `A fan on ${piece.name}`,
        change: fanned.map(({ n }) => ({ op: 'add', path: `${pointer(n)}/air`, value: 'fan' })),
        cost: {},
      });
    for (const { step, n } of openSteps) {
      const material = step.material === undefined ? undefined : materials.get(step.material);
      const name = material?.name ?? stepKindWords[step.kind];
      const fresh = untouched(step);
      const undone = !(build.log ?? []).some((entry) => entry.piece === piece.id && entry.step === step.id);
      if (step.optional && fresh && undone)
        ways.push({
          label: `Leave out: ${name}`,
          change: [{ op: 'remove', path: pointer(n) }],
          cost: { look: 'slight', givesUp: [name] },
        });
      if (!material) continue;
      // Fewer coats, where what is left covers, or where they only build up.
      const coats = step.coats ?? 1;
      if (coats > 1 && fresh && undone && (material.role !== 'paint' || stillCovers(piece, n, coats - 1)))
        ways.push({
          label: `${coats - 1} ${coats === 2 ? 'coat' : 'coats'} of ${name} in place of ${coats}`,
          change: [{ op: 'add', path: `${pointer(n)}/coats`, value: coats - 1 }],
          cost: { look: 'slight', givesUp: material.role === 'paint' ? [] : ['some toughness'] },
        });
      if (fresh && (step.film ?? 'normal') !== 'dust' && (step.film ?? 'normal') !== 'light')
        ways.push({
          label: `${name} in light coats`,
          change: [{ op: 'add', path: `${pointer(n)}/film`, value: 'light' }],
          cost: { look: 'slight' },
        });
      // A quicker material of the same kind: sealer, clear, wash.
      if (fresh && undone && ['seal', 'topcoat', 'weather', 'prime'].includes(material.role)) {
        const slow = Math.max(material.pack ?? 0, material.wear ?? 0);
        const quicker = [...materials.values()]
          .filter(
            (other) =>
              other.role === material.role &&
              other.id !== material.id &&
              other.potLife === undefined &&
              other.binder !== 'powder' &&
              other.binder !== 'resist' &&
              Math.max(other.pack ?? Infinity, other.wear ?? Infinity) < slow * 0.8,
          )
          .sort(
            (a, b) =>
              Math.abs((a.sheenGu ?? 20) - (material.sheenGu ?? 20)) -
                Math.abs((b.sheenGu ?? 20) - (material.sheenGu ?? 20)) ||
              toBuy(a.id).length - toBuy(b.id).length,
          )
          .slice(0, 4);
        for (const other of quicker)
          ways.push({
            label: `${other.name} in place of ${name}`,
            change: [
              { op: 'add', path: `${pointer(n)}/material`, value: other.id },
              { op: 'add', path: `${pointer(n)}/method`, value: other.methods[0]! },
            ],
            cost: {
              look:
                material.role === 'seal' || material.role === 'prime'
                  ? 'same'
                  : Math.abs((other.sheenGu ?? 0) - (material.sheenGu ?? 0)) > 15
                    ? 'other'
                    : 'slight',
              buys: toBuy(other.id),
            },
          });
      }
      // Coats that dry as one thick film, one by one.
      const joins = plan.operations.some(
        (one) =>
          one.pieceId === piece.id &&
          one.stepId === step.id &&
          one.status === 'planned' &&
          !one.letsDryThrough &&
          plan.workload.coatsOnCoats
            .get(unitKey(one))!
            .some((coat) => coat.id === one.id && coat.early === 'joins'),
      );
      if (joins && step.waitFor === undefined)
        ways.push({
          label: `Each coat of ${name} on ${piece.name} dry through before the next`,
          change: [{ op: 'add', path: `${pointer(n)}/waitFor`, value: 'through' }],
          cost: {},
        });
      // Another place.
      for (const place of placesOf(build))
        if (place.id !== (step.place ?? placesOf(build)[0]!.id) && fresh)
          ways.push({
            label: `${name} of ${piece.name} in: ${place.name}`,
            change: [{ op: 'add', path: `${pointer(n)}/place`, value: place.id }],
            cost: {},
          });
    }
    // A warm cabinet for what is not sprayed: thirty degrees, which every brushed film stands.
    const brushed = openSteps.filter(({ step }) => {
      const material = step.material === undefined ? undefined : materials.get(step.material);
      return material !== undefined && step.method !== 'aerosol' && material.maxC >= 31;
    });
    if (brushed.length > 0 && !build.places.some((place) => place.id === 'warm-cabinet'))
      ways.push({
        label: `A warm cabinet at 30 °C for ${piece.name}`,
        change: [
          {
            op: 'add',
            path: `/places/${build.places.length}`,
            value: {
              id: 'warm-cabinet',
              name: 'Warm cabinet',
              ventilation: 'extraction',
              slots: 2,
              climate: { kind: 'constant', temperatureC: 30, humidityPct: 35 },
            },
          },
          ...brushed.map(({ n }): PatchStep => ({
            op: 'add',
            path: `${pointer(n)}/place`,
            value: 'warm-cabinet',
          })),
        ],
        cost: { buys: ['a warm cabinet'] },
      });
    // Part of a set in time, the rest later.
    if (piece.quantity > 1)
      ways.push({
        label: `Only ${piece.quantity - 1} of ${piece.quantity} ${piece.name} this time`,
        change: [{ op: 'add', path: `/pieces/${at}/quantity`, value: piece.quantity - 1 }],
        cost: { look: 'slight', givesUp: [`one ${piece.name}`] },
      });
  }
  ways.push(...eveningWays(build, plan, troubled), ...packWays(build, troubled));
  // Leaving a set smaller is refused where the log has the last unit; the parser says so when it is tried.
  return ways.filter(
    (way) =>
      !way.change.some(
        (step) =>
          step.path.endsWith('/quantity') &&
          step.op === 'add' &&
          (build.log ?? []).some(
            (entry) =>
              entry.piece === build.pieces[Number(step.path.split('/')[2])]!.id &&
              entry.unit > Number(step.value),
          ),
      ),
  );

  function stillCovers(piece: Piece, stepIndex: number, coats: number): boolean {
    return spotsOf(piece, { build, materials }).every((spot) => {
      const at = spot.layers.findIndex((layer) => layer.at === stepIndex);
      const layer = spot.layers[at];
      const below = spot.layers
        .slice(0, Math.max(0, at))
        .reverse()
        .find((one) => one.material.hideUm !== undefined);
      if (!layer || !below || layer.step.colour === undefined) return true;
      const coatUm =
        layerUm(layer) / (layer.step.coats ?? 1) || dryFilmUm(layer.material.wftUm, layer.material);
      const needed = coatsToHide(
        below.step.colour ?? below.material.colour,
        layer.step.colour,
        layer.material,
        coatUm,
      );
      return needed !== undefined && needed <= coats;
    });
  }
}
