import { lookOverWords, type LookOver } from '../model/lookOvers';
import { stepKindWords, type StepKind } from '../model/stepKinds';

/** What a step or a pass is called: by its kind, a look-over by where in the work it stands. */
export const workWord = ({
  kind,
  looksOver,
}: {
  kind: StepKind;
  looksOver?: LookOver | undefined;
}): string => (looksOver ? lookOverWords[looksOver] : stepKindWords[kind]);
