import { cleaningTable } from '../model/cleanings';
import { hazardsOf, type Hazard } from '../model/hazards';
import type { Material } from '../model/materialSchema';
import { methodTable, type Method } from '../model/methods';
import type { Step } from '../model/schema';
import { stepKindTable } from '../model/stepKinds';

/**
 * What to wear and mind at a step, in one or two short sentences; undefined when there is nothing beyond clean hands.
 * It repeats common label advice and defers to the label and the safety data sheet (docs/domain.md, "Safety").
 */
export function safetyLine(step: Step, method: Method, material: Material | undefined): string | undefined {
  const hazards = hazardsOf(material, method);
  if (hazards.has('isocyanate')) {
    return 'Isocyanate: for licensed practice with supplied air only. Follow the safety data sheet and local rules.';
  }
  const own = hazardLines.filter(([hazard]) => hazards.has(hazard)).map(([, line]) => line);
  const wear = gearLine(step, method, hazards);
  // A word of its own for what the gear does not cover; what merely repeats the gear is left out.
  const more = wear === undefined ? own.slice(0, 2) : own.filter((line) => alwaysSaid.has(line));
  const lines = [...(wear === undefined ? [] : [wear]), ...more];
  if (lines.length === 0) {
    if (hazards.has('vapour')) return 'Moving air; keep it off skin and eyes.';
    if (hazards.has('skin') || hazards.has('metal powder')) return 'Gloves.';
    return hazards.has('particles') ? 'Moving air.' : undefined;
  }
  return lines.join(' ');
}

const allergy = 'Natural latex: keep away from anyone with the allergy; air the room of ammonia.';
const sensitiser = 'Gloves, sleeves and eye cover: resins can sensitise skin. The safety data sheet wins.';

/** What hazards ask for by themselves, the gravest first. */
const hazardLines: readonly (readonly [hazard: Hazard, line: string])[] = [
  ['sensitiser', sensitiser],
  ['latex allergy', allergy],
  ['dust', 'Particle mask: fine dust.'],
  ['burns', 'Hot glue burns: keep water near.'],
  ['self-heating rags', 'Gloves; oily rags lie flat to dry, as they can heat themselves.'],
];
/** Said beside whatever is worn. */
const alwaysSaid = new Set([allergy, sensitiser]);

/** What to wear for how it is done, and for what it gives off. */
function gearLine(step: Step, method: Method, hazards: ReadonlySet<Hazard>): string | undefined {
  const { sprays, heats, abrades, isLittle = false, hasPropellant = false } = methodTable[method];
  if (hazards.has('organic vapour') && isLittle) return 'Moving air; no flame near.';
  if (hazards.has('organic vapour')) {
    const gear = sprays
      ? 'Mask with organic-vapour cartridges and particle filter, gloves, eye cover'
      : 'Organic-vapour mask and gloves';
    return `${gear}; outdoors or with extraction. No flame, heater or spark near.${hazards.has('self-heating rags') ? ' Oily rags lie flat to dry.' : ''} The label wins.`;
  }
  if (sprays)
    return `Particle mask and eye cover; moving air.${hasPropellant ? ' No flame or heater near: the propellant burns.' : ''} The label wins.`;
  const kind = stepKindTable[step.kind];
  if (kind.heats || heats)
    return 'Hot foam fumes: windows open, mask on, nothing flammable near. PVC is never heated.';
  if (step.texture === 'burned')
    return 'Burned foam gives off toxic fumes: extraction or an open window, and a mask.';
  if (kind.abrades || abrades || step.texture === 'ground')
    return step.thinWith === 'water'
      ? 'Wet, so that no dust flies; gloves. Wipe the slurry up before it dries.'
      : 'Particle mask and goggles; vacuum the dust.';
  if (step.cleans !== undefined && cleaningTable[step.cleans].withSolvent)
    return 'Gloves and moving air with any solvent; no flame near.';
  if (step.trims) return 'Cut away from you. Particle mask and goggles where a tool throws dust.';
  // Rounding edges is what most prep is.
  if (step.kind === 'prep' && step.cleans === undefined)
    return 'Particle mask and goggles where a tool throws dust.';
  return undefined;
}
