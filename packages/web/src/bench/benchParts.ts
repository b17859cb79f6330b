/**
 * Parts of the Bench that are loaded when they are first shown. All are loaded ahead once it stands: a phone at the booth has to ask
 * what it asks, and log what was not as planned, where the server can't be reached.
 */
export const benchParts = {
  colourName: () => import('../shared/ColourName.vue'),
  beforeStart: () => import('./BeforeStart.vue'),
  passTicks: () => import('./PassTicks.vue'),
  tinCheck: () => import('./TinCheck.vue'),
  lookOver: () => import('./LookOverPanel.vue'),
  stopAsk: () => import('./StopAskDialog.vue'),
  shortTin: () => import('./ShortTinDialog.vue'),
  forgotten: () => import('./ForgottenDialog.vue'),
  notAsPlanned: () => import('./NotAsPlannedDialog.vue'),
  notAfterAll: () => import('./NotAfterAllDialog.vue'),
  timers: () => import('./BenchTimers.vue'),
  meanwhile: () => import('./MeanwhileList.vue'),
  tickAsk: () => import('./TickAskDialog.vue'),
  runSheet: () => import('./RunSheet.vue'),
};
