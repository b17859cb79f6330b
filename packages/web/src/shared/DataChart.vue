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
/** Every word and line in the ink of the light at hand, as charts are drawn for paper by themselves. */
const light = computed(() => {
  const colours = theme.current.value.colors;
  const ink = colours['on-surface'];
  const quiet = colours.secondary;
  const axis = {
    axisLine: { lineStyle: { color: quiet } },
    axisTick: { lineStyle: { color: quiet } },
    axisLabel: { color: ink },
    nameTextStyle: { color: ink },
    splitLine: { lineStyle: { color: [colours['surface-variant']] } },
  };
  return {
    textStyle: { fontFamily: 'Atkinson Hyperlegible Next Variable, sans-serif', color: ink },
    // Colour is for paint: lines are told apart by dash and weight.
    color: [ink, colours.warning, colours.success, colours.error, quiet],
    legend: { textStyle: { color: ink }, inactiveColor: quiet },
    tooltip: {
      backgroundColor: colours.surface,
      borderColor: quiet,
      textStyle: { color: ink },
    },
    valueAxis: axis,
    timeAxis: axis,
    categoryAxis: axis,
    markPoint: { label: { color: ink } },
    markLine: { label: { color: ink }, lineStyle: { color: quiet } },
  };
});
const drawn = computed((): ChartOption => ({
  animation: false,
  ...props.option,
  // Names of materials and places are people's own words: a tip is drawn as text and never read as HTML.
  ...(props.option.tooltip ? { tooltip: { ...props.option.tooltip, renderMode: 'richText' } } : {}),
}));
</script>

<template>
  <VChart
    :option="drawn"
    :theme="light"
    autoresize
    :style="{ height: `${height}px` }"
    role="img"
    :aria-label="label"
  />
</template>
