import {
  Box3,
  BufferAttribute,
  BufferGeometry,
  DirectionalLight,
  DoubleSide,
  HemisphereLight,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { turnKeys } from '../shared/turnKeys';

/** A mesh on a canvas, to be turned. */
export interface MeshScene {
  resize(): void;
  /** Draws what counts light, and the rest dark: 1 for each triangle that does. */
  show(counts: Uint8Array): void;
  dispose(): void;
}

/** Greys that are told apart: colour is for paint, and there is none yet. */
const greys = [0xb9bcbf, 0x8d9196, 0xd9dbdd, 0x6f7479, 0xa3a7ab];

/** How light what does not count is drawn, against what does. */
const UNCOUNTED = 0.32;

/**
 * Opens a mesh on a canvas. Throws where there is no WebGL.
 * @param positions three corners a triangle
 * @param parts how many triangles each part has, in order
 */
export function createMeshScene(
  canvas: HTMLCanvasElement,
  positions: Float32Array,
  parts: readonly { triangles: number }[],
): MeshScene {
  const renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  const scene = new Scene();
  const camera = new PerspectiveCamera(34, 1, 0.01, 100);
  camera.position.set(1.6, 1.1, 2.6);
  scene.add(new HemisphereLight(0xffffff, 0x50545a, 1.4));
  const lamp = new DirectionalLight(0xffffff, 2);
  lamp.position.set(-2, 3, 2.5);
  scene.add(lamp);
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  geometry.computeVertexNormals();
  const shades = new BufferAttribute(new Float32Array(positions.length).fill(1), 3);
  geometry.setAttribute('color', shades);
  let from = 0;
  parts.forEach(({ triangles }, at) => {
    geometry.addGroup(from, triangles * 3, at % greys.length);
    from += triangles * 3;
  });
  const materials = greys.map(
    (color) =>
      new MeshStandardMaterial({
        color,
        roughness: 0.75,
        flatShading: true,
        side: DoubleSide,
        vertexColors: true,
      }),
  );
  const mesh = new Mesh(geometry, materials);
  const box = new Box3().setFromBufferAttribute(geometry.getAttribute('position') as BufferAttribute);
  const size = box.getSize(new Vector3());
  const scale = 1.7 / (Math.max(size.x, size.y, size.z) || 1);
  mesh.scale.setScalar(scale);
  mesh.position.copy(box.getCenter(new Vector3()).multiplyScalar(-scale));
  scene.add(mesh);
  const controls = new OrbitControls(camera, canvas);
  const draw = () => renderer.render(scene, camera);
  controls.addEventListener('change', draw);
  const endKeys = turnKeys(canvas, (round, over) => {
    scene.rotation.y += round;
    scene.rotation.x += over;
    draw();
  });
  return {
    show(counts) {
      for (let at = 0; at < counts.length; at += 1)
        shades.array.fill(counts[at] ? 1 : UNCOUNTED, at * 9, at * 9 + 9);
      shades.needsUpdate = true;
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
      geometry.dispose();
      for (const material of materials) material.dispose();
      renderer.dispose();
    },
  };
}
