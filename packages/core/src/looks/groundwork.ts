import { catalogueById } from '../materials/catalogue';
import { cleaningTable } from '../model/cleanings';
import { substrateTable } from '../model/substrates';
import { binderOf } from '../model/binders';
import type { Method } from '../model/methods';
import type { Face, Step } from '../model/schema';
import { entryOf } from '../model/sure';
import { groundTable } from './ground';
import type { SealerSchool } from './look';
import { schoolById, type School } from './schools';
import { isPressed, sizedMinutes, type Writing } from './writing';

/** What seams, pores and pinholes are brushed full with, and sanded. */
export const FILLER = 'foam-filler-paste';

/** Gaps are bridged with what bends along. */
export const caulked = {
  material: 'acrylic-caulk',
  film: 'light',
  placement: 'seams',
  note: 'Press it in, wipe off what stands proud, smooth with a wet finger.',
} as const;

const lined = {
  burned: 'A fine hot tip, one even stroke along a ruler; extraction or an open window.',
  ground: 'A fine bit, with the turning direction; vacuum the dust.',
} as const;

/** Sealers in the order they are taken where the one of the look can't be laid here, the mildest first. */
const instead: readonly SealerSchool[] = ['seal-spray', 'pva', 'foam-coat', 'neoprene', 'rubber-dip'];

/** What goes before any colour: surface, fillers, heat, texture, closures covered, the sealer. */
export function groundworkOf(writing: Writing): Step[] {
  const { piece, choices, groups, faces, step, lookOver, tell } = writing;
  const needs = groundTable[piece.substrate.kind];
  const steps: Step[] = [
    step('prep', 'hand', {
      note: needs.cleans
        ? cleaningTable[needs.cleans].note
        : 'Round the edges, clean off marker and glue, vacuum the dust.',
      ...(needs.cleans ? { cleans: needs.cleans } : {}),
    }),
  ];
  const { isPorousFoam, dissolves } = substrateTable[piece.substrate.kind];
  if (choices.wipe && dissolves) tell('White spirit would eat this foam: marker is sealed in instead.');
  else if (choices.wipe)
    steps.push(step('prep', 'hand', { cleans: 'unglued', note: cleaningTable.unglued.note }));
  if (choices.seams === 'gaps' || choices.seams === 'both') steps.push(step('fill', 'tool', caulked));
  const fills = choices.seams === 'hairline' || choices.seams === 'both' || needs.fills;
  if (fills) steps.push(step('fill', 'brush', { material: FILLER, film: 'light' }));
  if (fills || needs.opens === 'sand') steps.push(step('sand', 'sand', { note: '240 grit, then 400.' }));
  // After filling and sanding, which would close or wear it away; before the heat that closes its cut cells.
  if (choices.lines && isPorousFoam)
    steps.push(
      step('texture', 'tool', {
        texture: choices.lines,
        minutes: sizedMinutes(piece, 15),
        note: lined[choices.lines],
      }),
    );
  if (needs.opens === 'heat' && !piece.substrate.heatSealed)
    steps.push(
      step('heat-seal', 'hot-air', { faces, note: 'One even, moving pass until the skin shines a little.' }),
    );
  if (needs.opens === 'scuff')
    steps.push(step('sand', 'sand', { note: 'Fine pad, until the shine is gone; wipe the dust off.' }));
  if (needs.opens === 'scuff-wet')
    steps.push(
      step('sand', 'sand', {
        thinWith: 'water',
        note: 'A wet fine pad, so that no dust flies; rinse, let it dry.',
      }),
    );
  for (const group of groups)
    for (const one of group.look?.steps.filter(isPressed) ?? []) {
      // What does not give way when it is warm takes no print.
      if (!substrateTable[piece.substrate.kind].isPorousFoam) continue;
      steps.push(
        step('texture', 'stamp', {
          ...(one.minutes ? { minutes: sizedMinutes(piece, one.minutes) } : {}),
          ...(one.note ? { note: one.note } : {}),
          ...(groups.length > 1 ? { zones: group.zones.map(({ id }) => id) } : {}),
        }),
      );
    }
  steps.push(...lookOver('worn'), ...lookOver('bare'));
  if (piece.keepBare && piece.keepBare.length > 0)
    steps.push(
      step('mask', 'hand', {
        covers: piece.keepBare,
        note: `Cover: ${piece.keepBare.join(', ')}.`,
      }),
    );
  return [...steps, ...sealing(writing)];
}

function sealing(writing: Writing): Step[] {
  const { piece, main, faces, step, lookOver, tell, choices } = writing;
  const needs = groundTable[piece.substrate.kind];
  if (!needs.sealed) {
    if (needs.instead && (choices.sealer ?? main)) tell(needs.instead);
    return [];
  }
  const school = schoolFor(writing);
  if (!school.step) return [];
  const isCracked = main?.steps.some((one) => one.wanted?.includes('cracking'));
  const { dissolves } = substrateTable[piece.substrate.kind];
  const isThirsty =
    piece.substrate.kind === 'craft-foam' || choices.lines === 'ground' || needs.opens === 'sand';
  const usual = (isThirsty ? school.thirstyCoats : undefined) ?? school.step.coats;
  // Solvents eat it wherever it is not closed by two full coats.
  const least = dissolves ? 2 : 1;
  const outer = Math.max(least, choices.quicker && usual > 2 ? usual - 1 : usual);
  const inner = Math.max(least, Math.min(outer, school.innerCoats ?? outer));
  const seal = (on: Face[], coats: number) =>
    step('seal', methodFor(school, writing), {
      ...school.step,
      method: methodFor(school, writing),
      coats,
      ...(dissolves ? { film: 'normal' as const } : {}),
      faces: on,
      ...(school.overNight ? { waitFor: 'night' as const } : {}),
      ...(isCracked ? { wanted: ['cracking' as const] } : {}),
    });
  const coats: Step[] =
    faces.length === 1 || inner === outer
      ? [seal(faces, outer)]
      : piece.standing
        ? // What hangs gets both faces in one go; the outer one a coat more.
          [seal(faces, inner), seal(['outer'], outer - inner)]
        : [seal(['inner'], inner), seal(['outer'], outer)];
  const { mindsWater } = binderOf(entryOf(catalogueById, school.step.material));
  return [...coats, ...lookOver(mindsWater ? 'felt' : 'sealed')];
}

/** The tool that a sealer is laid with here: its own, or else another that is at hand; its own where none is. */
const methodFor = ({ step, otherMethods = [] }: School, { owned }: Writing): Method =>
  [...(step ? [step.method] : []), ...otherMethods].find((method) => owned.has(method)) ??
  step?.method ??
  'brush';

/** The sealer that was asked for, or else the look's own where it can be laid here, or else the mildest that can. */
function schoolFor({ piece, main, owned, choices, tell }: Writing): School {
  const wanted = entryOf(schoolById, choices.sealer ?? main?.school ?? 'pva');
  const isSafe = ({ step }: School) =>
    step !== undefined &&
    (!substrateTable[piece.substrate.kind].dissolves || entryOf(catalogueById, step.material).solvent === 0);
  // What was asked for by name is written, and what stands against it is told by its findings.
  if (choices.sealer !== undefined) return wanted;
  const canLay = ({ step, otherMethods = [] }: School) =>
    step !== undefined && [step.method, ...otherMethods].some((method) => owned.has(method));
  if (wanted.step === undefined || (canLay(wanted) && isSafe(wanted))) return wanted;
  const taken = instead
    .map((id) => entryOf(schoolById, id))
    .find((school) => canLay(school) && isSafe(school));
  if (!taken) return wanted;
  tell(`${taken.name} in place of ${wanted.name.toLowerCase()}, for the tools at hand.`);
  return taken;
}
