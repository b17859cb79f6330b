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
  /** The sealing itself of an outer face; faces, place and id are filled in where it is used. */
  step:
    (Pick<Step, 'kind' | 'film' | 'note'> & { material: string; method: Method; coats: number }) | undefined;
  /** Coats on the inner face; as many as outside unless given. */
  innerCoats?: number;
  /** Coats where the foam drinks more: craft foam, and faces that were cut, ground or sanded. */
  thirstyCoats?: number;
  /** Other tools it can be laid with, where its own is not at hand. */
  otherMethods?: readonly Method[];
  /** A night goes by before anything goes over it, its own next coat too. */
  overNight?: boolean;
}

/** The sealer schools, the mildest first. */
export const schools: readonly School[] = [
  {
    id: 'pva',
    name: 'PVA primer by brush',
    goodAt: 'Indoors, cheap, no fumes, bends well.',
    badAt: 'Three or four coats, brush marks, minds water until it is covered.',
    looks: 'Smooth to faintly brushed; takes any colour.',
    step: {
      kind: 'seal',
      material: 'pva-flex-primer',
      method: 'brush',
      coats: 3,
      film: 'normal',
      note: 'Each coat across the last; pick loose bristles out while it is wet.',
    },
    innerCoats: 2,
    thirstyCoats: 4,
    otherMethods: ['foam-brush'],
  },
  {
    id: 'rubber-dip',
    name: 'Rubber dip spray',
    goodAt: 'Tough, black, bends, quick to lay.',
    badAt: 'Needs outdoor air and a mask, waits for the weather; thick paint cracks on it.',
    looks: 'Even and a little rubbery; black shows where paint wears.',
    step: { kind: 'seal', material: 'rubber-dip-spray', method: 'aerosol', coats: 3, film: 'light' },
    innerCoats: 2,
  },
  {
    id: 'neoprene',
    name: 'Brush-on neoprene',
    goodAt: 'One or two thick coats hide seams.',
    badAt: 'Dries overnight; the soft kind is never sanded.',
    looks: 'Seams gone, edges rounded; fine texture softens.',
    step: { kind: 'seal', material: 'neoprene-soft', method: 'brush', coats: 1, film: 'heavy' },
    overNight: true,
  },
  {
    id: 'decoupage',
    name: 'Decoupage medium',
    goodAt: 'Stiffens thin foam, takes a stippled grain.',
    badAt: 'Cracks when bent, sticks to its neighbour for a week.',
    looks: 'A stippled grain, glassy where it pools; hairlines at bends.',
    step: { kind: 'seal', material: 'decoupage-gloss', method: 'stipple', coats: 3, film: 'light' },
    innerCoats: 2,
    otherMethods: ['brush', 'foam-brush'],
  },
  {
    id: 'seal-spray',
    name: 'Foam seal spray',
    goodAt: 'Quick, even, packable within a day.',
    badAt: 'A whole can for a chest piece.',
    looks: 'Even, without brush marks; coarse pores may still show.',
    step: { kind: 'seal', material: 'foam-seal-spray', method: 'aerosol', coats: 3, film: 'normal' },
  },
  {
    id: 'foam-coat',
    name: 'Water-borne foam coat',
    goodAt: 'Indoors, dries clear, bends far.',
    badAt: 'Several coats; can’t be tinted dark.',
    looks: 'A soft, even skin; the colour of the foam stays below.',
    step: {
      kind: 'seal',
      material: 'foam-coat-rubberiser',
      method: 'brush',
      coats: 3,
      film: 'normal',
      note: 'Each coat across the last; pick loose bristles out while it is wet.',
    },
    innerCoats: 2,
    otherMethods: ['foam-brush'],
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
