import type { Build } from '../../model/schema';
import type { Plan } from '../../schedule/answers/plan';
import type { Way } from './rescueCost';
import { contextOf, openStepsOf } from './ways/context';
import { eveningWays } from './ways/evenings';
import { fan, partOfSet, warmCabinet } from './ways/ofPieces';
import {
  dryThroughEach,
  fewerCoats,
  leaveOut,
  lighterCoats,
  onTheShelf,
  otherPlace,
  quickerMaterial,
  type StepWay,
} from './ways/ofSteps';
import { packWays } from './ways/packLater';

/** What is tried with each step, gentle ones first. A new way is one more function here. */
const stepWays: readonly StepWay[] = [
  leaveOut,
  fewerCoats,
  lighterCoats,
  onTheShelf,
  quickerMaterial,
  dryThroughEach,
  otherPlace,
];

/** Every single way that could help the pieces in trouble, by kind. */
export function waysFor(build: Build, plan: Plan, inTrouble: readonly string[]): Way[] {
  const context = contextOf(build, plan);
  const troubled = build.pieces.filter((piece) => inTrouble.includes(piece.id));
  return [
    ...troubled.flatMap((piece) => {
      const open = openStepsOf(context, piece);
      return [
        ...fan(piece, open, context),
        ...open.flatMap((step) => stepWays.flatMap((way) => way(step, context))),
        ...warmCabinet(piece, open, context),
        ...partOfSet(piece, open, context),
      ];
    }),
    ...eveningWays(build, plan, troubled),
    ...packWays(build, troubled),
  ];
}
