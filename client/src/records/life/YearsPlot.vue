<script setup lang="ts">
import { computed, ref } from 'vue';
import PlotFrame from '@/shared/charts/PlotFrame.vue';
import { useChartTheme } from '@/shared/charts/theme';
import { quantity } from '@/shared/format';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import { dayWords, type PumpLife } from './lines';

/** Readings of closed cases as shares of what was expected then: drift shows before a failure does. */
const props = defineProps<{ readings: PumpLife['readings'] }>();
const theme = useChartTheme();
const name = ref(props.readings[0]?.quantity ?? '');
const shown = computed(() => props.readings.find((r) => r.quantity === name.value));
const time = (iso: string) => Date.parse(`${iso}T00:00:00Z`);

const option = computed(() => {
  const { ink, water, text, axis } = theme.value;
  const r = shown.value;
  if (!r) return {};
  const points = (after: boolean) =>
    r.points
      .filter((p) => p.after === after && p.expected.value > 0)
      .map((p) => [time(p.on), p.value.value / p.expected.value]);
  const line = r.drift?.line ?? [];
  const along = (of: (p: (typeof line)[number]) => number) => line.map((p) => [time(p.on), of(p)]);
  const edge = { type: 'line', symbol: 'none', lineStyle: { color: water, type: 'dotted', width: 2 } };
  return {
    animation: false,
    grid: { left: 8, right: 24, top: 34, bottom: 8, containLabel: true },
    xAxis: { ...axis, type: 'time', axisLabel: { ...text, hideOverlap: true }, splitLine: { show: false } },
    yAxis: {
      ...axis,
      name: 'share of what was expected',
      nameTextStyle: { ...text, align: 'left' },
      min: 0,
      axisLabel: { ...text, formatter: (v: number) => `${Math.round(100 * v)} %` },
    },
    series: [
      {
        type: 'scatter',
        symbolSize: 13,
        symbol: 'circle',
        itemStyle: { color: water, borderColor: ink, borderWidth: 1 },
        data: points(true),
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: ink, type: 'dashed' },
          label: { show: false },
          data: [{ yAxis: 1 }],
        },
      },
      {
        type: 'scatter',
        symbolSize: 13,
        symbol: 'diamond',
        itemStyle: { color: 'transparent', borderColor: ink, borderWidth: 2 },
        data: points(false),
      },
      { type: 'line', symbol: 'none', lineStyle: { color: water, width: 3 }, data: along((p) => p.share) },
      { ...edge, data: along((p) => p.low) },
      { ...edge, data: along((p) => p.high) },
    ],
  };
});
const last = computed(() => shown.value?.points.at(-1));
</script>

<template>
  <div v-if="shown" class="years">
    <ChoiceField
      v-model="name"
      label="Readings over the years"
      :options="readings.map((r) => ({ value: r.quantity, text: r.name }))"
    />
    <PlotFrame
      height="17rem"
      :option="option"
      :label="`${shown.name} over the years, as a share of what was expected`"
    />
    <p class="quiet">Discs: after a mend. Diamonds: as the pump came in.</p>
    <p v-if="last">
      Last {{ dayWords(last.on) }}: <b class="figure">{{ quantity(last.value) }}</b> of {{ quantity(last.expected) }}
      expected.
    </p>
    <p v-if="shown.drift">{{ shown.drift.sentence }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 0.15rem 0;
}
</style>
