<script setup lang="ts">
import { computed } from 'vue';
import PlotFrame from '@/shared/charts/PlotFrame.vue';
import { useChartTheme } from '@/shared/charts/theme';
import type { Schemas } from '@/shared/api/client';

/** Of all that were eighty per cent sure, four of five should have been right: the shop’s own closed cases. */
const props = defineProps<{ record: Schemas['ShopRecordResponse'] }>();
const theme = useChartTheme();
const percent = (v: number) => `${Math.round(100 * v)} %`;

const option = computed(() => {
  const { ink, water, text, axis } = theme.value;
  const share = { ...axis, min: 0, max: 1, axisLabel: { ...text, formatter: percent } };
  const band = props.record.hunches.map((h) => ({
    type: 'line',
    symbol: 'none',
    lineStyle: { color: water, width: 4 },
    data: [
      [h.claimed, h.low],
      [h.claimed, h.high],
    ],
  }));
  return {
    animation: false,
    grid: { left: 8, right: 24, top: 36, bottom: 30, containLabel: true },
    xAxis: { ...share, name: 'how sure we were', nameLocation: 'middle', nameGap: 30 },
    yAxis: { ...share, name: 'how many were right', nameTextStyle: { ...text, align: 'left' } },
    series: [
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: ink, type: 'dashed', width: 2 },
        data: [
          [0, 0],
          [1, 1],
        ],
      },
      ...band,
      {
        type: 'scatter',
        symbolSize: 14,
        itemStyle: { color: ink },
        data: props.record.hunches.map((h) => [h.claimed, h.right / h.cases]),
      },
    ],
  };
});
const label = computed(
  () => `${props.record.ledByTheRight} of ${props.record.judged} cases were led by what was found`,
);
</script>

<template>
  <p>
    <b>{{ label }}.</b>
  </p>
  <PlotFrame height="18rem" :option="option" :label="label" />
  <p class="quiet">On the dashed line we were as often right as we said. The bars hold it nine times in ten.</p>
</template>

<style scoped>
p {
  margin: 0.15rem 0;
}
</style>
