import { idsOf, tableOf } from './table';

/** A state that a coat reaches as it dries, with a label time of its own. */
export interface MilestoneDefinition {
  word: string;
  /** Touch and recoat run on the early clock of a material, all later ones on the late one. */
  clock: 'early' | 'late';
  /** The label time grows by the film factor to this power (docs/domain.md, "The drying model"). */
  filmPower: number;
}

/** In the order they are usually reached. */
export const milestoneTable = tableOf<MilestoneDefinition>()({
  touch: { word: 'touch-dry', clock: 'early', filmPower: 1 },
  recoat: { word: 'recoatable', clock: 'early', filmPower: 1.5 },
  tape: { word: 'tape-safe', clock: 'late', filmPower: 1.5 },
  sand: { word: 'sandable', clock: 'late', filmPower: 1.5 },
  handle: { word: 'handleable', clock: 'late', filmPower: 1.5 },
  pack: { word: 'packable', clock: 'late', filmPower: 1.5 },
  wear: { word: 'wearable', clock: 'late', filmPower: 1.5 },
});

export type Milestone = keyof typeof milestoneTable;
export const milestones = idsOf(milestoneTable);
