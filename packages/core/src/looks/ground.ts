import type { Cleaning } from '../model/cleanings';
import type { Piece } from '../model/schema';
import type { SubstrateKind } from '../model/substrates';

/** What a bare surface wants before colour goes on it, besides the sealer of a school. */
export interface GroundNeeds {
  /** It is rid of dirt, grease or mould release. */
  cleans?: Cleaning;
  /** How its surface is opened or closed before the first film. */
  opens?: 'heat' | 'sand' | 'scuff' | 'scuff-wet';
  /** Layer lines and pinholes are filled and ground. */
  fills?: boolean;
  /** A promoter helps, where one may be sprayed. */
  promoter?: boolean;
  /** The sealer of a school goes on it. */
  sealed?: boolean;
  /** The fewest coats of primer; with none, primer is a matter of the look alone. */
  primerCoats?: number;
  /** Paint is stirred with textile medium, and nothing lies below it. */
  cloth?: boolean;
  /** What is told of it where a sealer was asked for and something else is written. */
  instead?: string;
}

/** What each substrate needs (docs/domain.md, "What a piece is made of"). */
export const groundTable: Readonly<Record<SubstrateKind, GroundNeeds>> = {
  'eva-foam': { opens: 'heat', sealed: true },
  'craft-foam': { opens: 'heat', sealed: true },
  'foam-clay': { opens: 'sand', sealed: true },
  'expanded-polystyrene': { sealed: true },
  'thermoplastic-sheet': {
    opens: 'scuff',
    primerCoats: 3,
    instead: 'Thermoplastic takes no sealer: scuffed, then three coats of primer close its grain.',
  },
  'pvc-pipe': {
    cleans: 'wiped',
    opens: 'scuff-wet',
    primerCoats: 1,
    instead: 'PVC takes no sealer: wiped and scuffed wet, then primer.',
  },
  'pla-print': {
    fills: true,
    opens: 'sand',
    primerCoats: 2,
    instead: 'A print takes no sealer: its lines are filled and sanded, then two coats of primer.',
  },
  'cast-resin': {
    cleans: 'washed',
    opens: 'scuff',
    promoter: true,
    primerCoats: 1,
    instead:
      'Resin takes no sealer: washed and scuffed, then primer, on a promoter where one can be sprayed.',
  },
  'stretch-fabric': {
    cloth: true,
    instead: 'Cloth is not sealed: textile medium in the paint keeps it soft.',
  },
  'faux-leather': {
    cleans: 'degreased',
    primerCoats: 1,
    instead: 'Faux leather takes no sealer: degreased, then thin flexible primer.',
  },
  card: { sealed: true },
  wood: { opens: 'sand', sealed: true },
  metal: {
    cleans: 'degreased',
    opens: 'scuff',
    promoter: true,
    primerCoats: 1,
    instead: 'Metal takes no sealer: degreased and scuffed, then primer.',
  },
  'clear-plastic': {
    cleans: 'washed',
    opens: 'scuff',
    promoter: true,
    primerCoats: 1,
    instead: 'Clear plastic takes no sealer: washed and scuffed, then primer.',
  },
};

/** Whether the sealer of a school goes on a piece at all. */
export const takesSealer = ({ substrate }: Pick<Piece, 'substrate'>): boolean =>
  groundTable[substrate.kind].sealed === true;
