import { exactRinse, type ExactProblem } from './problem';

/** The fewest sessions and set-ups with all in time; or any plan in time with so many that begins nothing after a moment, minutes. */
export type ExactAim = 'fewest' | { sessions: number; within: number };

const list = (values: readonly (number | boolean)[]): string => `[${values.join(', ')}]`;

/**
 * The problem in the solver's language. A pass either has a set-up of its own or goes on with the things of another, right behind
 * it on the same hands; the hands are not free between those two. Names are those of the planner.
 */
export function exactModel(problem: ExactProblem, aim: ExactAim): string {
  const { passes, windows, due, horizon } = problem;
  const numbers = (key: 'before' | 'setUp' | 'work' | 'cleanUp' | 'wait' | 'wet' | 'pack' | 'wear') =>
    list(passes.map((pass) => pass[key]));
  const rinse = passes.map((before) => passes.map((next) => exactRinse(before, next)));
  // What a pass may go on from: itself stands for a set-up of its own.
  const mayFollow = passes.map((next, n) =>
    passes.flatMap((before, m) => (m === n || before.rinseKey === next.rinseKey ? [m + 1] : [])),
  );
  const search =
    ':: seq_search([int_search(session, first_fail, indomain_min), int_search(follows, first_fail, indomain_min), int_search(begin, smallest, indomain_min)])';
  const goal =
    aim === 'fewest'
      ? `solve ${search} minimize sessions;`
      : `constraint sessions <= ${aim.sessions} /\\ max(begin) <= ${aim.within};\nsolve ${search} satisfy;`;
  return `
include "globals.mzn";
int: n = ${passes.length};
int: w = ${windows.length};
int: pieces = ${due.length};
array[1..n] of int: before = ${numbers('before')};
array[1..n] of int: setUp = ${numbers('setUp')};
array[1..n] of int: work = ${numbers('work')};
array[1..n] of int: cleanUp = ${numbers('cleanUp')};
array[1..n] of int: wait = ${numbers('wait')};
array[1..n] of int: wet = ${numbers('wet')};
array[1..n] of int: longestWait = ${list(passes.map((pass) => pass.longestWait))};
array[1..n] of bool: makesDust = ${list(passes.map((pass) => pass.makesDust))};
array[1..n] of set of int: mayFollow = [${mayFollow.map((one) => `{${one.join(', ')}}`).join(', ')}];
array[1..n, 1..n] of int: rinse = array2d(1..n, 1..n, ${list(rinse.flat())});
array[1..w] of int: opens = ${list(windows.map(({ from }) => from))};
array[1..w] of int: closes = ${list(windows.map(({ to }) => to))};
array[1..n] of int: pack = ${numbers('pack')};
array[1..n] of int: wear = ${numbers('wear')};
array[1..n] of int: piece = ${list(passes.map((pass) => pass.piece))};
array[1..pieces] of int: packDue = ${list(due.map((one) => one.pack))};
array[1..pieces] of int: wearDue = ${list(due.map((one) => one.wear))};

array[1..n] of var 0..${horizon}: begin;
array[1..n] of var 0..${horizon}: start;
array[1..n] of var 0..${horizon}: end;
array[1..n] of var 1..w: session;
array[1..n] of var 1..n: follows;
array[1..n] of var bool: ownSetUp;
array[1..n] of var bool: isFollowed;
array[1..w] of var bool: isUsed;

constraint forall(i in 1..n)(follows[i] in mayFollow[i]);
constraint forall(i in 1..n)(start[i] = begin[i] - if follows[i] = i then setUp[i] else rinse[follows[i], i] endif);
constraint forall(i in 1..n where before[i] > 0)(begin[i] >= begin[before[i]] + work[before[i]] + wait[i]);
constraint forall(i in 1..n)(ownSetUp[i] <-> (setUp[i] > 0 /\\ begin[i] - start[i] >= setUp[i]));
constraint forall(i, j in 1..n where i != j /\\ j in mayFollow[i])(follows[i] = j -> (
  session[i] = session[j] /\\ end[j] = start[i] /\\
  start[i] >= begin[j] + work[j] /\\ start[i] <= begin[j] + work[j] + longestWait[i]));
constraint forall(j in 1..n)(isFollowed[j] <-> exists(i in 1..n where i != j)(follows[i] = j));
constraint forall(i, k, j in 1..n where i < k /\\ j != i /\\ j != k /\\ j in mayFollow[i] /\\ j in mayFollow[k])(follows[i] != j \\/ follows[k] != j);
constraint forall(j in 1..n)(not isFollowed[j] -> end[j] = begin[j] + work[j] + cleanUp[j]);
constraint forall(i in 1..n)(start[i] >= opens[session[i]] /\\ end[i] <= closes[session[i]]);
constraint forall(i, j in 1..n where i < j)(session[i] != session[j] \\/ end[i] <= start[j] \\/ end[j] <= start[i]);
constraint forall(d, c in 1..n where makesDust[d] /\\ wet[c] > 0)(
  begin[c] >= begin[d] + work[d] \\/ begin[d] >= begin[c] + work[c] + wet[c]);
constraint forall(s in 1..w)(isUsed[s] <-> exists(i in 1..n)(session[i] = s));

constraint forall(i in 1..n)(
  begin[i] + work[i] + pack[i] <= packDue[piece[i]] /\\
  begin[i] + work[i] + wear[i] <= wearDue[piece[i]]);
var 0..${windows.length + passes.length}: sessions = sum(isUsed) + sum(ownSetUp);
${goal}
output ["{\\"begin\\": ", show(begin), ", \\"session\\": ", show(session), ", \\"sessions\\": ", show(sessions), "}"];
`;
}
