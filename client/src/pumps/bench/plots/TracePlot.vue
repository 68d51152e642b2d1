<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import PlotFrame from '@/shared/charts/PlotFrame.vue';
import { useChartTheme } from '@/shared/charts/theme';
import { digits } from '@/shared/format';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import { traceRange, turnMarks } from './trace';

/** A stretch of simulated time at one place, with the turns of the crank marked. */
const props = defineProps<{ trace: Schemas['TraceDto']; unit: string; cycles?: boolean }>();
const theme = useChartTheme();
const place = ref('head');

const places = computed(() => [
  { value: 'head', text: 'the head' },
  { value: 'gun', text: 'the nozzle' },
  { value: 'inlet', text: 'the inlet' },
  ...props.trace.chambers.map((_, k) => ({ value: `chamber-${k}`, text: `inside chamber ${k + 1}` })),
]);
const values = computed(() => {
  if (place.value === 'gun') return props.trace.gun;
  if (place.value === 'inlet') return props.trace.inlet;
  const chamber = /^chamber-(\d+)$/.exec(place.value);
  return (chamber ? props.trace.chambers[Number(chamber[1])] : undefined) ?? props.trace.head;
});
const end = computed(() => (props.trace.seconds.at(-1) ?? 1) * 1000);
const label = computed(() => {
  const [least, most] = [Math.min(...values.value), Math.max(...values.value)];
  return `Pressure over time, ${digits(least)} to ${digits(most)} ${props.unit} in ${digits(end.value)} ms`;
});

const option = computed(() => {
  const { ink, water, text, axis } = theme.value;
  const { least, most } = traceRange(values.value);
  return {
    animation: false,
    grid: { left: 8, right: 12, top: 28, bottom: 8, containLabel: true },
    xAxis: {
      ...axis,
      max: end.value,
      splitLine: { show: false },
      axisLabel: { ...text, showMinLabel: false, showMaxLabel: false, formatter: (v: number) => `${digits(v)} ms` },
    },
    yAxis: { ...axis, name: props.unit, min: least, max: most, interval: (most - least) / 2 },
    series: [
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: water, width: 2.5 },
        data: values.value.map((v, i) => [(props.trace.seconds[i] ?? 0) * 1000, v]),
        markLine: {
          symbol: 'none',
          silent: true,
          label: { show: false },
          lineStyle: { color: ink, type: 'dashed', opacity: 0.6 },
          data: turnMarks(props.trace).map((seconds) => ({ xAxis: seconds * 1000 })),
        },
      },
    ],
  };
});
</script>

<template>
  <div>
    <ChoiceField v-model="place" label="Simulated pressure at" :options="places" />
    <PlotFrame :option="option" height="10rem" :label="label" />
    <p class="quiet">dashed: one {{ cycles ? 'cycle' : 'turn' }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 0;
  font-size: 0.9375rem;
}
</style>
