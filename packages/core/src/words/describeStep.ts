import type { Build, Piece, Step } from '../model/schema';
import { parseRecoat } from '../materials/material';
import { handsOn } from '../quantity/handsOn';
import { cutEdgeCm2, passArea } from '../facts/passArea';
import { workLengthMm } from '../facts/workLength';
import { recoatFactor } from '../drying/filmTimes';
import { sayWait } from '../model/wallTime';
import { stepKindTable } from '../model/stepKinds';
import { coatsWords } from './stepWords';
import { filmFactorOf } from '../materials/film';
import type { Material } from '../model/materialSchema';
import { lookingTable } from '../model/lookOverChecks';
import { methodWords } from '../model/methods';
import { passDetails } from './passDetails';
import { facesOf, methodOf, unitsOf } from '../model/stepSpots';

/**
 * A step in one line: how much of what, with which tool, on what, where, how long a pass takes and how long it waits.
 * Waits are label times for this film; the plan knows those of the room's air.
 * @example "2 light coats of Flexible PVA foam primer · brush · both faces · Spare room · 10 min a pass · then 21 min"
 */
export function describeStep(build: Build, piece: Piece, step: Step, material: Material | undefined): string {
  const method = methodOf(step, material);
  const faces = facesOf(step);
  const zoneName = (id: string) => piece.zones?.find((zone) => zone.id === id)?.name ?? id;
  const partName = (id: string) => build.pieces.find((candidate) => candidate.id === id)?.name ?? id;
  const { areaCm2 } = passArea(piece, step, material ? faces.slice(0, 1) : faces, material, method);
  const units = unitsOf(piece, step).length;
  const lengthMm = workLengthMm(build.pieces, piece, step);
  const hands = handsOn(step, method, material, { areaCm2, lengthMm, units });
  const minutes = Math.ceil(hands.setUpMinutes + units * hands.workMinutes + hands.cleanUpMinutes);
  const recoat = material && parseRecoat(material.recoat)[0]?.from;
  const wait =
    recoat === undefined || !material
      ? undefined
      : recoat * recoatFactor(material, filmFactorOf(material, step.film, step.pourMm));
  return [
    material ? `${coatsWords(step.coats ?? 1, step.film ?? 'normal')} of ${material.name}` : '',
    step.parts ? `${step.parts.map(partName).join(', ')} into this` : '',
    step.covers ? step.covers.join(', ') : '',
    step.looksOver ? lookingTable[step.looksOver].how.replace(/\.$/, '') : '',
    material || stepKindTable[step.kind].abrades || stepKindTable[step.kind].heats ? methodWords[method] : '',
    ...passDetails(step, material, method),
    step.zones ? step.zones.map(zoneName).join(', ') : '',
    step.kind === 'seal' && faces.includes('outer') && cutEdgeCm2(piece) > 0 ? 'cut edges too' : '',
    piece.faces.inner ? (faces.length === 2 ? 'both faces' : faces[0] === 'inner' ? 'inner face' : '') : '',
    build.places.find((place) => place.id === step.place)?.name ?? '',
    step.units && step.units.length < piece.quantity
      ? `only ${step.units.join(', ')} of ${piece.quantity}`
      : '',
    units > 1 ? `${sayWait(minutes)} for all ${units}` : `${sayWait(minutes)} a pass`,
    step.waitFor === 'cured' ? 'once all below is cured' : '',
    step.waitFor === 'night' || step.waitFor === 'day' ? `a ${step.waitFor} after what it lands on` : '',
    step.waitFor === 'through' ? 'each coat once what is below is dry through' : '',
    wait === undefined ? '' : `then ${sayWait(wait)}`,
  ]
    .filter(Boolean)
    .join(' · ');
}
