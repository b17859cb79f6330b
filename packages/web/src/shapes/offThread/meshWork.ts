import {
  MeshFault,
  meshFigures,
  MOST_TRIANGLES,
  type MeshCount,
  type MeshFigures,
  type MeshPart,
} from '@fixatum/core';
import { transfer } from 'comlink';
import { LoadingManager, Mesh, type Material, type Object3D } from 'three';
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js';
import { OBJLoader } from 'three/addons/loaders/OBJLoader.js';
import { STLLoader } from 'three/addons/loaders/STLLoader.js';

/** The mesh in hand. */
let parts: MeshPart[] = [];

/** What the screen has to know of a mesh, and what it draws of it. */
export interface MeshSummary {
  parts: { name: string; triangles: number }[];
  /** Along x, y and z, in units of the file. */
  size: [number, number, number];
  /** What one unit is, where the format says it. */
  mmPerUnit: number | undefined;
  /** Corners of all triangles, part by part. */
  positions: Float32Array;
}

/** Nothing beside the file is ever fetched: pictures and buffers elsewhere are left out. */
function shut(): LoadingManager {
  const manager = new LoadingManager();
  manager.setURLModifier((url) => (url.startsWith('data:') || url.startsWith('blob:') ? url : 'data:,'));
  return manager;
}

const damaged = 'This mesh can’t be read: it is damaged, or is not what its name says.';

/** Opens an OBJ, STL or glTF mesh. */
export async function openMesh(name: string, file: ArrayBuffer): Promise<MeshSummary> {
  const ending = name.toLowerCase().replace(/^.*\./, '');
  try {
    parts =
      ending === 'stl'
        ? [{ name: '', positions: numbersOf(new STLLoader().parse(file).getAttribute('position').array) }]
        : partsOf(
            ending === 'obj'
              ? new OBJLoader().parse(new TextDecoder().decode(file))
              : (await new GLTFLoader(shut()).parseAsync(file, '')).scene,
          );
  } catch (error) {
    throw error instanceof MeshFault ? error : new MeshFault(damaged);
  }
  parts = parts.filter(({ positions }) => positions.length >= 9);
  const corners = parts.reduce((sum, { positions }) => sum + positions.length, 0);
  if (corners === 0)
    throw new MeshFault('There are no faces in this file: export the surface, not only its lines.');
  if (corners / 9 > MOST_TRIANGLES)
    throw new MeshFault(
      `This mesh has ${Math.round(corners / 9).toLocaleString('en')} faces: make it simpler first.`,
    );
  const positions = new Float32Array(corners);
  const least = [Infinity, Infinity, Infinity];
  const most = [-Infinity, -Infinity, -Infinity];
  let at = 0;
  for (const part of parts) {
    positions.set(part.positions, at);
    at += part.positions.length;
  }
  for (let n = 0; n < corners; n += 1) {
    least[n % 3] = Math.min(least[n % 3]!, positions[n]!);
    most[n % 3] = Math.max(most[n % 3]!, positions[n]!);
  }
  return transfer(
    {
      parts: parts.map((part) => ({ name: part.name, triangles: part.positions.length / 9 })),
      size: [0, 1, 2].map((axis) => most[axis]! - least[axis]!) as [number, number, number],
      // A glTF is in metres.
      mmPerUnit: ending === 'glb' || ending === 'gltf' ? 1000 : undefined,
      positions,
    },
    [positions.buffer],
  );
}

/** The figures of the mesh in hand. */
export const measureMesh = (mmPerUnit: number, count: MeshCount | undefined): MeshFigures =>
  meshFigures(parts, mmPerUnit, count);

const numbersOf = (list: ArrayLike<number>): Float32Array =>
  list instanceof Float32Array ? list : Float32Array.from(list);

/** The triangles of a scene by group, or within a group by material. */
function partsOf(scene: Object3D): MeshPart[] {
  const found = new Map<string, number[][]>();
  scene.updateMatrixWorld(true);
  scene.traverse((object) => {
    if (!(object instanceof Mesh)) return;
    const geometry = (object.geometry as Mesh['geometry']).index
      ? (object.geometry as Mesh['geometry']).toNonIndexed()
      : (object.geometry as Mesh['geometry']);
    const place = geometry.getAttribute('position');
    geometry.applyMatrix4(object.matrixWorld);
    const materials: Material[] = Array.isArray(object.material)
      ? object.material
      : [object.material as Material];
    const groups =
      geometry.groups.length > 0 ? geometry.groups : [{ start: 0, count: place.count, materialIndex: 0 }];
    for (const { start, count, materialIndex = 0 } of groups) {
      const material = materials[materialIndex]?.name ?? '';
      const name = groups.length > 1 ? material || object.name : object.name || material;
      const corners: number[] = [];
      const end = Math.min(start + count, place.count);
      for (let at = start; at < end; at += 1) corners.push(place.getX(at), place.getY(at), place.getZ(at));
      found.set(name, [...(found.get(name) ?? []), corners]);
    }
  });
  return [...found].map(([name, lists]) => ({ name, positions: Float32Array.from(lists.flat()) }));
}
