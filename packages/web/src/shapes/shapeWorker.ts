import { linkTo, type WorkerLink } from '../shared/offThread/workerLink';
import type { ShapeWork } from './offThread/shapeWorker';

/** A worker that reads a template or mesh, and keeps it until it is ended. */
export const openShapeWorker = (): WorkerLink<ShapeWork> =>
  linkTo<ShapeWork>(
    new Worker(new URL('./offThread/shapeWorker.ts', import.meta.url), { type: 'module', name: 'shapes' }),
  );
