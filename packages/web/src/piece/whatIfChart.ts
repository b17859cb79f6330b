import { nth, type WhatIfAnswer } from '@fixatum/core';
import type { ChartOption } from '../shared/DataChart.vue';

const DAY = 1440;
const lineTypes = ['solid', 'dashed', 'dotted'] as const;

/** How far each coat is cured over time, and the air below it. */
export function whatIfChart(made: WhatIfAnswer): ChartOption {
  const end = made.moments.at(-1) ?? 0;
  const scale = end > 3 * DAY ? DAY : 60;
  const unit = scale === DAY ? 'days' : 'hours';
  const points = (values: readonly number[]) => made.moments.map((at, n) => [at / scale, nth(values, n)]);
  const marks = (
    made.packAt === made.wearAt
      ? [{ name: 'packable and wearable', at: made.packAt }]
      : [
          { name: 'packable', at: made.packAt },
          { name: 'wearable', at: made.wearAt },
        ]
  ).filter((mark) => Number.isFinite(mark.at));
  return {
    grid: [
      { left: 46, right: 24, top: 34, height: 210 },
      { left: 46, right: 24, top: 282, height: 56 },
    ],
    legend: { top: 0, data: made.progress.map((_, at) => `${at + 1}`) },
    tooltip: { trigger: 'axis', valueFormatter: (value) => `${Math.round(Number(value))}` },
    xAxis: [
      { type: 'value', gridIndex: 0, max: end / scale, axisLabel: { show: false } },
      {
        type: 'value',
        gridIndex: 1,
        max: end / scale,
        name: unit,
        axisLabel: { showMaxLabel: false },
        nameLocation: 'middle',
        nameGap: 24,
      },
    ],
    yAxis: [
      { type: 'value', gridIndex: 0, max: 100, name: 'cured, %', nameGap: 8 },
      { type: 'value', gridIndex: 1, name: '°C', scale: true, splitNumber: 2 },
    ],
    series: [
      ...made.progress.map((line, at) => {
        return {
          type: 'line' as const,
          name: `${at + 1}`,
          showSymbol: false,
          lineStyle: { width: 2, type: nth(lineTypes, at % lineTypes.length) },
          data: points(line.map((share) => share * 100)),
          ...(at === 0
            ? {
                markLine: {
                  symbol: 'none',
                  label: { formatter: '{b}', position: 'insideEndTop' as const },
                  data: marks.map((mark) => ({ name: mark.name, xAxis: mark.at / scale })),
                },
              }
            : {}),
        };
      }),
      {
        type: 'line' as const,
        name: 'air',
        xAxisIndex: 1,
        yAxisIndex: 1,
        showSymbol: false,
        data: points(made.temperatureC),
      },
    ],
  };
}
