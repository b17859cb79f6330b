import type { Build, OwnMaterial, Step, Swatch } from '../model/schema';
import { materialsOf } from '../materials/ownMaterials';
import { planBuild } from '../schedule/answers/planBuild';
import { severities, type RuleFinding, type Severity } from './finding';
import { judgeBuild } from './judgeBuild';
import type { FilmGrade } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';

/** The state in which one material meets another. */
export interface PairState {
  /** Whether the lower film has cured right through. */
  cured: boolean;
  /** Whether it is scuffed before the upper one comes. */
  scuffed: boolean;
  /** How the upper one is laid. */
  film: FilmGrade;
  /** Whether the part bends: 5 mm foam round 45 mm. */
  flexing: boolean;
}

/** What the rules say of a pair: the worst of their findings, or that nothing stands against it. */
export interface PairVerdict {
  verdict: Severity | 'fine';
  findings: RuleFinding[];
}

const kindOf = (material: Material): Step['kind'] => {
  switch (material.role) {
    case 'paint':
      return 'base';
    case 'bond':
      return 'join';
    default:
      return material.role;
  }
};

/** A bench of ideal air where anyone is always free, so that only the pair itself speaks. */
function benchFor(
  under: Material,
  over: Material,
  state: PairState,
  materials: OwnMaterial[],
  swatches: Swatch[],
): Build {
  const lower: Step = { id: 'under', kind: kindOf(under), material: under.id, film: 'light' };
  const upper: Step = {
    id: 'over',
    kind: kindOf(over),
    material: over.id,
    film: state.film,
    ...(state.cured ? { waitFor: 'cured' } : {}),
  };
  const scuff: Step = { id: 'scuff', kind: 'sand' };
  return {
    format: 'fixatum-build/1',
    name: 'Pair',
    timeZone: 'UTC',
    start: '2027-01-01T00:00',
    events: [],
    people: [
      {
        id: 'p',
        name: 'P',
        availability: [
          { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '00:00', to: '24:00' },
        ],
      },
    ],
    places: [
      {
        id: 'bench',
        name: 'Bench',
        ventilation: 'extraction',
        slots: 4,
        climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 },
      },
    ],
    materials,
    swatches,
    pieces: [
      {
        id: 'offcut',
        name: 'Offcut',
        quantity: 1,
        substrate: { kind: 'eva-foam', thicknessMm: 5, heatSealed: true },
        faces: { outer: { areaCm2: 100 } },
        ...(state.flexing ? { flex: [{ name: 'the bend', bendRadiusMm: 45 }] } : {}),
        steps: state.scuffed ? [lower, scuff, upper] : [lower, upper],
      },
    ],
  };
}

/**
 * Judges one material over another in a given state, by the same rules that judge builds: the pair is laid on an offcut
 * of heat-sealed foam in label air, planned and judged, the user's own swatches with it. Only what is said about the upper
 * film counts.
 */
export function judgePair(
  underId: string,
  overId: string,
  state: PairState,
  own: OwnMaterial[] = [],
  swatches: Swatch[] = [],
): PairVerdict {
  const materials = materialsOf(own);
  const under = materials.get(underId);
  const over = materials.get(overId);
  if (!under || !over) throw new RangeError(`There is no material "${under ? overId : underId}".`);
  const build = benchFor(under, over, state, own, swatches);
  const findings = judgeBuild(build, planBuild(build, { latestStarts: false })).filter(
    // O: the order of work on a piece, of which there is none here.
    (finding) => finding.step === 'over' && !finding.rule.startsWith('O'),
  );
  const worst = severities.find((severity) => findings.some((finding) => finding.severity === severity));
  return {
    verdict: worst ?? 'fine',
    findings: findings.sort((a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity)),
  };
}
