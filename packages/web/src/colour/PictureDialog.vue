<script setup lang="ts">
import { byteHex, mainColours, withoutTint } from '@fixatum/core';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import DropField from '../shared/DropField.vue';

/** Colours from a picture: points that are picked, or its main colours, freed from the tint of the light. The picture stays on this machine. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ take: [colours: string[]] }>();

const MOST_BYTES = 30 * 1024 * 1024;
/** Larger pictures are made smaller: colours are as good, and picking stays quick. */
const MOST_PX = 1200;
const TYPES = ['image/png', 'image/jpeg', 'image/webp'];
const MAIN_COLOURS = 8;
/** A point is the mean over this many pixels each way, as a single one is mostly noise. */
const POINT_PX = 2;

const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const lens = useTemplateRef<HTMLCanvasElement>('lens');
const has = ref(false);
const problem = ref('');
const raw = ref<string[]>([]);
const neutral = ref<{ colour: string; isWhite: boolean }>();
const picking = ref<'colour' | 'grey' | 'white'>('colour');
const under = ref<string>();

const colours = computed(() =>
  raw.value.map((colour) =>
    neutral.value ? withoutTint(colour, neutral.value.colour, neutral.value.isWhite) : colour,
  ),
);

async function take(file: File | undefined): Promise<void> {
  problem.value = '';
  if (!file) return;
  if (!TYPES.includes(file.type)) {
    problem.value = 'That is no picture that can be read here: take a JPEG, PNG or WebP.';
    return;
  }
  if (file.size > MOST_BYTES) {
    problem.value = 'That picture is larger than 30 MB: make it smaller first.';
    return;
  }
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    problem.value = 'That picture is damaged, or is not what its name says.';
    return;
  }
  const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  has.value = true;
  raw.value = [];
  neutral.value = undefined;
  await nextTick();
  const target = canvas.value;
  if (!target) return;
  target.width = Math.max(1, Math.round(picture.width * scale));
  target.height = Math.max(1, Math.round(picture.height * scale));
  pixels()?.drawImage(picture, 0, 0, target.width, target.height);
  picture.close();
}
const pixels = () => canvas.value?.getContext('2d', { willReadFrequently: true });

/** Where on the picture the pointer is, in its own pixels. */
function placeOf(event: PointerEvent): readonly [number, number] | undefined {
  const target = canvas.value;
  if (!target) return undefined;
  const box = target.getBoundingClientRect();
  return [
    Math.floor(((event.clientX - box.left) / box.width) * target.width),
    Math.floor(((event.clientY - box.top) / box.height) * target.height),
  ];
}
function colourAt([x, y]: readonly [number, number]): string | undefined {
  const context = pixels();
  const target = canvas.value;
  if (!context || !target) return undefined;
  const [left, top] = [Math.max(0, x - POINT_PX), Math.max(0, y - POINT_PX)];
  const { data } = context.getImageData(
    left,
    top,
    Math.min(target.width - left, POINT_PX * 2 + 1),
    Math.min(target.height - top, POINT_PX * 2 + 1),
  );
  const sums = [0, 0, 0];
  for (let at = 0; at < data.length; at += 4)
    for (let band = 0; band < 3; band += 1) sums[band]! += data[at + band]!;
  return data.length > 0 ? byteHex(sums.map((sum) => sum / (data.length / 4))) : undefined;
}

const LENS_PX = 11;
function look(event: PointerEvent): void {
  const place = placeOf(event);
  if (!place || !lens.value || !canvas.value) return;
  under.value = colourAt(place);
  const context = lens.value.getContext('2d');
  if (!context) return;
  context.imageSmoothingEnabled = false;
  context.clearRect(0, 0, lens.value.width, lens.value.height);
  const half = (LENS_PX - 1) / 2;
  context.drawImage(
    canvas.value,
    place[0] - half,
    place[1] - half,
    LENS_PX,
    LENS_PX,
    0,
    0,
    lens.value.width,
    lens.value.height,
  );
}
function pick(event: PointerEvent): void {
  const place = placeOf(event);
  const colour = place && colourAt(place);
  if (!colour) return;
  if (picking.value === 'colour') raw.value = [...raw.value, colour];
  else {
    neutral.value = { colour, isWhite: picking.value === 'white' };
    picking.value = 'colour';
  }
}
function takeMain(): void {
  const context = pixels();
  const target = canvas.value;
  if (!context || !target) return;
  const { data } = context.getImageData(0, 0, target.width, target.height);
  raw.value = mainColours({ data, width: target.width, height: target.height }, MAIN_COLOURS);
  problem.value = raw.value.length === 0 ? 'There is nothing to see in this picture: it is transparent.' : '';
}
function done(): void {
  emit('take', colours.value);
  open.value = false;
}
</script>

<template>
  <AppDialog v-model="open" max-width="900" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-2">Colours from a picture</h2>
        <p class="quiet mb-3">The picture stays on this machine; only the colours you take are kept.</p>
        <DropField
          label="Picture"
          :words="has ? 'Another picture' : 'Drop a picture here, or choose one'"
          accept="image/png,image/jpeg,image/webp"
          slim
          @file="take"
        />
        <p v-if="problem" class="faults" role="alert">{{ problem }}</p>
        <div v-if="has" class="work">
          <canvas
            ref="canvas"
            class="picture"
            data-testid="picture"
            aria-label="The picture: press where a colour is"
            @pointermove="look"
            @pointerdown="pick"
          />
          <div class="side">
            <canvas ref="lens" class="lens" width="132" height="132" aria-hidden="true" />
            <p class="small figures quiet">{{ under ?? 'Press in the picture' }}</p>
            <div class="segmented column" role="group" aria-label="What a press picks">
              <button :aria-pressed="picking === 'colour'" @click="picking = 'colour'">A colour</button>
              <button :aria-pressed="picking === 'grey'" @click="picking = 'grey'">
                Something neutral grey
              </button>
              <button :aria-pressed="picking === 'white'" @click="picking = 'white'">White paper</button>
            </div>
            <v-btn size="small" variant="outlined" @click="takeMain">Its main colours</v-btn>
            <p v-if="neutral" class="small">
              The tint of the light is taken out by
              <span class="dot" :style="{ background: neutral.colour }" /> {{ neutral.colour }}.
              <button class="link" @click="neutral = undefined">Leave it in</button>
            </p>
          </div>
        </div>
        <ul v-if="colours.length > 0" class="taken" aria-label="Taken">
          <li v-for="(colour, at) in colours" :key="at">
            <span class="patch" :style="{ background: colour }" /><span class="figures small">{{
              colour
            }}</span
            ><button :aria-label="`Leave ${colour} out`" @click="raw = raw.filter((_, n) => n !== at)">
              ×
            </button>
          </li>
        </ul>
      </v-card-text>
      <DialogFoot
        v-model="open"
        :words="colours.length === 1 ? 'Put it in the palette' : `Put ${colours.length} in the palette`"
        :disabled="colours.length === 0"
        @done="done"
      />
    </v-card>
  </AppDialog>
</template>

<style scoped>
.work {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 18px;
  margin-top: 14px;
}

.picture {
  width: 100%;
  max-height: 52vh;
  object-fit: contain;
  cursor: crosshair;
  touch-action: none;
}

.side {
  display: flex;
  flex-direction: column;
  gap: 8px;
}

.lens {
  width: 132px;
  height: 132px;
  border: 1px solid var(--line);
  border-radius: 50%;
}

.segmented.column {
  flex-direction: column;
}

.taken {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 14px;
}

.taken li {
  display: flex;
  align-items: center;
  gap: 6px;
}

.taken button {
  min-width: 32px;
  min-height: 32px;
}

.patch {
  width: 40px;
  height: 32px;
  border: 1px solid var(--line);
}

.dot {
  display: inline-block;
  width: 14px;
  height: 14px;
  border: 1px solid var(--line);
  vertical-align: -2px;
}

.link {
  text-decoration: underline;
}

@media (max-width: 640px) {
  .work {
    grid-template-columns: 1fr;
  }
}
</style>
