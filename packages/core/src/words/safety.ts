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
  const own = hazardLines.filter(([hazard]) => hazards.includes(hazard)).map(([, line]) => line);
  const wear = gearLine(step, method, hazards);
  // A word of its own for what the gear does not cover; what merely repeats the gear is left out.
  const more = wear === undefined ? own.slice(0, 2) : own.filter((line) => alwaysSaid.has(line));
  const lines = [...(wear === undefined ? [] : [wear]), ...more];
  if (lines.length === 0) {
    if (hazards.includes('vapour')) return 'Moving air; keep it off skin and eyes.';
    if (hazards.includes('skin') || hazards.includes('metal powder')) return 'Gloves.';
    return hazards.includes('particles') ? 'Moving air.' : undefined;
  }
  return lines.join(' ');
}

const allergy = 'Natural latex: keep away from anyone with the allergy; air the room of ammonia.';
const sensitiser = 'Gloves and sleeves: resins can sensitise skin. The safety data sheet wins.';

/** What hazards ask for by themselves, the gravest first. */
const hazardLines: readonly (readonly [hazard: string, line: string])[] = [
  ['sensitiser', sensitiser],
  ['latex', allergy],
  ['dust', 'Particle mask: fine dust.'],
  ['burns', 'Hot glue burns: keep water near.'],
  ['self-heating', 'Gloves; oily rags lie flat to dry, as they can heat themselves.'],
];
/** Said beside whatever is worn. */
const alwaysSaid = new Set([allergy, sensitiser]);

/** What to wear for how it is done, and for what it gives off. */
function gearLine(step: Step, method: Method, hazards: string): string | undefined {
  const { sprays, heats, abrades } = methodTable[method];
  if (hazards.includes('organic vapour')) {
    const gear = sprays
      ? 'Mask with organic-vapour cartridges and particle filter, gloves, eye cover'
      : 'Organic-vapour mask and gloves';
    return `${gear}; outdoors or with extraction. No flame, heater or spark near.${hazards.includes('self-heating') ? ' Oily rags lie flat to dry.' : ''} The label wins.`;
  }
  if (sprays) return 'Particle mask and eye cover; moving air. The label wins.';
  if (stepKindTable[step.kind].heats || heats)
    return 'Hot foam fumes: windows open, mask on, nothing flammable near. PVC is never heated.';
  if (stepKindTable[step.kind].abrades || abrades) return 'Particle mask and goggles; vacuum the dust.';
  return undefined;
}
