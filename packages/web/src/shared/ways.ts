import type { Instead, RuleFinding, ShopLine, StartCost, WaysOut } from '@fixatum/core';
import { defineStore } from 'pinia';
import { shallowRef, watch, type ShallowRef } from 'vue';
import { openWorker, plain, WorkerBroken, type WorkerLink } from './offThread/workerLink';
import { useBuild } from './build';
import { useNotice } from './notice';

const keyOf = (finding: RuleFinding): string =>
  [finding.piece, finding.rule, finding.step, finding.face, finding.below, finding.severity].join(' ');

/** In place of an answer where the search itself broke: the finding stands, and nothing goes on turning. */
const searchFailed: WaysOut = { waysOut: [], noWayOut: 'The search for one failed; the finding stands.' };

/**
 * Ways out of findings, what beginning some passes now costs, and what would do in place of a tin: worked out in a worker when somebody asks.
 */
export const useWays = defineStore('ways', () => {
  const build = useBuild();
  const notice = useNotice();
  /** By finding; absent while it is being searched for. */
  const known = shallowRef(new Map<string, WaysOut>());
  /** By passes and minute; absent while it is being worked out. */
  const costs = shallowRef(new Map<string, StartCost>());
  /** By line of the shopping list; absent where nothing would do, or while it is being worked out. */
  const insteads = shallowRef(new Map<string, Instead>());
  const asked = new Set<string>();
  let link: WorkerLink | undefined;
  let setting = 0;
  let lastSetting = 0;

  // What held for one build need not hold for the next.
  watch(
    () => build.build,
    () => {
      setting = 0;
      known.value = new Map();
      costs.value = new Map();
      insteads.value = new Map();
      asked.clear();
    },
  );

  /** Sends the build that findings are about, once; returns its number. */
  function settingFor(to: WorkerLink): number {
    if (setting > 0 || !build.build || !build.view) return setting;
    lastSetting += 1;
    setting = lastSetting;
    const { now } = build.view;
    const sent = {
      setting,
      now,
      warm: build.warm,
      ...plain({ build: build.build, around: build.around }),
    };
    to.run((remote) => remote.setBuild(sent)).catch(() => undefined);
    return setting;
  }

  /** Asks the worker once; the answer is kept under its key, and may be asked for again when that failed. */
  function question<Answer>(
    key: string,
    answers: ShallowRef<Map<string, Answer>>,
    work: (of: number, link: WorkerLink) => Promise<Answer | undefined>,
    failed?: Answer,
  ): void {
    if (!build.build || !build.view || asked.has(key)) return;
    link ??= openWorker('ways out');
    const own = link;
    const of = settingFor(own);
    asked.add(key);
    work(of, own)
      .then((answer) => {
        if (answer && of === setting) answers.value = new Map(answers.value).set(key, answer);
      })
      .catch((error: unknown) => {
        asked.delete(key);
        if (error instanceof WorkerBroken && link === own) {
          own.end();
          link = undefined;
          setting = 0;
        }
        const again = () => question(key, answers, work, failed);
        if (failed && of === lastSetting) answers.value = new Map(answers.value).set(key, failed);
        if (of === lastSetting) notice.complain(error, { label: 'Try again', run: again });
      });
  }

  function ask(finding: RuleFinding): void {
    if (finding.severity === 'note') return;
    question(
      keyOf(finding),
      known,
      (of, own) => own.run((remote) => remote.waysOut(of, plain(finding))),
      searchFailed,
    );
  }
  const of = (finding: RuleFinding): WaysOut | undefined => known.value.get(keyOf(finding));

  const keyOfStart = (ids: readonly string[], now: number) => `start ${now} ${ids.join(' ')}`;
  function askStart(ids: readonly string[], now: number): void {
    question(keyOfStart(ids, now), costs, (of, own) =>
      own.run((remote) => remote.costOfStart(of, [...ids], now)),
    );
  }
  const costOf = (ids: readonly string[], now: number): StartCost | undefined =>
    costs.value.get(keyOfStart(ids, now));

  const keyOfLine = ({ materialId, colour, enoughMl }: ShopLine) =>
    `instead ${materialId} ${colour ?? ''} ${enoughMl.toFixed(1)}`;
  /** What would do in place of a tin of which little is used. */
  function askInstead(line: ShopLine, lines: readonly ShopLine[]): void {
    question(keyOfLine(line), insteads, (to, own) =>
      own.run((remote) => remote.instead(to, plain(line), plain([...lines]))),
    );
  }
  const insteadOf = (line: ShopLine): Instead | undefined => insteads.value.get(keyOfLine(line));

  return { ask, of, askStart, costOf, askInstead, insteadOf };
});
