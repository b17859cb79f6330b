import { sameTint } from '../colour/tint';
import { capitalised } from '../model/capitalised';
import type { Material } from '../model/materialSchema';
import type { NewColour } from '../model/palette';
import type { Build, Step } from '../model/schema';
import { has } from '../model/traits';
import { comesInColours } from '../quantity/needs';
import { colourWords, metalWords } from '../words/colourWords';

/** How they stand in a palette that is made of them. */
const order: readonly NewColour['role'][] = ['base', 'metal', 'accent', 'light', 'shade', 'rust'];

interface Found {
  colour: string;
  material: Material;
  uses: number;
  role: NewColour['role'];
}

/**
 * The colours that the steps of a build are laid in and that its palette has not, each once with what it is first laid with: what makes the
 * colour of a piece first, then what goes over it; most used first.
 */
export function coloursInUse(build: Build, materials: ReadonlyMap<string, Material>): NewColour[] {
  const found: Found[] = [];
  for (const { steps } of build.pieces)
    for (const { material: id, colour, kind, palette } of steps) {
      const material = id === undefined ? undefined : materials.get(id);
      if (!material || !colour || palette !== undefined) continue;
      if (!comesInColours(material) && material.role !== 'weather') continue;
      const isMetal = has(material, 'metallic');
      const known = found.find(
        (one) => has(one.material, 'metallic') === isMetal && sameTint(one.colour, colour),
      );
      if (known) known.uses += 1;
      else found.push({ colour, material, uses: 1, role: roleOf(isMetal, kind) });
    }
  const taken = new Set((build.palette ?? []).map(({ name }) => name));
  return found
    .sort((one, other) => order.indexOf(one.role) - order.indexOf(other.role) || other.uses - one.uses)
    .map(({ colour, material, role }) => {
      const stem = capitalised(role === 'metal' ? metalWords(colour) : colourWords(colour));
      let name = stem;
      for (let n = 2; taken.has(name); n += 1) name = `${stem} ${n}`;
      taken.add(name);
      return { name, role, colour, material: material.id };
    });
}

function roleOf(isMetal: boolean, kind: Step['kind']): NewColour['role'] {
  if (isMetal) return 'metal';
  if (kind === 'weather') return 'shade';
  return kind === 'detail' ? 'accent' : 'base';
}
