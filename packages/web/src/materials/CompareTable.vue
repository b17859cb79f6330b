<script setup lang="ts">
import { isCatalogueId, type Material } from '@fixatum/core';
import { useBuild } from '../shared/build';
import ColourChip from './ColourChip.vue';
import { materialFigures } from './materialFigures';

/** Some materials side by side, figure by figure, with where each figure is from. */
defineProps<{ materials: readonly Material[] }>();
const emit = defineEmits<{ ownTin: [material: Material] }>();
const store = useBuild();
const isOwn = (material: Material) => !isCatalogueId(material.id);
const fromLabel = (material: Material, keys: (keyof Material)[]): boolean => {
  const tin = store.build?.materials?.find((one) => one.id === material.id);
  return tin !== undefined && keys.some((key) => key in tin);
};
</script>

<template>
  <div class="compare">
    <table class="figures">
      <thead>
        <tr>
          <td class="small quiet">typical label values</td>
          <th v-for="material in materials" :key="material.id" scope="col">
            <ColourChip :colour="material.colour" small />
            {{ material.name }}
            <span class="small quiet block">{{ isOwn(material) ? 'your tin' : 'typical' }}</span>
            <v-btn size="x-small" @click="emit('ownTin', material)">{{
              isOwn(material) ? 'Change the label figures' : 'My label differs'
            }}</v-btn>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[name, help, value, ...keys] in materialFigures" :key="name">
          <th scope="row" :title="help">{{ name }}</th>
          <td v-for="material in materials" :key="material.id">
            {{ value(material)
            }}<span v-if="isOwn(material)" class="small quiet source">{{
              fromLabel(material, keys) ? 'your label' : 'typical'
            }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.block {
  display: block;
}

.source {
  margin-left: 8px;
}

.compare {
  overflow-x: auto;
  margin-bottom: 20px;
  border: 1px solid var(--line);
  background: rgb(var(--v-theme-surface));
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.92rem;
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 4px 14px;
  border-bottom: 1px solid var(--line);
}

thead th {
  padding: 10px 14px;
}

th[scope='row'] {
  font-weight: 400;
  color: var(--quiet);
  width: 130px;
  cursor: help;
}
</style>
