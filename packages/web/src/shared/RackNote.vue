<script setup lang="ts">
import { racksShort } from '@fixatum/core';
import { computed, ref } from 'vue';
import { api } from './api';
import { useBuild } from './build';
import { useMe } from './me';
import NumberField from './NumberField.vue';

/** Racks that are too small for the pieces, said once for each, and how many places there are to be changed on the spot. */
const store = useBuild();
const me = useMe();
const short = computed(() => racksShort(store.theBuild, store.view?.operations ?? []));
const changing = ref<string>();
const slots = ref<number>();
function change(placeId: string, now: number): void {
  changing.value = placeId;
  slots.value = now;
}
async function save(): Promise<void> {
  const places = store.theBuild.places.map((place) =>
    place.id === changing.value && slots.value !== undefined && slots.value >= 1
      ? { ...place, slots: Math.round(slots.value) }
      : place,
  );
  if (await store.change(() => api.patchBuild(store.theId, { places }, store.etag), 'Rack changed'))
    changing.value = undefined;
}
</script>

<template>
  <ul v-if="short.length > 0" class="short small" aria-label="Racks that are full">
    <li v-for="rack in short" :key="rack.placeId" data-testid="rack-short">
      <span>
        ▲ {{ rack.passes }} coats wait for room on the rack of {{ rack.name }}: it has {{ rack.slots }}
        {{ rack.slots === 1 ? 'place' : 'places' }}.
      </span>
      <form v-if="changing === rack.placeId" class="form" @submit.prevent="save">
        <NumberField v-model="slots" class="field" label="Places" :min="1" :max="500" density="compact" />
        <v-btn type="submit" size="small" variant="flat" color="primary" :disabled="store.busy">Save</v-btn>
      </form>
      <v-btn v-else-if="!me.isHelper" size="small" variant="text" @click="change(rack.placeId, rack.slots)"
        >There are more</v-btn
      >
    </li>
  </ul>
</template>

<style scoped>
.short {
  list-style: none;
  padding: 4px 0 0;
}

.short li,
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
}

.field {
  width: 110px;
}
</style>
