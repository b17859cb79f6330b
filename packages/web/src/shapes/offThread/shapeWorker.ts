import { expose } from 'comlink';
import { measureMesh, openMesh } from './meshWork';
import { findOutlines, openDrawing, openPages } from './sheetWork';

/** Reads templates and meshes; a script of its own, as it is only wanted when a file is taken in. */
const shapeWork = { openDrawing, openPages, findOutlines, openMesh, measureMesh };
export type ShapeWork = typeof shapeWork;

expose(shapeWork);
