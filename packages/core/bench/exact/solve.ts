import { Worker } from 'node:worker_threads';
import { z } from 'zod';

const answer = z.object({
  begin: z.array(z.number()),
  session: z.array(z.number()),
  sessions: z.number(),
});
/** A plan of the solver's: when the work of each pass begins, minutes from the start, and in which window it lies, from 1. */
export type Solution = z.infer<typeof answer>;

const message = z.union([
  z.object({ type: z.literal('ready') }),
  z.object({ type: z.literal('solution'), output: z.object({ default: z.string() }) }),
  z.object({ type: z.literal('status'), status: z.string() }),
  z.object({ type: z.literal('error'), message: z.string() }).loose(),
  z.object({ type: z.literal('exit'), code: z.number() }).loose(),
  z.object({ type: z.enum(['statistics', 'stdout', 'stderr', 'warning', 'progress', 'trace']) }).loose(),
]);

/** What the solver came to: the best plan it found, and whether that was proved to be the best there is. */
export interface Solved {
  best: Solution | undefined;
  isProved: boolean;
  seconds: number;
}

/**
 * Has a model solved by lazy clause generation.
 * @param files where the solver's script and the shim around it lie
 * @throws Error when the solver does not take the model
 */
export function solve(
  model: string,
  seconds: number,
  files: { shim: string; script: string },
): Promise<Solved> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(files.shim, { workerData: { script: files.script } });
    let best: Solution | undefined;
    let isProved = false;
    const from = performance.now();
    const end = () => {
      void worker.terminate();
      resolve({ best, isProved, seconds: (performance.now() - from) / 1000 });
    };
    // The solver looks at its own clock between restarts only.
    const late = setTimeout(end, seconds * 1000);
    worker.on('error', reject);
    worker.on('message', (data: unknown) => {
      const one = message.parse(data);
      if (one.type === 'ready')
        worker.postMessage({
          jsonStream: true,
          files: { 'plan.mzn': model },
          args: ['--solver', 'chuffed', '-f', '--intermediate-solutions', 'plan.mzn'],
        });
      else if (one.type === 'solution') best = answer.parse(JSON.parse(one.output.default));
      else if (one.type === 'status') isProved = one.status === 'OPTIMAL_SOLUTION';
      else if (one.type === 'error') reject(new Error(one.message));
      else if (one.type === 'exit') {
        clearTimeout(late);
        end();
      }
    });
  });
}
