import type { Step } from '../model/schema';
import type { Material } from '../model/materialSchema';
import { methodTable, type Method } from '../model/methods';
import { stepKindTable } from '../model/stepKinds';

/**
 * What to wear and mind at a step, in one or two short sentences; undefined when there is nothing beyond clean hands.
 * It repeats common label advice and defers to the label and the safety data sheet (docs/domain.md, "Safety").
 */
export function safetyLine(step: Step, method: Method, material: Material | undefined): string | undefined {
  const hazards = material?.hazards.join(' ') ?? '';
  if (hazards.includes('isocyanate')) {
    return 'Isocyanate: for licensed practice with supplied air only. Follow the safety data sheet and local rules.';
  }
  const spraying = methodTable[method].sprays;
  if (hazards.includes('organic vapour')) {
    const gear = spraying
      ? 'Mask with organic-vapour cartridges and particle filter, gloves, eye cover'
      : 'Organic-vapour mask and gloves';
    return `${gear}; outdoors or with extraction. No flame, heater or spark near.${hazards.includes('self-heating') ? ' Oily rags lie flat to dry.' : ''} The label wins.`;
  }
  if (spraying) return 'Particle mask and eye cover; moving air. The label wins.';
  if (stepKindTable[step.kind].heats || methodTable[method].heats) {
    return 'Hot foam fumes: windows open, mask on, nothing flammable near. PVC is never heated.';
  }
  if (stepKindTable[step.kind].abrades || methodTable[method].abrades)
    return 'Particle mask and goggles; vacuum the dust.';
  if (hazards.includes('sensitiser'))
    return 'Gloves and sleeves: resins can sensitise skin. The safety data sheet wins.';
  if (hazards.includes('latex'))
    return 'Natural latex: keep away from anyone with the allergy; air the room of ammonia.';
  if (hazards.includes('dust')) return 'Particle mask: fine dust.';
  if (hazards.includes('burns')) return 'Hot glue burns: keep water near.';
  if (hazards.includes('self-heating'))
    return 'Gloves; oily rags lie flat to dry, as they can heat themselves.';
  if (hazards.includes('vapour')) return 'Moving air; keep it off skin and eyes.';
  if (hazards.includes('skin') || hazards.includes('metal powder')) return 'Gloves.';
  if (hazards.includes('particles')) return 'Moving air.';
  return undefined;
}
