/** What a helper may do besides reading: log, time, feel and photograph, take that back, and keep the plan that follows from it. */
const writes: readonly { methods: readonly string[]; path: RegExp }[] = [
  { methods: ['POST'], path: /^\/api\/builds\/[^/]+\/(log|underway|touch-tests|timers)(\/(pause|stop))?$/ },
  { methods: ['POST'], path: /^\/api\/(photos|builds\/[^/]+\/(undo|redo))$/ },
  { methods: ['PUT'], path: /^\/api\/builds\/[^/]+\/plan$/ },
];
/** What is nobody's business but a finisher's, even to look at. */
const secret = /^\/api\/(devices|sharing|backups|archives)/;

/** Whether a helper may make a request. */
export const helperMay = (method: string, path: string): boolean =>
  method === 'GET' || method === 'HEAD'
    ? !secret.test(path)
    : writes.some((one) => one.methods.includes(method) && one.path.test(path));
