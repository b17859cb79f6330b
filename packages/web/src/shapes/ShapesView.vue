<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { textOfFile, type Piece } from '@fixatum/core';
import { useBuild } from '../shared/build';
import DropField from '../shared/DropField.vue';
import { fileOf } from '../shared/inputs';
import type { WorkerLink } from '../shared/offThread/workerLink';
import { useDrawingDraft } from './drawingDraft';
import MeshPanel from './MeshPanel.vue';
import type { MeshSummary } from './offThread/meshWork';
import type { SheetSummary } from './offThread/sheetWork';
import type { ShapeWork } from './offThread/shapeWorker';
import OutlinesPanel from './OutlinesPanel.vue';
import PhotoPanel from './PhotoPanel.vue';
import { openShapeWorker } from './shapeWorker';

/** From a cut template, a mesh or a photo to pieces with areas and zones; or to the drawing of a piece that is there. */
const store = useBuild();
const route = useRoute();
const router = useRouter();
const draft = useDrawingDraft();
const piece = computed(() => store.pieceOf(String(route.query.piece ?? '')));

const MOST_MB = 60;
const MOST_PX = 1800;
const endings = {
  drawing: ['svg', 'dxf'],
  pdf: ['pdf'],
  mesh: ['obj', 'stl', 'glb', 'gltf'],
  photo: ['jpg', 'jpeg', 'png', 'webp'],
};

type Opened =
  | { way: 'outlines'; sheet: SheetSummary; link: WorkerLink<ShapeWork> }
  | { way: 'mesh'; mesh: MeshSummary; link: WorkerLink<ShapeWork> }
  | { way: 'photo'; photo: { url: string; width: number; height: number } };
const opened = shallowRef<Opened>();
const fileName = ref('');
const reading = ref('');
const problem = ref('');
let link: WorkerLink<ShapeWork> | undefined;
let stopper: AbortController | undefined;
/** Which file is in hand; answers about another come too late. */
const ticket = ref(0);

function stop(): void {
  stopper?.abort();
  link?.end();
  link = undefined;
  reading.value = '';
  ticket.value += 1;
}
onBeforeUnmount(stop);

async function open(file: File | undefined): Promise<void> {
  if (!file) return;
  stop();
  const mine = ticket.value;
  problem.value = '';
  opened.value = undefined;
  fileName.value = file.name;
  const ending = file.name.toLowerCase().replace(/^.*\./, '');
  if (file.size > MOST_MB * 1024 * 1024) {
    problem.value = `${file.name} is larger than ${MOST_MB} MB. Save only what is cut, or make the mesh simpler.`;
    return;
  }
  if (file.size === 0) {
    problem.value = `${file.name} is empty.`;
    return;
  }
  reading.value = `Reading ${file.name}…`;
  try {
    const read = await readAs(ending, file);
    if (mine === ticket.value) opened.value = read;
  } catch (error) {
    if (mine === ticket.value) problem.value = error instanceof Error ? error.message : 'That did not work.';
  } finally {
    if (mine === ticket.value) reading.value = '';
  }
}

async function readAs(ending: string, file: File): Promise<Opened> {
  if (endings.photo.includes(ending)) return { way: 'photo', photo: await readPhoto(file) };
  const own = (link = openShapeWorker());
  if (endings.drawing.includes(ending)) {
    const text = textOfFile(new Uint8Array(await file.arrayBuffer()));
    return {
      way: 'outlines',
      link: own,
      sheet: await own.run((remote) => remote.openDrawing(text, ending === 'dxf')),
    };
  }
  if (endings.pdf.includes(ending)) {
    const { readPdf } = await import('./readPdf');
    const { signal } = (stopper = new AbortController());
    const { pages, ops } = await readPdf(
      await file.arrayBuffer(),
      (page, of) => (reading.value = `Reading ${file.name}: page ${page} of ${of}`),
      signal,
    );
    reading.value = `Finding lines in ${file.name}…`;
    return { way: 'outlines', link: own, sheet: await own.run((remote) => remote.openPages(pages, ops)) };
  }
  if (endings.mesh.includes(ending)) {
    const bytes = await file.arrayBuffer();
    return { way: 'mesh', link: own, mesh: await own.run((remote) => remote.openMesh(file.name, bytes)) };
  }
  throw new Error(
    `.${ending} files can’t be read here. Outlines come as SVG, DXF or PDF, meshes as OBJ, STL or glTF, photos as JPEG, PNG or WebP.`,
  );
}

/** The photo as it is drawn on: turned the right way up, and no larger than anybody needs. */
async function readPhoto(file: File): Promise<{ url: string; width: number; height: number }> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    throw new Error('That photo is damaged, or is not what its name says.');
  }
  const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  const [width, height] = [
    Math.max(1, Math.round(picture.width * scale)),
    Math.max(1, Math.round(picture.height * scale)),
  ];
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, width, height);
  picture.close();
  return {
    url: URL.createObjectURL(await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 })),
    width,
    height,
  };
}

const chosen = (event: Event) => void open(fileOf(event));
async function drawn(of: Piece): Promise<void> {
  draft.draft = of;
  await router.push({ name: 'drawing', params: { build: store.theId, piece: of.id } });
}
</script>

<template>
  <div v-if="store.build" class="page">
    <router-link
      class="small"
      :to="
        piece
          ? { name: 'piece', params: { build: store.theId, piece: piece.id } }
          : { name: 'pieces', params: { build: store.theId } }
      "
      >← {{ piece ? piece.name : 'All pieces' }}</router-link
    >
    <h1 class="my-2">{{ piece ? `A drawing for ${piece.name}` : 'From a template, a mesh or a photo' }}</h1>
    <DropField
      class="mb-5"
      label="Template, mesh or photo"
      :words="opened ? `${fileName}. Another file` : 'Drop a file here, or choose one'"
      accept=".svg,.dxf,.pdf,.obj,.stl,.glb,.gltf,image/jpeg,image/png,image/webp"
      :slim="opened !== undefined"
      @file="open"
    />
    <p v-if="problem" class="faults mt-3" role="alert">{{ problem }}</p>
    <p v-if="reading" class="reading" role="status">
      {{ reading }} <v-btn size="small" variant="text" @click="stop">Stop</v-btn>
    </p>
    <div v-if="!opened && !reading" class="ways">
      <div>
        <h2>A cut template</h2>
        <p>
          SVG, DXF or PDF, as it is printed and cut. Closed outlines become pieces at their true size, what is
          in them holes, grooves, and areas with a finish of their own.
        </p>
      </div>
      <div v-if="!piece">
        <h2>A mesh</h2>
        <p>OBJ, STL or glTF. Its outer face is measured; groups become zones, its tightest curve a bend.</p>
      </div>
      <div>
        <h2>A photo</h2>
        <p>
          Of the part in your hand or on the mat, with a ruler beside it. Draw round it with the mouse or a
          finger.
          <label class="camera"
            >Take one with the phone<input
              type="file"
              accept="image/*"
              capture="environment"
              aria-label="Take a photo"
              @change="chosen"
          /></label>
        </p>
      </div>
    </div>
    <p v-if="!opened && !reading" class="small quiet">Files are read on this machine and stay here.</p>
    <OutlinesPanel
      v-if="opened?.way === 'outlines'"
      :key="`outlines ${ticket}`"
      :link="opened.link"
      :sheet="opened.sheet"
      :file-name="fileName"
      :piece="piece"
      @drawn="drawn"
    />
    <MeshPanel
      v-else-if="opened?.way === 'mesh'"
      :key="`mesh ${ticket}`"
      :link="opened.link"
      :mesh="opened.mesh"
      :file-name="fileName"
    />
    <PhotoPanel
      v-else-if="opened?.way === 'photo'"
      :key="`photo ${ticket}`"
      :photo="opened.photo"
      :piece="piece"
      @drawn="drawn"
    />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.camera input {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}

.camera {
  text-decoration: underline;
  cursor: pointer;
}

.camera:focus-within {
  outline: 3px solid rgb(var(--v-theme-primary));
}

.reading {
  margin: 18px 0;
}

.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 32px;
  margin: 24px 0 12px;
}
</style>
