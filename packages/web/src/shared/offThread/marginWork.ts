import {
  marginOffers,
  workloadOf,
  type Around,
  type Build,
  type MarginOffers,
  type Score,
} from '@fixatum/core';

/** Asks what the margin of the plan on screen costs. */
export interface MarginRequest {
  build: Build;
  now: number;
  around: Around;
  score: Score;
}

export const margin = ({ build, now, around, score }: MarginRequest): MarginOffers | undefined =>
  marginOffers(workloadOf(build, around), now, score);
