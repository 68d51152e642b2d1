<script setup lang="ts">
import { computed, ref } from 'vue';
import PlotFrame from '@/shared/charts/PlotFrame.vue';
import { useChartTheme } from '@/shared/charts/theme';
import { digits } from '@/shared/format';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import type { PumpLife } from './lines';

/** How long parts of a kind last: the curve, and the failures that it was drawn through. */
const props = defineProps<{ lives: PumpLife['lives'] }>();
const theme = useChartTheme();
const kind = ref(props.lives.find((l) => l.points.length > 0)?.kind ?? props.lives[0]?.kind ?? '');
const shown = computed(() => props.lives.find((l) => l.kind === kind.value));

// Weibull paper: a straight line where the law holds.
const paper = (failed: number) => Math.log(-Math.log(1 - failed));
const shares = [0.01, 0.05, 0.1, 0.3, 0.632, 0.9, 0.99];
const option = computed(() => {
  const { ink, water, text, axis, line } = theme.value;
  const life = shown.value;
  if (!life) return {};
  const hours = [...life.points, ...life.curve].map((p) => p.hours).filter((h) => h > 0);
  const least = Math.min(...life.points.map((p) => p.hours), life.estimate.b10.value) / 2;
  return {
    animation: false,
    grid: { left: 8, right: 24, top: 16, bottom: 30, containLabel: true },
    xAxis: {
      ...axis,
      type: 'log',
      name: 'hours',
      nameLocation: 'middle',
      nameGap: 30,
      min: least,
      max: Math.max(...hours) * 1.2,
    },
    yAxis: {
      ...axis,
      min: paper(0.01),
      max: paper(0.99),
      axisLabel: {
        ...text,
        customValues: shares.map(paper),
        formatter: (y: number) => `${Math.round(100 * (1 - Math.exp(-Math.exp(y))))} %`,
      },
      axisTick: { show: false },
      splitLine: { show: false },
    },
    series: [
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: water, width: 3 },
        data: life.curve.filter((p) => p.failed > 0.001 && p.failed < 0.999).map((p) => [p.hours, paper(p.failed)]),
        markLine: {
          symbol: 'none',
          lineStyle: { color: line },
          label: { show: false },
          data: shares.map((s) => ({ yAxis: paper(s) })),
        },
      },
      {
        type: 'scatter',
        symbolSize: 12,
        itemStyle: { color: ink },
        data: life.points.map((p) => [p.hours, paper(Math.min(0.99, Math.max(0.01, p.failed)))]),
      },
    ],
  };
});
const band = (b: { value: number; low: number; high?: number | null }, places = 2) =>
  b.low === b.value && b.high === b.value
    ? `${digits(b.value, places)} (held)`
    : `${digits(b.value, places)} (${digits(b.low, places)} to ${b.high == null ? 'unknown' : digits(b.high, places)})`;
</script>

<template>
  <div v-if="shown" class="life">
    <ChoiceField
      v-model="kind"
      label="How long do they last?"
      :options="lives.map((l) => ({ value: l.kind, text: l.name }))"
    />
    <PlotFrame
      height="17rem"
      :option="option"
      :label="`${shown.name}: a tenth has failed by ${digits(shown.estimate.b10.value)} hours`"
    />
    <dl>
      <dt>A tenth failed by</dt>
      <dd class="figure">{{ band(shown.estimate.b10, 3) }} h</dd>
      <dt>They last on average</dt>
      <dd class="figure">{{ band(shown.estimate.mean, 3) }} h</dd>
      <dt>Shape</dt>
      <dd class="figure">{{ band(shown.estimate.shape) }}</dd>
    </dl>
    <p class="quiet">
      {{ shown.estimate.failures }} failed, {{ shown.estimate.censored }} ran on or were changed along, on pumps like
      this with {{ shown.liquid }}{{ shown.pooled ? '; the catalogue’s figure is heard beside them' : '' }}. In brackets
      nine in ten.
    </p>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.15rem 1rem;
  margin: 0.25rem 0;
}

dd {
  margin: 0;
  text-align: right;
}
</style>
