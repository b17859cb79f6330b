import { converter } from 'culori';
import { reachesOver, tapeBetweenMm } from '../facts/tape';
import type { Piece, Step, Zone } from '../model/schema';
import type { Material } from '../model/materialSchema';
import { handsOn, tapeMinutes as minutesOfTape } from '../quantity/handsOn';
import { nth } from '../model/sure';
import { sayM } from '../model/sayMeasure';

/** The coats of some zones that come out the same, to be brought into an order with those of the others. */
export interface ZoneFinish {
  zones: Zone[];
  steps: Step[];
  /** The same by tools that keep to the edge, where there is such a way. */
  byHand?: Step[];
}

/** The order in which zones are painted, the tape that takes, and why. */
export interface FinishPlan {
  steps: Step[];
  /** In painting order, the first zone of each group. */
  order: string[];
  /** Tape to lay, mm. */
  tapeMm: number;
  /** One sentence a group, in painting order. */
  why: string[];
}

export interface FinishOptions {
  /** Gives ids for the mask and unmask steps. */
  freshId: (stem: string) => string;
  /** Zones in the order the user wants them painted. */
  order?: readonly string[] | undefined;
  /** Where tape is laid and pulled; where the coats are laid unless given. */
  tapePlace?: string | undefined;
  /** The stops to look over what was taped, and all colours; none without it. */
  lookOver?: (at: 'pulled' | 'coloured') => Step[];
  /** Hands-on minutes of some coats, those that are cut in by hand along so many mm; without it only tape is compared. */
  minutesOf?: (steps: readonly Step[], cutInMm: number) => number;
  materials: ReadonlyMap<string, Material>;
}

const lab = converter('lab');
/** A lighter zone that was dirtied takes a coat more, about ten minutes for fifty steps of lightness. */
const STAIN_MINUTES_PER_LIGHTNESS = 0.2;
/** Tape waits until what it goes on is tape-safe, and is pulled while the next coat is fresh: worth so many minutes of work by hand. */
const TAPE_WAIT_MINUTES = 15;
const MOST_GROUPS_TRIED = 6;

const lightnessOf = (colour: string | undefined) => (colour ? (lab(colour)?.l ?? 50) : 50);
const mainColour = (finish: ZoneFinish) =>
  finish.steps.find((step) => step.kind === 'base' && step.colour)?.colour;
const shareOf = ({ zones }: ZoneFinish) => zones.reduce((sum, { share }) => sum + share, 0);
const idsOf = (finishes: readonly ZoneFinish[]) =>
  finishes.flatMap(({ zones, steps }) => (steps.length > 0 ? zones.map(({ id }) => id) : []));
const nameOf = ({ zones }: ZoneFinish) => zones.map(({ name }) => name).join(' and ');

/** How one group is painted when its turn comes: as it is meant, taped where that reaches over; or by hand up to the edge. */
interface Turn {
  finish: ZoneFinish;
  steps: Step[];
  isTaped: boolean;
  tapeMm: number;
  minutes: number;
  stainMinutes: number;
  /** The other way, where there was a choice. */
  other?: { tapeMm: number; minutes: number };
}

/** What tips the choice between tape and a steady hand, minutes: hands, what is spilled on, and waiting for tape. */
const trouble = ({ minutes, stainMinutes, isTaped }: Turn): number =>
  minutes + stainMinutes + (isTaped ? TAPE_WAIT_MINUTES : 0);

/** Tries orders and tools of some groups of zones on one piece. */
class Painting {
  constructor(
    private readonly piece: Piece,
    private readonly options: FinishOptions,
  ) {}

  turns(order: readonly ZoneFinish[]): Turn[] {
    return order.map((finish, at) => this.turn(finish, order.slice(0, at), order.slice(at + 1)));
  }

  cost(order: readonly ZoneFinish[]): number {
    return this.turns(order).reduce((sum, turn) => sum + turn.minutes + turn.stainMinutes, 0);
  }

  private turn(finish: ZoneFinish, earlier: readonly ZoneFinish[], later: readonly ZoneFinish[]): Turn {
    const meant = this.way(finish, finish.steps, earlier, later);
    if (!finish.byHand) return meant;
    const byHand = this.way(finish, finish.byHand, earlier, later);
    // What needs no tape as it is meant is done as it is meant.
    const [taken, other] =
      meant.isTaped && trouble(byHand) < trouble(meant) ? [byHand, meant] : [meant, byHand];
    return meant.isTaped ? { ...taken, other } : meant;
  }

  /** Minutes of looking the edges over once tape is off; those of the last are looked at with the colours. */
  private lookMinutes(later: readonly ZoneFinish[]): number {
    if (later.length === 0 || !this.options.lookOver) return 0;
    const { areaCm2 } = this.piece.faces.outer;
    const { setUpMinutes, workMinutes } = handsOn({ id: 'look', kind: 'inspect' }, 'hand', undefined, {
      areaCm2,
    });
    return setUpMinutes + workMinutes;
  }

  private way(
    finish: ZoneFinish,
    steps: Step[],
    earlier: readonly ZoneFinish[],
    later: readonly ZoneFinish[],
  ): Turn {
    const [colours] = coloursFirst(steps, this.options.materials);
    const edges = [finish, ...earlier].flatMap(({ zones }) => zones);
    const reaches = colours.some((step) =>
      reachesOver(step, this.options.materials.get(step.material ?? ''), edges),
    );
    const covered = idsOf(earlier);
    const isTaped = reaches && covered.length > 0;
    const meetsMm = covered.length > 0 ? tapeBetweenMm(this.piece, covered, idsOf([finish])) : 0;
    const tapeMm = isTaped ? meetsMm : 0;
    const tapeMinutes = isTaped ? minutesOfTape(tapeMm) + this.lookMinutes(later) : 0;
    const stain = reaches
      ? later.reduce(
          (sum, other) => sum + Math.max(0, lightnessOf(mainColour(other)) - lightnessOf(mainColour(finish))),
          0,
        )
      : 0;
    return {
      finish,
      steps,
      isTaped,
      tapeMm,
      minutes: (this.options.minutesOf?.(colours, isTaped ? 0 : meetsMm) ?? 0) + tapeMinutes,
      stainMinutes: STAIN_MINUTES_PER_LIGHTNESS * stain,
    };
  }
}

/** The steps of a group up to its last colour, or to where that is chipped while it is fresh; and those that come after. */
export function coloursFirst(
  steps: readonly Step[],
  materials: ReadonlyMap<string, Material>,
): [colours: Step[], weathering: Step[]] {
  const last = steps.findLastIndex((step) => {
    const { kind, material } = step;
    if (kind === 'topcoat') return false;
    return (
      !['weather', 'attach', 'inspect'].includes(kind) ||
      (kind === 'weather' && material === undefined) ||
      reachesOver(step, materials.get(material ?? ''))
    );
  });
  return [steps.slice(0, last + 1), steps.slice(last + 1)];
}

function* permutations<T>(list: readonly T[]): Generator<T[]> {
  if (list.length <= 1) {
    yield [...list];
    return;
  }
  for (let at = 0; at < list.length; at += 1) {
    for (const rest of permutations([...list.slice(0, at), ...list.slice(at + 1)]))
      yield [nth(list, at), ...rest];
  }
}

/** Light before dark, and of equals large before small: the order people start from, and how ties are broken. */
function habitual(finishes: readonly ZoneFinish[]): ZoneFinish[] {
  const lead = ({ zones: [first] }: ZoneFinish) => first?.id ?? '';
  return [...finishes].sort(
    (a, b) =>
      lightnessOf(mainColour(b)) - lightnessOf(mainColour(a)) ||
      shareOf(b) - shareOf(a) ||
      lead(a).localeCompare(lead(b)),
  );
}

/**
 * Brings the coats of several groups of zones into one list: paint, mask, paint, unmask, in the least time. A group painted with
 * a tool that reaches over its edge has all that is painted before it taped, or is brushed up to the edge where that is quicker. All
 * colours come first: tape takes loose powder and soft washes off, so that weathering waits until none is needed any more, and is
 * done in one go where zones want the same. Every order of up to six groups is tried; an order of one's own can be given.
 */
export function finishAcrossZones(
  piece: Piece,
  finishes: readonly ZoneFinish[],
  options: FinishOptions,
): FinishPlan {
  const painting = new Painting(piece, options);
  const { order, freshId, lookOver = () => [] } = options;
  let chosen = habitual(finishes);
  if (order) {
    const rank = ({ zones }: ZoneFinish) =>
      Math.min(...zones.map(({ id }) => (order.includes(id) ? order.indexOf(id) : order.length)));
    chosen = [...finishes].sort((a, b) => rank(a) - rank(b));
  } else if (finishes.length <= MOST_GROUPS_TRIED) {
    let best = painting.cost(chosen);
    for (const candidate of permutations(chosen)) {
      const cost = painting.cost(candidate);
      if (cost < best - 1e-9) [chosen, best] = [candidate, cost];
    }
  }

  const steps: Step[] = [];
  const worn: Step[][] = [];
  const turns = painting.turns(chosen);
  turns.forEach((turn, at) => {
    const [colours, weathering] = coloursFirst(turn.steps, options.materials);
    worn.push(weathering);
    const place = options.tapePlace ?? colours[0]?.place;
    const tape = { zones: idsOf(chosen.slice(0, at)), ...(place === undefined ? {} : { place }) };
    if (turn.isTaped)
      steps.push({
        id: freshId('mask'),
        kind: 'mask',
        ...tape,
        note: 'Low-tack tape, burnished into the edge.',
      });
    steps.push(...colours);
    if (turn.isTaped)
      steps.push({
        id: freshId('unmask'),
        kind: 'unmask',
        ...tape,
        note: 'Pull it back on itself while the new paint is touch-dry.',
      });
    // The edges of the last tape are looked at with the colours.
    const isLast = at === turns.length - 1;
    if (turn.isTaped && !isLast) steps.push(...lookOver('pulled'));
  });
  if (steps.length > 0) steps.push(...lookOver('coloured'));
  return {
    steps: [...steps, ...together(worn, piece.zones?.length ?? 0)],
    order: chosen.flatMap(({ zones: [first] }) => first?.id ?? []),
    tapeMm: Math.round(turns.reduce((sum, { tapeMm }) => sum + tapeMm, 0)),
    why: turns.map((turn, at) => reason(turn, at, chosen)),
  };
}

/** What a step does, whatever it is called and wherever it goes. */
const doings = ({ id: _id, zones: _zones, ...rest }: Step): string => JSON.stringify(rest);

/**
 * Lists of steps for several groups of zones as one list, each in its own order; what several have in common is one step on all their
 * zones. A step on all there are names none.
 */
function together(lists: readonly (readonly Step[])[], zoneCount: number): Step[] {
  const joined: Step[] = [];
  for (const list of lists) {
    let from = 0;
    for (const step of list) {
      const at = joined.findIndex((other, n) => n >= from && doings(other) === doings(step));
      if (at < 0) {
        joined.splice(from === 0 ? joined.length : from, 0, step);
        from = (from === 0 ? joined.length - 1 : from) + 1;
      } else {
        const other = nth(joined, at);
        joined[at] = { ...other, zones: [...(other.zones ?? []), ...(step.zones ?? [])] };
        from = at + 1;
      }
    }
  }
  return joined.map((step) => {
    if (step.zones === undefined || step.zones.length < zoneCount) return step;
    const { zones: _all, ...rest } = step;
    return rest;
  });
}

function reason(turn: Turn, at: number, order: readonly ZoneFinish[]): string {
  const { finish, isTaped, tapeMm, minutes, other } = turn;
  const name = nameOf(finish);
  if (finish.steps.length === 0) return `${name}: no coats of its own.`;
  const both = (one: { minutes: number }, word: string) => `${word}, ${Math.round(one.minutes)} min`;
  if (isTaped) {
    const earlier = order.slice(0, at).filter(({ steps }) => steps.length > 0);
    const text = `${name}: after ${earlier.map(nameOf).join(' and ')}, which ${
      earlier.length === 1 && nth(earlier, 0).zones.length === 1 ? 'is' : 'are'
    } taped first`;
    return other
      ? `${text}: ${both(turn, `${sayM(tapeMm / 1000)} of tape`)}; ${both(other, 'brushed up to the edge')}.`
      : `${text}.`;
  }
  if (other && other.tapeMm > 0)
    return `${name}: ${both({ minutes }, 'brushed up to the edge')}; ${both(other, `with ${sayM(other.tapeMm / 1000)} of tape`)}.`;
  if (at === 0)
    return `${name} first: ${order.length > 1 ? 'it takes no tape, and what it spills on is painted over' : 'it stands alone'}.`;
  return `${name}: brushed by hand up to the edge, so it needs no tape.`;
}
