import { wash, edges, plain, powder, type LookDraft } from './lookParts';
import { lookSchema, type LookStep } from './look';

/** A ready way to wear, age or shade a piece that has its colour already. */
export interface Finish {
  id: string;
  name: string;
  about: string;
  /** Where it goes among the steps that are there: right over the colours, or with the weathering. */
  goes: 'over-colour' | 'with-weathering';
  steps: LookStep[];
}

type Steps = NonNullable<LookDraft['steps']>;

const dabbed = (colour: string, more: Partial<Steps[number]>): Steps[number] => ({
  kind: 'weather',
  colour,
  options: [
    { material: 'dry-brush-acrylic', method: 'sponge' },
    { material: 'dry-brush-acrylic', method: 'dry-brush' },
  ],
  ...more,
});
const misted = (colour: string, note: string): Steps[number] => ({
  kind: 'weather',
  colour,
  options: [
    { material: 'airbrush-acrylic', method: 'airbrush', film: 'light' },
    { material: 'dry-brush-acrylic', method: 'sponge' },
    { material: 'acrylic-wash', method: 'brush' },
  ],
  placement: 'fade',
  note,
});

const drafts: (Omit<Finish, 'steps'> & { steps: Steps })[] = [
  {
    id: 'panel-lines',
    name: 'Panel lines',
    about: 'Dark paint in the grooves only, so that plates come apart.',
    goes: 'with-weathering',
    steps: [
      wash('#1d1c1a', {
        placement: 'lines',
        note: 'Touch the tip to the groove and let it run; wipe across the line.',
      }),
    ],
  },
  {
    id: 'dirty-wash',
    name: 'Dirty wash',
    about: 'Brown-black in every hollow, wiped off the heights.',
    goes: 'with-weathering',
    steps: [wash('#2b241a')],
  },
  {
    id: 'streaks',
    name: 'Rain streaks',
    about: 'Runs from rivets and edges, straight down as it is worn.',
    goes: 'with-weathering',
    steps: [
      wash('#3a3128', {
        placement: 'lines',
        note: 'Dots along upper edges, drawn straight down with a clean damp brush until they fade out.',
      }),
    ],
  },
  {
    id: 'spatter',
    name: 'Spatter',
    about: 'Fine specks in two tones that break a plain colour up.',
    goes: 'with-weathering',
    steps: [
      wash('#2a241c', { placement: 'splatter', note: 'Flick it off a stiff brush from an arm’s length.' }),
      wash('#a8a08e', { placement: 'splatter', note: 'A few pale specks among the dark ones.', extra: true }),
    ],
  },
  {
    id: 'rust-two',
    name: 'Rust in two passes',
    about: 'A thin stain, then thicker where it is worn.',
    goes: 'with-weathering',
    steps: [
      wash('#7a4528', { note: 'First rust: thin into the hollows, wiped back.' }),
      dabbed('#9a5a2c', { placement: 'worn-spots', note: 'Second rust: thicker, in the worn places only.' }),
    ],
  },
  {
    id: 'rust-three',
    name: 'Rust in three passes',
    about: 'Stain, crust, and neat pigment in the pits.',
    goes: 'with-weathering',
    steps: [
      wash('#6b3b22', { note: 'First rust: thin into the hollows, wiped back.' }),
      dabbed('#8f5128', { placement: 'worn-spots', note: 'Second rust: thicker, in the worn places.' }),
      powder('pigment-powder', '#b4652d', 'Third rust: neat pigment in the pits; tap the rest off.'),
    ],
  },
  {
    id: 'oxidised',
    name: 'Oxidised bloom',
    about: 'Blue-green or white crust sponged where water would stand, left patchy on purpose.',
    goes: 'with-weathering',
    steps: [
      dabbed('#6fae9c', {
        placement: 'recesses',
        wanted: ['patchy'],
        note: 'A stiff torn sponge, hardly any paint.',
      }),
    ],
  },
  {
    id: 'edge-wear',
    name: 'Edge wear',
    about: 'Bare metal where hands and straps rub.',
    goes: 'with-weathering',
    steps: [
      dabbed('#b9bdbf', {
        placement: 'edges',
        note: 'Small and broken; more on corners than along straight edges.',
      }),
    ],
  },
  {
    id: 'chipped',
    name: 'Chipped top colour',
    about: 'Another colour over the one that is there, chipped while it is fresh.',
    goes: 'over-colour',
    steps: [
      {
        kind: 'weather',
        options: [
          { material: 'chip-resist', method: 'sponge' },
          { material: 'chip-resist', method: 'brush' },
        ],
        placement: 'worn-spots',
        note: 'Resist where paint would have flaked.',
      },
      plain('#8a3b2c', 1, 'light'),
      {
        kind: 'weather',
        minutes: 15,
        note: 'When touch-dry, wipe and pick the colour off the resist with a damp stiff brush; rinse the residue.',
      },
    ],
  },
  {
    id: 'dust',
    name: 'Dust and earth',
    about: 'Dry powder in corners and along the lower third.',
    goes: 'with-weathering',
    steps: [powder('earth-dab', '#9b8a6c', 'Where it would gather: corners, under rims, low down.')],
  },
  {
    id: 'heat-tint',
    name: 'Heat tint',
    about: 'Straw, violet and blue in bands, as on hot metal.',
    goes: 'with-weathering',
    steps: [
      misted('#b08a3a', 'Straw furthest out, a wide soft band.'),
      misted('#6a4a7a', 'Violet inside it, overlapping by half.'),
      misted('#2f4f8a', 'Blue nearest the heat, narrowest.'),
    ],
  },
  {
    id: 'leather-streaks',
    name: 'Leather streaks',
    about: 'A darker tone dragged in one direction.',
    goes: 'with-weathering',
    steps: [
      wash('#2a1a10', { placement: 'lines', note: 'A worn bristle brush, nearly dry, always the same way.' }),
      edges('#a07850', { extra: false }),
    ],
  },
  {
    id: 'gradient',
    name: 'Gradient',
    about: 'Darker from one edge, or to the tips.',
    goes: 'with-weathering',
    steps: [misted('#2e2a2a', 'From the edge inwards, stopping early: it dries darker.')],
  },
  {
    id: 'broken-white',
    name: 'Outlined and broken white',
    about: 'Shadows along the outline, specks, then the white drawn back over.',
    goes: 'with-weathering',
    steps: [
      wash('#8c7f6a', { note: 'Along the outline and into recesses; wipe the middle clean.' }),
      wash('#6f6556', { placement: 'splatter', note: 'A little spatter, so that it does not look drawn.' }),
      misted('#f2efe6', 'Near-white over the middle, until the shadow sits in.'),
    ],
  },
  {
    id: 'layered-gold',
    name: 'Layered gold in three tones',
    about: 'Darkest in the hollows, mid over most, brightest only where light falls.',
    goes: 'with-weathering',
    steps: [
      wash('#4a3317', { note: 'Darkest: into every hollow, wiped back.' }),
      dabbed('#b8892f', { placement: 'high-points', note: 'Mid: over what stands out.' }),
      edges('#ecd48a', { placement: 'edges', extra: false, note: 'Brightest: upper edges only.' }),
    ],
  },
  {
    id: 'stippled-leather',
    name: 'Stippled leather',
    about: 'Fine grain in a second tone.',
    goes: 'with-weathering',
    steps: [
      dabbed('#4a3020', {
        placement: 'worn-spots',
        wanted: ['patchy'],
        note: 'Straight up and down, close together.',
      }),
    ],
  },
  {
    id: 'slime',
    name: 'Slime',
    about: 'Pale drops under clear epoxy that stays wet-looking. For parts that do not bend.',
    goes: 'with-weathering',
    steps: [
      dabbed('#9fca4a', { placement: 'recesses', note: 'Pale green where drops would gather.' }),
      {
        kind: 'topcoat',
        waitFor: 'day',
        options: [{ material: 'epoxy-clear', method: 'brush', film: 'light' }],
        placement: 'recesses',
        note: 'Runs and drops only; rework every few minutes until it holds its shape.',
      },
    ],
  },
];

/** The finishes to add to any piece, in the order of a menu. */
export const finishes: readonly Finish[] = drafts.map(({ steps, ...rest }) => ({
  ...rest,
  // Read as a look's steps are, so that what is left out is filled in the same way.
  steps: lookSchema.shape.steps.parse(steps),
}));
