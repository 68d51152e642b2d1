<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import { digits } from '@/shared/format';
import { useTheme } from '@/shared/theme/useTheme';

use([LineChart, ScatterChart, GridComponent, MarkLineComponent, AriaComponent, SVGRenderer]);

/** One line, a mark on it, and a level that matters. */
const props = defineProps<{
  points: number[][];
  mark?: number[];
  markText?: string;
  floor?: number;
  floorText?: string;
  xName: string;
  yName: string;
}>();
const { dark } = useTheme();

const option = computed(() => {
  void dark.value;
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string) => style.getPropertyValue(name).trim();
  const text = { color: colour('--ink'), fontSize: 15, fontFamily: 'Atkinson Hyperlegible Next' };
  const axis = {
    type: 'value',
    axisLabel: { ...text, formatter: (v: number) => digits(v) },
    nameTextStyle: text,
    axisLine: { lineStyle: { color: colour('--ink') } },
    splitLine: { lineStyle: { color: colour('--line') } },
  };
  return {
    animation: false,
    aria: { enabled: true },
    grid: { left: 8, right: 24, top: 40, bottom: 26, containLabel: true },
    xAxis: {
      ...axis,
      name: props.xName,
      nameLocation: 'middle',
      nameGap: 30,
      min: props.points[0]?.[0],
      max: props.points.at(-1)?.[0],
    },
    yAxis: { ...axis, name: props.yName, nameTextStyle: { ...text, align: 'left' }, scale: props.floor !== undefined },
    series: [
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: colour('--water'), width: 3 },
        data: props.points,
        markLine:
          props.floor === undefined
            ? undefined
            : {
                symbol: 'none',
                lineStyle: { color: colour('--ink'), type: 'dashed' },
                label: { ...text, formatter: props.floorText, position: 'insideEndTop' },
                data: [{ yAxis: props.floor }],
              },
      },
      ...(props.mark
        ? [
            {
              type: 'scatter',
              symbolSize: 15,
              itemStyle: { color: colour('--ink') },
              label: { ...text, show: true, position: 'bottom', distance: 12, formatter: props.markText },
              data: [props.mark],
            },
          ]
        : []),
    ],
  };
});
</script>

<template>
  <VChart class="chart" :option="option" autoresize />
</template>

<style scoped>
.chart {
  height: 20.5rem;
}
</style>
