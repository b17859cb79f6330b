import type { Material } from '../model/materialSchema';
import type { PigmentId } from '../model/pigmentIds';
import { has } from '../model/traits';
import { comesInColours } from '../quantity/needs';
import { filmOver, hidingScatter } from './film';
import { hideOf, pigmentsOf, strengthOf, type PigmentPart } from './pigmentsOf';
import { spectrumOf, type Spectrum } from './spectrum';

/** What is asked of a material to know how its film looks. */
export type Paint = Pick<Material, 'hideUm' | 'colour' | 'role' | 'methods' | 'traits' | 'pigments'>;

/** How a material in some colour covers and tints. */
export interface PaintFigures {
  /** What a thick film of it reflects. */
  masstone: Spectrum;
  /** Scattering, 1/µm of dry film; undefined for what is clear. */
  scatterPerUm: number | undefined;
  /** Dry film that hides 98 %, µm; undefined for what is clear. */
  hideUm: number | undefined;
  /** Tinting strength, titanium white 1. */
  strength: number;
  /** What it is made of; empty where its own figures say all. */
  pigments: PigmentPart[];
  /** How far the pigments that were guessed come from the colour, ΔE00; 0 where they are named. */
  guessedWithin: number;
}

const known = new WeakMap<Paint, Map<string, PaintFigures>>();

/**
 * How a material covers in some colour. What comes in many colours hides as well as its pigments let it, which are those it names or else
 * those its colour tells of; what is only ever one colour has its own figure.
 * @param colour what it is mixed to, `#rrggbb`
 */
export function paintFigures(material: Paint, colour: string): PaintFigures {
  const own = known.get(material) ?? new Map<string, PaintFigures>();
  known.set(material, own);
  const key = colour.toLowerCase();
  const found = own.get(key) ?? findFigures(material, key);
  own.set(key, found);
  return found;
}

function findFigures(material: Paint, colour: string): PaintFigures {
  const masstone = spectrumOf(colour);
  const { pigments, guessedWithin } = madeOf(material, colour);
  const hideUm =
    material.hideUm === undefined
      ? undefined
      : material.hideUm * (pigments.length === 0 ? 1 : hideOf(pigments));
  return {
    masstone,
    hideUm,
    scatterPerUm: hideUm === undefined ? undefined : hidingScatter(masstone) / hideUm,
    strength: pigments.length === 0 ? 1 : strengthOf(pigments),
    pigments,
    guessedWithin,
  };
}

function madeOf(material: Paint, colour: string): Pick<PaintFigures, 'pigments' | 'guessedWithin'> {
  if (material.pigments)
    return {
      pigments: material.pigments.map((pigment: PigmentId) => ({ pigment, parts: 1 })),
      guessedWithin: 0,
    };
  if (!comesInColours(material)) return { pigments: [], guessedWithin: 0 };
  const { parts, deltaE } = pigmentsOf(colour, has(material, 'metallic'));
  return { pigments: parts, guessedWithin: deltaE };
}

/** What a film of a material in some colour looks like over a ground; the ground itself for what is clear. */
export function paintOver(ground: Spectrum, material: Paint, colour: string, filmUm: number): Spectrum {
  const { masstone, scatterPerUm } = paintFigures(material, colour);
  return scatterPerUm === undefined ? ground : filmOver(ground, masstone, scatterPerUm * filmUm);
}
