import { pigmentIds, type PigmentId } from '../model/pigmentIds';
import { pigmentTable } from '../model/pigments';
import { nth } from '../model/sure';
import { labOfBlend, tintOf, type Tint } from './blend';
import { labDeltaE, labDistance, labOf, type LabD65 } from './lab';
import { spectrumOf, xyzOf } from './spectrum';

/** A pigment in a paint, and how much of it: only the shares count. */
export interface PigmentPart {
  pigment: PigmentId;
  parts: number;
}

/** What a paint is made of, as far as its colour tells. */
export interface PigmentGuess {
  parts: PigmentPart[];
  /** How far these pigments come from the colour, ΔE00. */
  deltaE: number;
}

interface Candidate extends Tint {
  id: PigmentId;
  flakes: boolean;
}

const candidates: Candidate[] = pigmentIds
  .filter((id) => !pigmentTable[id].onlyIfNamed)
  .map((id) => {
    const { masstone, strength, flakes = false } = pigmentTable[id];
    return { id, flakes, ...tintOf(spectrumOf(masstone), strength) };
  });

/** Parts by volume of a second and a third pigment to one of the first that are tried. */
const SHARES = [0.003, 0.007, 0.015, 0.03, 0.07, 0.15, 0.3, 0.6, 1];
/** By how much a share is changed at a time to come nearer. */
const NUDGE = 1.12;
/** A pigment more has to bring the colour nearer by so much. */
const COST_A_PIGMENT = 1.5;
/** Of two that come as near, the one that hides better is likelier: a little where the colour is clean, much where it is muted. */
const COST_OF_WEAK = 0.2;
const COST_OF_WEAK_MUTED = 3;
/** From this chroma on a colour is clean. White dulls it, so that paint makers put little in: so much for all of it by unit of chroma. */
const CLEAN_CHROMA = 40;
const COST_OF_WHITE = 0.25;
const PAIRS_KEPT = 6;

interface Try {
  parts: { candidate: Candidate; parts: number }[];
  cost: number;
}

const labOfTry = (parts: Try['parts']): LabD65 =>
  labOfBlend(
    parts.map(({ candidate }) => candidate),
    parts.map(({ parts: own }) => own),
  );

const known = new Map<string, PigmentGuess>();

/**
 * The pigments that a paint of some colour is most likely made of: up to three, by volume, that come nearest to it. A guess: where the
 * label names them, the label is right.
 * @param colour `#rrggbb`
 * @param isMetallic whether it looks like metal: then at least half of it is flakes, else there are none
 */
export function pigmentsOf(colour: string, isMetallic = false): PigmentGuess {
  const key = `${colour.toLowerCase()} ${isMetallic}`;
  const found = known.get(key) ?? guess(colour, isMetallic);
  known.set(key, found);
  return found;
}

function guess(colour: string, isMetallic: boolean): PigmentGuess {
  const wanted = labOf(xyzOf(spectrumOf(colour)));
  const chroma = Math.hypot(wanted[1], wanted[2]);
  const dulling = COST_OF_WHITE * Math.max(0, chroma - CLEAN_CHROMA);
  const weakness = COST_OF_WEAK + COST_OF_WEAK_MUTED * Math.max(0, 1 - chroma / CLEAN_CHROMA);
  const priced = (parts: Try['parts']): Try => ({
    parts,
    cost:
      labDistance(labOfTry(parts), wanted) +
      COST_A_PIGMENT * (parts.length - 1) +
      weakness * hideOf(parts.map(({ candidate, parts: own }) => ({ pigment: candidate.id, parts: own }))) +
      dulling * shareOf(parts, 'titanium-white'),
  });
  const firsts = candidates.filter(({ flakes }) => flakes === isMetallic);
  // Flakes never go beside plain pigments where nothing shines.
  const others = candidates.filter(({ flakes }) => isMetallic || !flakes);
  const singles = firsts.map((candidate) => priced([{ candidate, parts: 1 }]));
  const add = (to: Try): Try[] =>
    others.flatMap((candidate) =>
      to.parts.some((one) => one.candidate === candidate)
        ? []
        : SHARES.map((parts) => priced([...to.parts, { candidate, parts }])),
    );
  const byCost = (one: Try, other: Try) => one.cost - other.cost;
  const pairs = singles.flatMap(add).sort(byCost).slice(0, PAIRS_KEPT);
  const best = nudged(nth([...singles, ...pairs, ...pairs.flatMap(add)].sort(byCost), 0));
  return {
    parts: best.parts.map(({ candidate, parts }) => ({ pigment: candidate.id, parts })),
    deltaE: labDeltaE(labOfTry(best.parts), wanted),
  };

  /** The same pigments in the shares that come nearest. */
  function nudged(from: Try): Try {
    let now = from;
    for (let isNearer = true; isNearer;) {
      const tries = now.parts
        .slice(1)
        .flatMap((_, at) =>
          [NUDGE, 1 / NUDGE].map((by) =>
            priced(now.parts.map((one, n) => (n === at + 1 ? { ...one, parts: one.parts * by } : one))),
          ),
        );
      const next = tries.sort(byCost)[0];
      isNearer = next !== undefined && next.cost < now.cost - 0.001;
      if (isNearer) now = next!;
    }
    return now;
  }
}

const shareOf = (parts: Try['parts'], id: PigmentId): number =>
  (parts.find(({ candidate }) => candidate.id === id)?.parts ?? 0) /
  parts.reduce((sum, one) => sum + one.parts, 0);

/** How much film a blend of pigments takes to hide, as a multiple of its material's figure: hiding power goes by volume. */
export function hideOf(parts: readonly PigmentPart[]): number {
  const all = parts.reduce((sum, one) => sum + one.parts, 0);
  return all / parts.reduce((sum, one) => sum + one.parts / pigmentTable[one.pigment].hide, 0);
}

/** How strongly a blend of pigments tints, titanium white 1. */
export function strengthOf(parts: readonly PigmentPart[]): number {
  const all = parts.reduce((sum, one) => sum + one.parts, 0);
  return parts.reduce((sum, one) => sum + one.parts * pigmentTable[one.pigment].strength, 0) / all;
}
