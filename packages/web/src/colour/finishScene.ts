import type { FinishMaps, Light, ReliefKind } from '@fixatum/core';
import {
  BufferGeometry,
  DataTexture,
  DirectionalLight,
  Float32BufferAttribute,
  LinearFilter,
  LinearMipmapLinearFilter,
  Mesh,
  MeshStandardMaterial,
  NeutralToneMapping,
  PerspectiveCamera,
  PMREMGenerator,
  RGBAFormat,
  Scene,
  SRGBColorSpace,
  WebGLRenderer,
  type Texture,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { RoomEnvironment } from 'three/addons/environments/RoomEnvironment.js';
import { turnKeys } from '../shared/turnKeys';

/** A 3D picture of a finish that can be turned. */
export interface FinishScene {
  /** Shows a finish on its relief. */
  show(maps: FinishMaps, relief: ReliefKind): void;
  setLight(light: Light): void;
  resize(): void;
  dispose(): void;
}

/** How a place on a relief lies in space: a point and, by finite differences, its face. Sides are about 2 long. */
type Surface = (u: number, v: number, height: number) => readonly [number, number, number];

const surfaces: Record<ReliefKind, Surface> = {
  plate: (u, v, height) => {
    const [x, y] = [(u - 0.5) * 2, (0.5 - v) * 2];
    return [x, y, height * 2 - 0.1 * (x * x + y * y)];
  },
  drawing: (u, v, height) => {
    const [x, y] = [(u - 0.5) * 2, (0.5 - v) * 2];
    return [x, y, height * 2 - 0.08 * x * x];
  },
  leather: (u, v, height) => {
    const [x, y] = [(u - 0.5) * 2, (0.5 - v) * 2];
    return [x, y, height * 2 + 0.08 * Math.sin(x * 2.2) * Math.cos(y * 1.7)];
  },
  dome: (u, v, height) => {
    const [round, up] = [(u - 0.5) * 2 * Math.PI, (1 - v) * (Math.PI / 2)];
    const radius = 1.05 + height * 2;
    return [
      Math.sin(round) * Math.cos(up) * radius,
      Math.sin(up) * radius - 0.45,
      Math.cos(round) * Math.cos(up) * radius,
    ];
  },
  tube: (u, v, height) => {
    const round = (u - 0.5) * 2 * Math.PI;
    const radius = 0.55 + height * 2;
    return [Math.sin(round) * radius, (0.5 - v) * 2, Math.cos(round) * radius];
  },
  blade: (u, v, height) => {
    const taper = v < 0.18 ? v / 0.18 : 1;
    return [(u - 0.5) * 0.85 * taper, (0.5 - v) * 2.4, height * 2 * taper];
  },
};

/** Faces along a side: enough for the relief, as finer things are in the maps. */
const FACES = 128;
/** A coarse room is enough to be mirrored in paint, and soon made. */
const ROOM_PX = 32;
const lamps: Record<Light, { colour: number; room: number; lamp: number }> = {
  daylight: { colour: 0xffffff, room: 0.6, lamp: 1.9 },
  'warm-hall': { colour: 0xfff1dc, room: 0.5, lamp: 1.6 },
  'cold-led': { colour: 0xeff6ff, room: 0.55, lamp: 2 },
};

/**
 * Opens a picture on a canvas. Throws where there is no WebGL.
 * @param whenDrawn told after every drawing
 */
export function createFinishScene(canvas: HTMLCanvasElement, whenDrawn: () => void): FinishScene {
  const renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
  // Keeps paint in its own colour, as the others do not.
  renderer.toneMapping = NeutralToneMapping;
  renderer.toneMappingExposure = 0.95;
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  const scene = new Scene();
  const camera = new PerspectiveCamera(32, 1, 0.1, 20);
  camera.position.set(0.6, 0.45, 4.2);
  const controls = new OrbitControls(camera, canvas);
  controls.enablePan = false;
  controls.minDistance = 2.2;
  controls.maxDistance = 7;
  const lamp = new DirectionalLight(0xffffff, 2.2);
  lamp.position.set(-2, 2.6, 3);
  scene.add(lamp);
  const generator = new PMREMGenerator(renderer);
  const room = generator.fromScene(new RoomEnvironment(), 0.04, 0.1, 100, { size: ROOM_PX });
  scene.environment = room.texture;
  const material = new MeshStandardMaterial({ roughness: 1, metalness: 1, alphaTest: 0.5 });
  const mesh = new Mesh(new BufferGeometry(), material);
  scene.add(mesh);
  let textures: Texture[] = [];
  let drawn = false;

  function draw(): void {
    if (drawn) return;
    drawn = true;
    requestAnimationFrame(() => {
      drawn = false;
      renderer.render(scene, camera);
      whenDrawn();
    });
  }
  controls.addEventListener('change', draw);
  const endKeys = turnKeys(canvas, (round, over) => {
    mesh.rotation.y += round;
    mesh.rotation.x += over;
    draw();
  });

  return {
    show(maps, relief) {
      for (const texture of textures) texture.dispose();
      textures = texturesOf(maps, renderer.capabilities.getMaxAnisotropy());
      const [colour, surface, normal] = textures;
      material.map = colour ?? null;
      material.roughnessMap = surface ?? null;
      material.metalnessMap = surface ?? null;
      material.normalMap = normal ?? null;
      material.needsUpdate = true;
      mesh.geometry.dispose();
      mesh.geometry = geometryOf(maps, surfaces[relief]);
      draw();
    },
    setLight(light) {
      const { colour, room: level, lamp: power } = lamps[light];
      lamp.color.set(colour);
      lamp.intensity = power;
      scene.environmentIntensity = level;
      draw();
    },
    resize() {
      const { clientWidth, clientHeight } = canvas;
      if (clientWidth === 0 || clientHeight === 0) return;
      renderer.setSize(clientWidth, clientHeight, false);
      camera.aspect = clientWidth / clientHeight;
      camera.updateProjectionMatrix();
      draw();
    },
    dispose() {
      endKeys();
      controls.dispose();
      for (const texture of textures) texture.dispose();
      mesh.geometry.dispose();
      material.dispose();
      room.dispose();
      generator.dispose();
      renderer.dispose();
    },
  };
}

function geometryOf({ size, height }: FinishMaps, surface: Surface): BufferGeometry {
  const points: number[] = [];
  const places: number[] = [];
  const corners: number[] = [];
  const heightAt = (u: number, v: number) =>
    height[Math.min(size - 1, Math.floor(v * size)) * size + Math.min(size - 1, Math.floor(u * size))] ?? 0;
  for (let row = 0; row <= FACES; row += 1)
    for (let column = 0; column <= FACES; column += 1) {
      const [u, v] = [column / FACES, row / FACES];
      points.push(...surface(u, v, heightAt(u, v)));
      places.push(u, v);
      if (row === FACES || column === FACES) continue;
      const at = row * (FACES + 1) + column;
      const below = at + FACES + 1;
      corners.push(at, below, at + 1, at + 1, below, below + 1);
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(points, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(places, 2));
  geometry.setIndex(corners);
  geometry.computeVertexNormals();
  return geometry;
}

/** Gloss units at 60° as the roughness of a surface: dead matte 0.95, a mirror next to none. */
const roughnessOf = (gloss: number): number => 0.95 - 0.88 * Math.min(1, gloss / 100) ** 0.75;
/** How much steeper small things are drawn than they are, so that they are seen. */
const STEEP = 1.4;

function texturesOf({ size, colour, gloss, metal, height }: FinishMaps, anisotropy: number): Texture[] {
  const surface = new Uint8Array(size * size * 4);
  const normal = new Uint8Array(size * size * 4);
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) {
      const at = y * size + x;
      surface[at * 4 + 1] = 255 * roughnessOf(gloss[at] ?? 0);
      surface[at * 4 + 2] = metal[at] ?? 0;
      surface[at * 4 + 3] = 255;
      const beside = height[y * size + Math.min(size - 1, x + 1)] ?? 0;
      const under = height[Math.min(size - 1, y + 1) * size + x] ?? 0;
      const own = height[at] ?? 0;
      const [nx, ny] = [(own - beside) * size * STEEP, (own - under) * size * STEEP];
      const long = Math.sqrt(nx * nx + ny * ny + 1);
      normal[at * 4] = 127.5 * (1 + nx / long);
      normal[at * 4 + 1] = 127.5 * (1 - ny / long);
      normal[at * 4 + 2] = 127.5 * (1 + 1 / long);
      normal[at * 4 + 3] = 255;
    }
  return [new Uint8Array(colour), surface, normal].map((data, n) => {
    const texture = new DataTexture(data, size, size, RGBAFormat);
    if (n === 0) texture.colorSpace = SRGBColorSpace;
    texture.magFilter = LinearFilter;
    texture.minFilter = LinearMipmapLinearFilter;
    texture.generateMipmaps = true;
    texture.anisotropy = anisotropy;
    texture.needsUpdate = true;
    return texture;
  });
}
