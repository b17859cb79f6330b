import type { Build, Piece, Step } from '../model/schema';
import { laysFilm, type OrderedStep } from '../facts/stepOrder';
import type { Idea, RuleFinding } from './finding';
import { freshId } from './freshId';
import { stepPointer } from './rule';
import { type FilmGrade, filmGrades, filmWords } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import { stepKindWords } from '../model/stepKinds';
import { facesOf } from '../model/stepSpots';
import { placesOf } from '../model/places';
import type { PatchStep } from '../model/patch';
import { orderedSteps } from '../facts/spots';
import { nth } from '../model/sure';

/** Films that are laid between two others to part them: water-borne, flexible, over and under which most things go. */
const barriers: { material: string; kind: Step['kind'] }[] = [
  { material: 'pva-flex-primer', kind: 'seal' },
  { material: 'acrylic-pu-primer-grey', kind: 'prime' },
  { material: 'acrylic-pu-primer-black', kind: 'prime' },
  { material: 'satin-varnish', kind: 'topcoat' },
];
/** How many of the nearest materials are tried in place of one. */
const MOST_SWAPS = 8;

/**
 * Changes that might settle a finding, for trying: what the rule itself proposes, then a barrier, waiting, scuffing, a
 * thinner film, fewer or more coats, another material above or below, another place, another order, leaving out. Each
 * is the smallest patch of its kind; none has been tried.
 */
export function ideasFor(
  build: Build,
  piece: Piece,
  finding: RuleFinding,
  materials: ReadonlyMap<string, Material>,
): Idea[] {
  const steps = orderedSteps(piece, { build, materials });
  const over = steps.find(({ step }) => step.id === finding.step);
  if (!over) return finding.ideas;
  const under = steps.filter(({ at, material }) => at < over.at && material?.id === finding.below).at(-1);
  const change = new Changes(build, piece);
  const ideas = [
    ...finding.ideas,
    ...[over, under].flatMap((one) =>
      one ? [...thinner(change, one), ...swaps(change, one, materials)] : [],
    ),
    ...places(change, over),
    ...orders(change, over, steps),
    ...[over, under].flatMap((one) =>
      one
        ? [
            {
              label: `Leave out: ${nameOf(one)}`,
              change: [{ op: 'remove' as const, path: change.at(one.at) }],
            },
          ]
        : [],
    ),
  ];
  if (laysFilm(over)) ideas.push(...between(change, over, under));
  const seen = new Set<string>();
  return ideas.filter((idea) => {
    // What a new step is called, and its note, make no difference.
    const key = JSON.stringify(idea.change, (name, value: unknown) =>
      name === 'id' || name === 'note' ? undefined : value,
    );
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

const nameOf = ({ step, material }: OrderedStep): string => material?.name ?? stepKindWords[step.kind];

/** Patches on the steps of one piece. */
class Changes {
  constructor(
    readonly build: Build,
    readonly piece: Piece,
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
}

function thinner(change: Changes, { step, at, material }: OrderedStep): Idea[] {
  if (!material || material.role === 'fill' || material.role === 'bond') return [];
  const now = filmGrades.indexOf(step.film ?? 'normal');
  const films = filmGrades.slice(0, now).map((film: FilmGrade) => ({
    label: `${material.name} as ${film === 'dust' ? 'dust coats' : `a ${filmWords[film]}`}`,
    change: change.set(at, { film }),
  }));
  const coats = step.coats ?? 1;
  const counts = [coats - 1, Math.ceil(coats / 2), coats + 1]
    .filter((count, n, all) => count >= 1 && count !== coats && all.indexOf(count) === n)
    .map((count) => ({
      label: `${count} ${count === 1 ? 'coat' : 'coats'} of ${material.name} in place of ${coats}`,
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
  const { step, at, material } = one;
  if (!material) return [];
  return nearest(material, materials).map((other) => ({
    label: `${other.name} in place of ${material.name}`,
    change: change.set(at, {
      material: other.id,
      ...(step.method !== undefined && other.methods.includes(step.method)
        ? {}
        : { method: nth(other.methods, 0) }),
      // A paint keeps the colour it was to have; a sealer has its own.
      ...(material.role === 'paint' ? { colour: step.colour ?? material.colour } : {}),
    }),
  }));
}

function places(change: Changes, { step, at }: OrderedStep): Idea[] {
  const all = placesOf(change.build);
  return all
    .filter((place) => place.id !== (step.place ?? nth(all, 0).id))
    .map((place) => ({ label: `Do it in: ${place.name}`, change: change.set(at, { place: place.id }) }));
}

/** The step earlier or later in the list. */
function orders(change: Changes, over: OrderedStep, steps: readonly OrderedStep[]): Idea[] {
  return steps
    .filter(({ at }) => at !== over.at)
    .map((other) => ({
      label: `${nameOf(over)} ${other.at < over.at ? 'before' : 'after'} ${nameOf(other)}`,
      change: [{ op: 'move' as const, from: change.at(over.at), path: change.at(other.at) }],
    }));
}

/** Waiting, scuffing, or laying something between. */
function between(change: Changes, over: OrderedStep, under: OrderedStep | undefined): Idea[] {
  const { step, at } = over;
  const where = { faces: facesOf(step), ...(step.zones ? { zones: step.zones } : {}) };
  const scuff: Step = {
    id: freshId('scuff', change.piece),
    kind: 'sand',
    method: 'sand',
    note: 'Fine pad, until the shine is gone.',
    ...where,
  };
  const wait = change.set(at, { waitFor: 'cured' });
  const waits: Idea[] = [
    { label: 'Wait until what lies below is cured', change: wait },
    ...(under
      ? [
          { label: 'Scuff what lies below', change: change.insert(at, scuff) },
          {
            label: 'Let what lies below cure, then scuff it',
            change: [...wait, ...change.insert(at, { ...scuff, waitFor: 'cured' as const })],
          },
        ]
      : []),
  ];
  const films = barriers
    .filter(({ material }) => material !== step.material)
    .map(({ material, kind }) => ({
      label: `${barrierName(material)} between them`,
      change: change.insert(at, {
        id: freshId('barrier', change.piece),
        kind,
        material,
        method: 'brush',
        coats: 1,
        film: 'light',
        ...where,
      }),
    }));
  return [...waits, ...films];
}

const barrierNames: Record<string, string> = {
  'pva-flex-primer': 'Flexible PVA foam primer',
  'acrylic-pu-primer-grey': 'Grey acrylic-urethane primer',
  'acrylic-pu-primer-black': 'Black acrylic-urethane primer',
  'satin-varnish': 'Satin acrylic varnish',
};
const barrierName = (id: string): string => barrierNames[id]!;
