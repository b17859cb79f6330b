import type { RuleFinding, WaysOut } from '@fixatum/core';
import { defineStore } from 'pinia';
import { shallowRef, watch } from 'vue';
import { openWorker, plain, WorkerBroken, type WorkerLink } from '../shared/offThread/workerLink';
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
      ...plain({ build: build.build, readings: build.readingsByPlace }),
    };
    to.run((remote) => remote.setBuild(sent)).catch(() => undefined);
    return setting;
  }

  function ask(finding: RuleFinding): void {
    const key = keyOf(finding);
    if (!build.build || !build.view || finding.severity === 'note' || asked.has(key)) return;
    link ??= openWorker('ways out');
    const own = link;
    const of = settingFor(own);
    asked.add(key);
    own
      .run((remote) => remote.waysOut(of, plain(finding)))
      .then((ways) => {
        if (ways && of === setting) known.value = new Map(known.value).set(key, ways);
      })
      .catch((error: unknown) => {
        asked.delete(key);
        if (error instanceof WorkerBroken && link === own) {
          own.end();
          link = undefined;
          setting = 0;
        }
        if (of === lastSetting) notice.complain(error, { label: 'Try again', run: () => ask(finding) });
      });
  }

  const of = (finding: RuleFinding): WaysOut | undefined => known.value.get(keyOf(finding));

  return { ask, of };
});
