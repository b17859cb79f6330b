import type { Idea, WayOut } from './finding';

/**
 * What a way out costs, on one scale, so that ways can be ranked: a day lost counts 1, a material to buy half a day, 50 ml
 * of material a tenth, a slight change of look half a day, another look ten days, a new risk two, a piece that becomes late five,
 * what is not the rule's own cure three, and each cure that its rule names before it three tenths of a day.
 */
export const weights = {
  notItsCure: 3,
  laterCure: 0.3,
  day: 1,
  buy: 0.5,
  ml: 0.002,
  look: { same: 0, slight: 0.5, other: 10 },
  risk: 2,
  late: 5,
};

/** @param cure how many cures its rule names before this one */
export const costScore = (way: WayOut & Pick<Idea, 'isCure'>, cure = 0): number =>
  (way.isCure ? weights.laterCure * cure : weights.notItsCure) +
  (Math.max(0, way.laterMinutes ?? 0) / 1440) * weights.day +
  way.buys.length * weights.buy +
  Math.max(0, way.extraMl) * weights.ml +
  weights.look[way.look] +
  way.newRisks.length * weights.risk +
  way.makesLate.length * weights.late;
