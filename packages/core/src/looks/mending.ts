import { colourDistance } from '../colour/distance';
import { laysFilm } from '../facts/stepOrder';
import { materialsOf } from '../materials/ownMaterials';
import { cleaningTable } from '../model/cleanings';
import type { Mend } from '../model/lookOverChecks';
import type { Material } from '../model/materialSchema';
import { methodTable, type Method } from '../model/methods';
import { idFromName } from '../model/pieceEdits';
import type { Build, Piece, Step } from '../model/schema';
import { facesOf, zoneIdsOf } from '../model/stepSpots';
import { has } from '../model/traits';
import { binderOf } from '../model/binders';
import { stainable } from '../model/fields';
import { waterborneLike } from '../materials/alike';
import { usualTools } from './choices';
import { caulked, FILLER } from './groundwork';
import { writingFor } from './writeSteps';

/** Where something failed: on which units of a set and in which zones, where that is not everywhere. */
export interface FailedOn {
  units?: readonly number[];
  zones?: readonly string[];
}

/** Writes the steps of a repair. */
export class Mending {
  private readonly materials: ReadonlyMap<string, Material>;
  /** What was done, or was to be done, before the look; earlier repairs apart. */
  private readonly before: Step[];
  /** Zones it failed in. */
  private readonly zones: readonly string[];
  private readonly used: string[];
  private readonly placeFor: (method: Method) => string | undefined;

  constructor(
    build: Build,
    private readonly piece: Piece,
    stepId: string,
    private readonly on: FailedOn,
  ) {
    this.materials = materialsOf(build.materials);
    this.before = piece.steps
      .slice(
        0,
        piece.steps.findIndex(({ id }) => id === stepId),
      )
      .filter(({ mends }) => !mends);
    this.zones = on.zones ?? zoneIdsOf(piece);
    this.used = piece.steps.map(({ id }) => id);
    const { owned } = writingFor(build, piece, { looks: [], tools: usualTools }, () => undefined);
    this.placeFor = (method) => owned.placeFor(method);
  }

  steps(mend: Exclude<Mend, 'wait'>): Step[] {
    switch (mend) {
      case 'clean-glue':
        return [
          this.step('prep', 'hand', { minutes: 5, cleans: 'unglued', note: cleaningTable.unglued.note }),
        ];
      case 'dust-off':
        return [
          this.step('prep', 'hand', {
            minutes: 4,
            cleans: 'wiped',
            note: 'Vacuum or brush the dust off, then a barely damp cloth; let it dry.',
          }),
        ];
      case 'fill-seams':
        return [...this.filled('seams'), this.smoothed()];
      case 'caulk-seams':
        return [this.step('fill', 'tool', caulked)];
      case 'heat-again':
        return this.isHeatable()
          ? [
              this.step('heat-seal', 'hot-air', {
                minutes: 4,
                note: 'Keep moving; only until the fuzz is gone.',
              }),
            ]
          : [];
      case 'trim':
        return [
          this.step('prep', 'hand', {
            trims: true,
            minutes: 10,
            note: 'Mark it on the body, cut in light strokes, round the new edge.',
          }),
          ...(this.isHeatable()
            ? [this.step('heat-seal', 'hot-air', { minutes: 3, note: 'Only the new edge.' })]
            : []),
        ];
      case 'seal-again':
        return this.again('seal', { coats: 1, film: 'light', placement: 'spots' });
      case 'fill-pinholes': {
        const sealed = this.again('seal', { coats: 1, film: 'light', placement: 'spots' });
        return sealed.length > 0 && this.isSandable()
          ? [...this.filled('spots'), this.smoothed(), ...sealed]
          : [];
      }
      case 'fill-and-prime': {
        const primed = this.byHand(this.again('prime', { coats: 1, film: 'light', placement: 'spots' }));
        return primed.length > 0 && this.isSandable()
          ? [...this.filled('spots'), this.smoothed(), ...primed]
          : [];
      }
      case 'prime-again': {
        const primed = this.again('prime', { coats: 1, film: 'light' });
        return primed.length > 0 ? [this.smoothed(), ...primed] : [];
      }
      case 'coat-again':
        return this.byHandBesideOthers(this.again('base', { coats: 1 }));
      case 'touch-up':
      case 'sand-and-touch-up': {
        const colours = this.touchedUp();
        if (colours.length === 0) return [];
        const isSanded = mend === 'sand-and-touch-up';
        const primed = isSanded
          ? this.byHand(this.again('prime', { coats: 1, film: 'light', placement: 'spots' }))
          : [];
        const over = [...primed, ...colours, ...this.cleared('spots')];
        return [
          ...(isSanded ? [this.smoothed()] : this.scuffed(over)),
          ...this.wiped(),
          ...this.besideCloth(over),
        ];
      }
      case 'clear-again': {
        const clears = this.cleared();
        return [...this.scuffed(clears), ...this.besideCloth(clears)];
      }
    }
  }

  /**
   * What goes before some coats: a clear that cured by reaction has gone hard by the time it is looked at, and holds only what is keyed
   * into it.
   */
  private scuffed(over: readonly Step[]): Step[] {
    if (!over.some((step) => this.materialOf(step)?.potLife !== undefined)) return [];
    const note = 'Wash it, then a fine pad over it until its shine is gone; wipe the dust off.';
    return [this.step('sand', 'sand', { minutes: 5, note })];
  }

  private step(kind: Step['kind'], method: Method, more: Partial<Step>): Step {
    const id = idFromName(`mend-${kind}`, this.used);
    this.used.push(id);
    const place = this.placeFor(method);
    const isPart = this.zones.length < zoneIdsOf(this.piece).length;
    return {
      id,
      kind,
      method,
      ...(place === undefined ? {} : { place }),
      ...(isPart ? { zones: [...this.zones] } : {}),
      mends: true,
      ...(this.on.units && this.on.units.length < this.piece.quantity ? { units: [...this.on.units] } : {}),
      ...more,
    };
  }

  private filled(placement: 'seams' | 'spots'): Step[] {
    return [
      this.step('fill', 'brush', {
        material: FILLER,
        film: 'light',
        placement,
        minutes: 6,
        note: 'Only as much as the gap takes.',
      }),
    ];
  }

  /** Rubbed smooth; what tears under paper is scraped. */
  private smoothed(): Step {
    return this.isSandable()
      ? this.step('sand', 'sand', { minutes: 5, note: '400 grit, only the spots; wipe the dust off.' })
      : this.step('prep', 'hand', {
          minutes: 3,
          cleans: 'wiped',
          note: 'Pick or cut off what stands proud; paper would tear this film. Wipe it.',
        });
  }

  /** Powder and grease are wiped off the spots, or nothing would hold there. */
  private wiped(): Step[] {
    const isDirty = this.before.some((step) => {
      const material = this.materialOf(step);
      return material && (binderOf(material).loose || has(material, 'greasy'));
    });
    return isDirty
      ? [
          this.step('prep', 'hand', {
            minutes: 3,
            cleans: 'degreased',
            note: 'Alcohol on a cotton bud: powder and grease off the spots; let it flash off.',
          }),
        ]
      : [];
  }

  /** Cloth, mesh and lenses that are on already are covered meanwhile. */
  private besideCloth(steps: Step[]): Step[] {
    const isThere = this.before.some(({ attaches }) => attaches && stainable.includes(attaches));
    if (!isThere || steps.length === 0) return steps;
    const covers = ['what is attached'];
    return [
      this.step('mask', 'hand', {
        minutes: 4,
        covers,
        note: 'Cover cloth, mesh and lenses beside the spots.',
      }),
      ...steps,
      this.step('unmask', 'hand', { covers }),
    ];
  }

  /** Whether the film on top can be sanded wherever it failed. Bare foam can. */
  private isSandable(): boolean {
    return this.zones.every((zone) => {
      const top = this.before.findLast(
        (step) =>
          laysFilm({ step, at: 0, material: this.materialOf(step) }) &&
          facesOf(step).includes('outer') &&
          (step.zones ?? [zone]).includes(zone),
      );
      return top === undefined || this.materialOf(top)?.sand !== undefined;
    });
  }

  /** Heat would take pressed texture out again, and open what was filled. */
  private isHeatable(): boolean {
    return (
      this.before.some(({ kind }) => kind === 'heat-seal') &&
      !this.before.some(
        ({ kind, material }) => kind === 'texture' || kind === 'fill' || material !== undefined,
      )
    );
  }

  private materialOf({ material }: Step): Material | undefined {
    return material === undefined ? undefined : this.materials.get(material);
  }

  /** The last step of a kind in each zone once more, as one where they are the same; otherwise laid as `more` says. */
  private again(kind: Step['kind'], more: Partial<Step>): Step[] {
    const byStep = new Map<Step, string[]>();
    for (const zone of this.zones) {
      const last = this.before.findLast(
        (step) => step.kind === kind && step.material !== undefined && (step.zones ?? [zone]).includes(zone),
      );
      if (last) byStep.set(last, [...(byStep.get(last) ?? []), zone]);
    }
    return [...byStep].map(([last, zones]) => {
      const {
        method = methodFor(this.materialOf(last)),
        material,
        colour,
        film,
        thinWith,
        thinPct,
        faces,
      } = last;
      const isAll = zones.length === zoneIdsOf(this.piece).length;
      const { zones: _own, ...fresh } = this.step(kind, method, {
        ...(material === undefined ? {} : { material }),
        ...(colour ? { colour } : {}),
        ...(film ? { film } : {}),
        ...(thinWith ? { thinWith } : {}),
        ...(thinPct ? { thinPct } : {}),
        ...(kind === 'seal' && faces ? { faces } : {}),
        ...more,
      });
      return { ...fresh, ...(isAll ? {} : { zones }) };
    });
  }

  private touchedUp(): Step[] {
    return this.byHand(
      this.again('base', {
        coats: 1,
        film: 'light',
        placement: 'spots',
        note: 'From the pot that was kept: a nearly dry brush, only the spot.',
      }),
    );
  }

  /** The clear over a repair, where there is one already; none is put on for its sake. */
  private cleared(placement?: 'spots'): Step[] {
    if (placement) return this.byHand(this.again('topcoat', { coats: 1, film: 'light', placement }));
    // What was misted on, so as not to drag what it holds, is misted on again.
    return this.again('topcoat', { coats: 1 }).flatMap((step) =>
      step.film === 'dust' ? [step] : this.byHandBesideOthers([{ ...step, film: 'light' }]),
    );
  }

  /** With a tool that keeps to the spot; what comes in a can only is touched up with its nearest from a pot. */
  private byHand(steps: readonly Step[]): Step[] {
    return steps.flatMap((step) => {
      const own = this.materialOf(step);
      const material = own && (keepsToTheSpot(own) ? own : this.nearestByBrush(own, step.colour));
      if (!material) return [];
      const method = material.methods.includes('brush') ? 'brush' : methodFor(material);
      const place = this.placeFor(method);
      const { thinWith: _with, thinPct: _pct, place: _place, ...rest } = step;
      return [{ ...rest, material: material.id, method, ...(place === undefined ? {} : { place }) }];
    });
  }

  /** By hand where it would reach over other zones. */
  private byHandBesideOthers(steps: readonly Step[]): Step[] {
    return steps.flatMap((step) =>
      step.zones && methodTable[step.method ?? 'brush'].reachesOver ? this.byHand([step]) : [step],
    );
  }

  /** Paint is tinted to its colour; primer and clear are what they are called. */
  private nearestByBrush(own: Material, colour: string | undefined): Material | undefined {
    const alike = waterborneLike(own, this.materials.values()).filter(isBrushed);
    if (own.role !== 'prime') return alike[0];
    const wanted = colour ?? own.colour;
    const off = (other: Material) => colourDistance(other.colour, wanted);
    return alike.reduce<Material | undefined>(
      (best, other) => (best && off(best) <= off(other) ? best : other),
      undefined,
    );
  }
}

const methodFor = (material: Material | undefined): Method => material?.methods[0] ?? 'brush';
/** What is laid by hand as a rule, not what may be at a pinch. */
const isBrushed = (material: Material): boolean =>
  keepsToTheSpot(material) && !methodTable[methodFor(material)].sprays;
const keepsToTheSpot = ({ methods }: Material): boolean =>
  methods.some((method) => !methodTable[method].sprays && !methodTable[method].reachesOver);
