import type { RuleFinding, WaysOut } from '@fixatum/core';
import { defineStore } from 'pinia';
import { shallowRef, watch } from 'vue';
import { plain } from '../shared/planner';
import type { WaysAnswer, WaysSetting, WaysQuestion } from './waysWorker';
import { useBuild } from '../shared/build';
import { useNotice } from '../shared/notice';

const keyOf = (finding: RuleFinding): string =>
  [finding.piece, finding.rule, finding.step, finding.face, finding.below, finding.severity].join(' ');

/** Ways out of findings, searched for in a worker when somebody looks at the finding. */
export const useWays = defineStore('ways', () => {
  const build = useBuild();
  const notice = useNotice();
  /** By finding; absent while it is being searched for. */
  const known = shallowRef(new Map<string, WaysOut>());
  const asked = new Map<string, number>();
  let worker: Worker | undefined;
  let setting = 0;
  let lastTicket = 0;

  function theWorker(): Worker {
    if (worker) return worker;
    worker = new Worker(new URL('./waysWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<WaysAnswer>) => {
      const found = [...asked].find(([, ticket]) => ticket === data.ticket);
      if (!found) return;
      if ('ways' in data) known.value = new Map(known.value).set(found[0], data.ways);
      else notice.complain(new Error(data.error));
    };
    return worker;
  }

  // What held for one build need not hold for the next.
  watch(
    () => build.build,
    () => {
      setting = 0;
      known.value = new Map();
      asked.clear();
    },
  );

  function ask(finding: RuleFinding): void {
    const key = keyOf(finding);
    if (!build.build || !build.view || finding.severity === 'note' || asked.has(key)) return;
    if (setting === 0) {
      setting = lastTicket + 1;
      theWorker().postMessage({
        setting,
        now: build.view.now,
        warm: build.warm,
        ...plain({ build: build.build, readings: build.readingsByPlace }),
      } satisfies WaysSetting);
    }
    lastTicket += 1;
    asked.set(key, lastTicket);
    theWorker().postMessage({ setting, ticket: lastTicket, finding: plain(finding) } satisfies WaysQuestion);
  }

  const of = (finding: RuleFinding): WaysOut | undefined => known.value.get(keyOf(finding));

  return { ask, of };
});
