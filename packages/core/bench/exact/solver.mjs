// Runs the exact solver's own worker script in a Node worker, where it finds the few things of a browser's worker that it asks for.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import vm from 'node:vm';
import { parentPort, workerData } from 'node:worker_threads';

const script = workerData.script;
Object.assign(globalThis, {
  require: createRequire(script),
  __filename: script,
  __dirname: dirname(script),
  addEventListener: (_kind, listener) => parentPort.on('message', (data) => listener({ data })),
  postMessage: (message) => parentPort.postMessage(message),
});
parentPort.once('message', () => undefined);
vm.runInThisContext(readFileSync(script, 'utf8'));
parentPort.emit('message', {
  wasmURL: join(dirname(script), 'minizinc.wasm'),
  dataURL: join(dirname(script), 'minizinc.data'),
});
