import type { Material, OwnMaterial, PairState, PairVerdict, Swatch } from '@fixatum/core';
import { proxy } from 'comlink';
import { onScopeDispose, shallowRef } from 'vue';
import { useNotice } from '../shared/notice';
import { openWorker, plain, type WorkerLink } from '../shared/offThread/workerLink';

/** What is asked of the board: what lies below, what goes over it, in which state, with whose tins and swatches. */
export interface PairQuestion {
  unders: readonly Material[];
  overs: readonly Material[];
  state: PairState;
  own: OwnMaterial[];
  swatches: Swatch[];
}

/**
 * Verdicts on many pairs, worked out in a worker row by row. `judge` begins anew, and a newer question ends an older one;
 * `verdictOf` is undefined until its row has come.
 */
export function pairVerdicts(question: () => PairQuestion) {
  const notice = useNotice();
  /** The verdicts of each lower material, by the id of the upper one. */
  const rows = shallowRef(new Map<string, ReadonlyMap<string, PairVerdict>>());
  let link: WorkerLink | undefined;
  onScopeDispose(() => link?.end());
  let ticket = 0;

  function judge(): void {
    ticket += 1;
    const own = ticket;
    rows.value = new Map();
    link ??= openWorker('pairs');
    const { unders, overs, state, own: tins, swatches } = question();
    const ids = overs.map(({ id }) => id);
    const request = {
      unders: unders.map(({ id }) => id),
      overs: ids,
      state,
      own: plain(tins),
      swatches: plain(swatches),
    };
    const take = (under: string, verdicts: PairVerdict[]) => {
      const row = new Map(
        verdicts.flatMap((verdict, at) => (ids[at] === undefined ? [] : [[ids[at], verdict]])),
      );
      if (own === ticket) rows.value = new Map(rows.value).set(under, row);
    };
    link
      .run((remote) => remote.pairs(request, proxy(take)))
      .catch((error: unknown) => {
        link?.end();
        link = undefined;
        if (own === ticket) notice.complain(error, { label: 'Try again', run: judge });
      });
  }

  const verdictOf = (under: string, over: string): PairVerdict | undefined =>
    rows.value.get(under)?.get(over);
  return { rows, judge, verdictOf };
}
