import type { Method } from '../model/methods';
import type { Step } from '../model/schema';
import type { SealerSchool } from './look';

/** A ready choice of sealer with its reasons. */
export interface School {
  id: SealerSchool;
  name: string;
  goodAt: string;
  badAt: string;
  /** What of the finished piece shows which sealer lies below. */
  looks: string;
  /** The sealing itself; faces, place and id are filled in where it is used. */
  step: (Pick<Step, 'kind' | 'coats' | 'film'> & { material: string; method: Method }) | undefined;
}

/** The sealer schools, the mildest first. */
export const schools: readonly School[] = [
  {
    id: 'pva',
    name: 'PVA primer by brush',
    goodAt: 'Indoors, cheap, no fumes, bends well.',
    badAt: 'Several coats, brush marks, minds water until it is covered.',
    looks: 'Smooth to faintly brushed; takes any colour.',
    step: { kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2, film: 'light' },
  },
  {
    id: 'rubber-dip',
    name: 'Rubber dip spray',
    goodAt: 'Tough, black, bends, quick to lay.',
    badAt: 'Needs outdoor air and a mask, waits for the weather; thick paint cracks on it.',
    looks: 'Even and a little rubbery; black shows where paint wears.',
    step: { kind: 'seal', material: 'rubber-dip-spray', method: 'aerosol', coats: 2, film: 'light' },
  },
  {
    id: 'neoprene',
    name: 'Brush-on neoprene',
    goodAt: 'One or two thick coats hide seams.',
    badAt: 'Dries overnight; the soft kind is never sanded.',
    looks: 'Seams gone, edges rounded; fine texture softens.',
    step: { kind: 'seal', material: 'neoprene-soft', method: 'brush', coats: 1, film: 'light' },
  },
  {
    id: 'decoupage',
    name: 'Decoupage medium',
    goodAt: 'Stiffens thin foam, takes a stippled grain.',
    badAt: 'Cracks when bent, sticks to its neighbour for a week.',
    looks: 'A stippled grain, glassy where it pools; hairlines at bends.',
    step: { kind: 'seal', material: 'decoupage-gloss', method: 'stipple', coats: 2, film: 'light' },
  },
  {
    id: 'seal-spray',
    name: 'Foam seal spray',
    goodAt: 'Quick, even, packable within a day.',
    badAt: 'A whole can for a chest piece.',
    looks: 'Even, without brush marks; coarse pores may still show.',
    step: { kind: 'seal', material: 'foam-seal-spray', method: 'aerosol', coats: 2, film: 'normal' },
  },
  {
    id: 'epoxy',
    name: 'Clear epoxy',
    goodAt: 'Hard and smooth.',
    badAt: 'Heavy, slow, and cracks where the piece bends.',
    looks: 'Hard and glassy, as if cast.',
    step: { kind: 'seal', material: 'epoxy-clear', method: 'brush', coats: 1, film: 'light' },
  },
  {
    id: 'heat-only',
    name: 'Heat-seal only',
    goodAt: 'Nothing to dry; fine for parts that just hang on display.',
    badAt: 'Paint sinks in and wears off where it is handled.',
    looks: 'The foam shows through the paint; colours duller.',
    step: undefined,
  },
];

export const schoolById: ReadonlyMap<SealerSchool, School> = new Map(
  schools.map((school) => [school.id, school]),
);
