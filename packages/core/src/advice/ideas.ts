import type { Build, Piece, Step } from '../model/schema';
import { STRONG_GLOSS_GU } from '../facts/sheen';
import { laysFilm, type OrderedStep } from '../facts/stepOrder';
import type { Idea, RuleFinding } from './finding';
import { freshId } from './freshId';
import { stepPointer } from './rule';
import { type FilmGrade, filmGrades, filmWords } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import { workWord } from '../words/workWord';
import { methodTable, type Method } from '../model/methods';
import { placesOf, usualPlace } from '../model/places';
import type { PatchStep } from '../model/patch';
import { orderedSteps } from '../facts/spots';
import { nth } from '../model/sure';
import { begunSteps } from '../model/hasBegun';
import { isRecord } from '../model/unknowns';

/** Films that are laid between two others to part them: water-borne, flexible, over and under which most things go. */
const barriers: { material: string; kind: Step['kind'] }[] = [
  { material: 'acrylic-pu-primer-grey', kind: 'prime' },
  { material: 'acrylic-pu-primer-black', kind: 'prime' },
  { material: 'pva-flex-primer', kind: 'seal' },
  { material: 'satin-varnish', kind: 'topcoat' },
  { material: 'matte-varnish', kind: 'topcoat' },
];
/** How many of the nearest materials are tried in place of one. */
const MOST_SWAPS = 8;

/**
 * Changes that might settle a finding, for trying: what the rule itself proposes, then waiting, scuffing, a thinner film,
 * something between, fewer or more coats, another material above or below, another place, another order, leaving out. Each is
 * the smallest patch of its kind; none has been tried.
 */
export function ideasFor(
  build: Build,
  piece: Piece,
  finding: RuleFinding,
  materials: ReadonlyMap<string, Material>,
): Idea[] {
  const cures = finding.ideas.map((idea) => ({ ...idea, isCure: true }));
  const steps = orderedSteps(piece, { build, materials });
  const over = steps.find(({ step }) => step.id === finding.step);
  if (!over) return cures;
  const under =
    finding.below === undefined
      ? undefined
      : steps.filter(({ at, material }) => at < over.at && material?.id === finding.below).at(-1);
  const change = new Changes(build, piece, steps);
  const both = under ? [over, under] : [over];
  const ideas = [
    ...cures,
    ...(laysFilm(over) || over.material ? waits(change, over, under) : []),
    ...both.flatMap((one) => thinner(change, one)),
    ...(laysFilm(over) ? between(change, over) : []),
    ...both.flatMap((one) => swaps(change, one, materials)),
    ...places(change, over),
    ...orders(change, over),
    // What the air, a time or a tool stands against is put right, not given up.
    ...(under ? both : over.step.optional ? [over] : []).map((one) => ({
      label: `Leave out: ${change.nameOf(one)}`,
      change: [{ op: 'remove' as const, path: change.at(one.at) }],
    })),
  ];
  const seen = new Set<string>();
  return ideas.filter((idea) => {
    // What a new step is called, and its note, make no difference; nor do two buttons that read the same.
    const key = JSON.stringify(idea.change, (name, value: unknown) => {
      if (name === 'id' || name === 'note') return undefined;
      // Whoever wrote the step may have named its fields in another order.
      return isRecord(value) && !Array.isArray(value)
        ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
        : value;
    });
    if (seen.has(key) || seen.has(idea.label)) return false;
    seen.add(key).add(idea.label);
    return true;
  });
}

/** Patches on the steps of one piece, and what its steps are called. */
class Changes {
  constructor(
    readonly build: Build,
    readonly piece: Piece,
    readonly steps: readonly OrderedStep[],
  ) {}

  at(index: number): string {
    return stepPointer(this.build, this.piece, index);
  }

  set(index: number, fields: Partial<Step>): PatchStep[] {
    return Object.entries(fields).map(([key, value]) => ({
      op: 'add',
      path: `${this.at(index)}/${key}`,
      value,
    }));
  }

  insert(index: number, value: Step): PatchStep[] {
    return [{ op: 'add', path: this.at(index), value }];
  }

  /** The places in the list of all steps that do the same with the same in the same place, such as sealing face by face; none that is begun. */
  alike({ step, at }: OrderedStep): number[] {
    const begun = begunSteps(this.build);
    return this.steps.flatMap(({ step: other, at: place }) =>
      place === at ||
      (other.kind === step.kind &&
        other.material === step.material &&
        other.place === step.place &&
        other.colour === step.colour &&
        !begun.has(`${this.piece.id} ${other.id}`))
        ? [place]
        : [],
    );
  }

  /** Another place where a method can't be used in that of a step, or need not be outside any more. */
  placeFor(method: Method, { place, method: before }: Step): Partial<Step> {
    const isCan = (one: Method | undefined) => one !== undefined && methodTable[one].hasPropellant === true;
    if (isCan(method) === isCan(before)) return {};
    const usual = usualPlace(placesOf(this.build), method)?.id;
    return usual === undefined || usual === place ? {} : { place: usual };
  }

  /** By its material or kind; with its number where another step would be called the same. */
  nameOf({ step, material, at }: OrderedStep): string {
    const name = material?.name ?? workWord(step);
    const isAlone = this.steps.every(
      (other) => other.at === at || (other.material?.name ?? workWord(other.step)) !== name,
    );
    return isAlone ? name : `step ${at + 1}, ${name}`;
  }
}

function thinner(change: Changes, one: OrderedStep): Idea[] {
  const { step, at, material } = one;
  if (!material || material.role === 'fill' || material.role === 'bond' || step.pourMm !== undefined)
    return [];
  const name = change.nameOf(one);
  const now = filmGrades.indexOf(step.film ?? 'normal');
  const coats = step.coats ?? 1;
  // What has to close or cover is not dusted on, nor is what no tool of its own makes a mist of.
  const covers =
    material.role === 'seal' ||
    material.role === 'prime' ||
    step.kind === 'base' ||
    // A gloss that is dusted on dries rough and dull.
    (material.role === 'topcoat' && (material.sheenGu ?? 0) > STRONG_GLOSS_GU);
  const isMisted = material.methods.some((method) => methodTable[method].sprays);
  const films = filmGrades
    .slice(0, now)
    .filter((film) => film !== 'dust' || (!covers && isMisted))
    .reverse()
    .map((film: FilmGrade) => ({
      label: `${name} as ${coats > 1 || film === 'dust' ? `${filmWords[film]}s` : `a ${filmWords[film]}`}`,
      change: change.set(at, { film }),
    }));
  const counts = [coats - 1, Math.ceil(coats / 2), coats + 1]
    .filter((count, n, all) => count >= 1 && count !== coats && all.indexOf(count) === n)
    .map((count) => ({
      label: `${count} ${count === 1 ? 'coat' : 'coats'} of ${name} in place of ${coats}`,
      change: change.set(at, { coats: count }),
    }));
  return [...films, ...counts];
}

/** The materials most like one, nearest first: what leaves as they dry, then sheen, then stretch. */
function nearest(to: Material, materials: ReadonlyMap<string, Material>): Material[] {
  const distance = (other: Material) =>
    (other.carrier === to.carrier ? 0 : 2) +
    Math.abs((other.sheenGu ?? 20) - (to.sheenGu ?? 20)) / 20 +
    Math.abs(Math.log10((other.elongationPct || 1) / (to.elongationPct || 1)));
  return [...materials.values()]
    .filter((other) => other.role === to.role && other.id !== to.id)
    .sort((a, b) => distance(a) - distance(b) || (a.id < b.id ? -1 : 1))
    .slice(0, MOST_SWAPS);
}

function swaps(change: Changes, one: OrderedStep, materials: ReadonlyMap<string, Material>): Idea[] {
  const { step, material } = one;
  if (!material) return [];
  // A colour that was the tin's own goes with the tin; one that was chosen stays.
  const isOwn = step.colour !== undefined && step.colour.toLowerCase() === material.colour.toLowerCase();
  const alike = change.alike(one);
  const name = alike.length > 1 ? material.name : change.nameOf(one);
  return nearest(material, materials).map((other) => ({
    label: `${other.name} in place of ${name}`,
    change: alike.flatMap((same) => {
      const method =
        step.method !== undefined && other.methods.includes(step.method)
          ? step.method
          : nth(other.methods, 0);
      return change.set(same, {
        material: other.id,
        ...(method === step.method ? {} : { method, ...change.placeFor(method, step) }),
        ...(isOwn ? { colour: other.colour } : {}),
      });
    }),
  }));
}

function places(change: Changes, one: OrderedStep): Idea[] {
  const { step } = one;
  const all = placesOf(change.build);
  return all
    .filter((place) => place.id !== (step.place ?? nth(all, 0).id))
    .map((place) => ({
      label: `Move it to ${place.name}`,
      change: change.alike(one).flatMap((same) => change.set(same, { place: place.id })),
    }));
}

/** The step earlier or later in the list. */
function orders(change: Changes, over: OrderedStep): Idea[] {
  const { build, piece, steps } = change;
  const begun = begunSteps(build);
  // Before what is done there is no doing it any more: there it would only be passed over.
  const done =
    steps.findLast(({ step, at }) => at < over.at && begun.has(`${piece.id} ${step.id}`))?.at ?? -1;
  // Before or after the very same is no other order, and reads like a riddle.
  const nameOf = ({ step, material }: OrderedStep) => material?.name ?? workWord(step);
  return steps
    .filter((other) => other.at !== over.at && other.at > done && nameOf(other) !== nameOf(over))
    .map((other) => ({
      label: `${change.nameOf(over)} ${other.at < over.at ? 'before' : 'after'} ${change.nameOf(other)}`,
      change: [{ op: 'move' as const, from: change.at(over.at), path: change.at(other.at) }],
    }));
}

const spotsOfStep = ({ faces, zones }: Step): Pick<Step, 'faces' | 'zones'> => ({
  ...(faces ? { faces } : {}),
  ...(zones ? { zones } : {}),
});

/** Waiting, and scuffing. */
function waits(change: Changes, over: OrderedStep, under: OrderedStep | undefined): Idea[] {
  const { step, at } = over;
  const scuff: Step = {
    id: freshId('scuff', change.piece),
    kind: 'sand',
    method: 'sand',
    note: 'Fine pad, until the shine is gone.',
    ...spotsOfStep(step),
  };
  return [
    {
      label: 'Each coat once what is below is dry through',
      change: change.set(at, { waitFor: 'through' }),
    },
    { label: 'Wait until what lies below is cured', change: change.set(at, { waitFor: 'cured' }) },
    ...(under
      ? [
          { label: 'Scuff what lies below', change: change.insert(at, scuff) },
          {
            label: 'Let what lies below cure, then scuff it',
            change: [
              ...change.set(at, { waitFor: 'cured' }),
              ...change.insert(at, { ...scuff, waitFor: 'cured' as const }),
            ],
          },
        ]
      : []),
  ];
}

/** Laying something between. */
function between(change: Changes, over: OrderedStep): Idea[] {
  const { step, at } = over;
  // There is nothing to part it from.
  if (!change.steps.some((one) => one.at < at && laysFilm(one))) return [];
  const names = change.piece.steps.map(({ material }) => material);
  return barriers
    .filter(({ material }) => material !== step.material && names[at - 1] !== material)
    .map(({ material, kind }) => ({
      label: `${barrierNames[material] ?? material} between them`,
      change: change.insert(at, {
        id: freshId('barrier', change.piece),
        kind,
        material,
        method: 'brush',
        coats: 1,
        film: 'normal',
        ...spotsOfStep(step),
      }),
    }));
}

const barrierNames: Record<string, string> = {
  'pva-flex-primer': 'Flexible PVA foam primer',
  'acrylic-pu-primer-grey': 'Grey acrylic-urethane primer',
  'acrylic-pu-primer-black': 'Black acrylic-urethane primer',
  'satin-varnish': 'Satin acrylic varnish',
  'matte-varnish': 'Matte acrylic varnish',
};
