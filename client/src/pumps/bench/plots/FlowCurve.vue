<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';
import PlotFrame from '@/shared/charts/PlotFrame.vue';
import { useChartTheme } from '@/shared/charts/theme';
import { digits } from '@/shared/format';

/** What the pump delivers and what the nozzle passes, against pressure; they meet at the operating point. */
const props = defineProps<{ curves: Schemas['CurvesResponse'] }>();
const theme = useChartTheme();
const label = computed(() => {
  const { operating, flowUnit, pressureUnit } = props.curves;
  const meeting = `${digits(operating.nozzleFlow)} ${flowUnit} and ${digits(operating.pressure)} ${pressureUnit}`;
  return `Flow of pump and outlet against pressure; they meet at ${meeting}`;
});

const option = computed(() => {
  const { ink, water, text, axis } = theme.value;
  const { points, operating, setting, pressureUnit, flowUnit } = props.curves;
  const rounded = (most: number) => {
    const step = 10 ** Math.floor(Math.log10(most)) / 2;
    return Math.ceil(most / step) * step;
  };
  const top = Math.max(...points.map((p) => p.pumpHigh)) * 1.2;
  const edge = (read: (p: (typeof points)[number]) => number) => ({
    type: 'line',
    symbol: 'none',
    lineStyle: { color: water, width: 1.5, opacity: 0.7, type: 'dashed' },
    data: points.map((p) => [p.pressure, read(p)]),
  });
  return {
    animation: false,
    grid: { left: 8, right: 24, top: 40, bottom: 8, containLabel: true },
    xAxis: {
      ...axis,
      name: pressureUnit,
      max: points.at(-1)?.pressure,
    },
    yAxis: { ...axis, name: flowUnit, max: rounded(top) },
    series: [
      edge((p) => p.pumpLow),
      edge((p) => p.pumpHigh),
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: water, width: 3 },
        endLabel: { ...text, show: true, formatter: 'pump', offset: [-60, -14] },
        data: points.map((p) => [p.pressure, p.pumpFlow]),
        markLine: setting
          ? {
              symbol: 'none',
              lineStyle: { color: ink, type: 'dashed' },
              label: { ...text, formatter: `control opens, ${digits(setting)}`, position: 'end' },
              data: [{ xAxis: setting }],
            }
          : undefined,
      },
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: ink, width: 3, type: 'dotted' },
        data: points.filter((p) => p.nozzleFlow <= top).map((p) => [p.pressure, p.nozzleFlow]),
      },
      {
        type: 'scatter',
        symbolSize: 15,
        itemStyle: { color: ink },
        label: {
          ...text,
          show: true,
          position: [14, 20],
          align: 'left',
          formatter: `${digits(operating.nozzleFlow)} ${flowUnit} at ${digits(operating.pressure)} ${pressureUnit}`,
        },
        data: [[operating.pressure, operating.nozzleFlow]],
      },
    ],
  };
});
</script>

<template>
  <PlotFrame :option="option" height="19rem" :label="label" />
  <p class="key"><b class="pump">solid</b> pump, dashed its band · <b>dotted</b> outlet · they meet where it runs</p>
</template>

<style scoped>
.key {
  margin: 0;
  color: var(--ink-2);
  font-size: 0.9375rem;
}

.pump {
  color: var(--water);
}
</style>
