<script setup lang="ts">
import { computed } from 'vue';
import PlotFrame from '@/shared/charts/PlotFrame.vue';
import { useChartTheme } from '@/shared/charts/theme';

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
const theme = useChartTheme();

const option = computed(() => {
  const { ink, water, text, axis } = theme.value;
  return {
    animation: false,
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
        lineStyle: { color: water, width: 3 },
        data: props.points,
        markLine:
          props.floor === undefined
            ? undefined
            : {
                symbol: 'none',
                lineStyle: { color: ink, type: 'dashed' },
                label: { ...text, formatter: props.floorText, position: 'insideEndTop' },
                data: [{ yAxis: props.floor }],
              },
      },
      ...(props.mark
        ? [
            {
              type: 'scatter',
              symbolSize: 15,
              itemStyle: { color: ink },
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
  <PlotFrame
    :option="option"
    height="20.5rem"
    :label="`${yName} against ${xName}${markText ? `; now ${markText}` : ''}`"
  />
</template>
