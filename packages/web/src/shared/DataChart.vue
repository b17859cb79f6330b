<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts';
import {
  DataZoomComponent,
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components';
import { use, type ComposeOption } from 'echarts/core';
import type { LineSeriesOption, ScatterSeriesOption } from 'echarts/charts';
import type {
  GridComponentOption,
  LegendComponentOption,
  MarkLineComponentOption,
  TooltipComponentOption,
} from 'echarts/components';
import { SVGRenderer } from 'echarts/renderers';
import VChart from 'vue-echarts';
import { computed } from 'vue';
import { useTheme } from 'vuetify';

/** A chart in the colours of the theme at hand. */
export type ChartOption = ComposeOption<
  | LineSeriesOption
  | ScatterSeriesOption
  | GridComponentOption
  | LegendComponentOption
  | MarkLineComponentOption
  | TooltipComponentOption
>;
const props = withDefaults(defineProps<{ option: ChartOption; label: string; height?: number }>(), {
  height: 260,
});
use([
  SVGRenderer,
  LineChart,
  ScatterChart,
  GridComponent,
  LegendComponent,
  TooltipComponent,
  MarkLineComponent,
  MarkAreaComponent,
  DataZoomComponent,
]);
const theme = useTheme();
const themed = computed(() => {
  const colours = theme.current.value.colors;
  return {
    textStyle: {
      fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif',
      color: colours['on-surface'],
    },
    // Colour is for paint: lines are told apart by dash and weight, in the ink of the theme.
    color: [colours['on-surface'], colours.warning, colours.success, colours.error, colours.secondary],
    animation: false,
    ...props.option,
    // Names of materials and places are people's own words: a tip is drawn as text and never read as HTML.
    ...(props.option.tooltip ? { tooltip: { ...props.option.tooltip, renderMode: 'richText' } } : {}),
  } as ChartOption;
});
</script>

<template>
  <VChart :option="themed" autoresize :style="{ height: `${height}px` }" role="img" :aria-label="label" />
</template>
