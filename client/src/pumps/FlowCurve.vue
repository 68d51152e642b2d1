<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';
import { useTheme } from '@/shared/theme/useTheme';

use([LineChart, ScatterChart, GridComponent, MarkLineComponent, AriaComponent, SVGRenderer]);

/** What the pump delivers and what the nozzle passes, against pressure; they meet at the operating point. */
const props = defineProps<{ curves: Schemas['CurvesResponse'] }>();
const { dark } = useTheme();

const option = computed(() => {
  void dark.value;
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string) => style.getPropertyValue(name).trim();
  const [ink, water, line] = [colour('--ink'), colour('--water'), colour('--line')];
  const { points, operating, setting, pressureUnit, flowUnit } = props.curves;
  const text = { color: ink, fontSize: 15, fontFamily: 'Atkinson Hyperlegible Next' };
  const rounded = (most: number) => {
    const step = 10 ** Math.floor(Math.log10(most)) / 2;
    return Math.ceil(most / step) * step;
  };
  const top = Math.max(...points.map((p) => p.pumpHigh)) * 1.2;
  const edge = (read: (p: (typeof points)[number]) => number) => ({
    type: 'line',
    symbol: 'none',
    lineStyle: { color: water, width: 1.5, opacity: 0.7, type: 'dashed' },
    data: points.map((p) => [p.pressureBar, read(p)]),
  });
  const axis = {
    axisLabel: text,
    nameTextStyle: text,
    axisLine: { lineStyle: { color: ink } },
    splitLine: { lineStyle: { color: line } },
  };
  return {
    animation: false,
    aria: { enabled: true },
    grid: { left: 8, right: 24, top: 40, bottom: 8, containLabel: true },
    xAxis: {
      ...axis,
      type: 'value',
      name: pressureUnit,
      max: points.at(-1)?.pressureBar,
      axisLabel: { ...text, formatter: (v: number) => digits(v) },
    },
    yAxis: { ...axis, type: 'value', name: flowUnit, max: rounded(top) },
    series: [
      edge((p) => p.pumpLow),
      edge((p) => p.pumpHigh),
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: water, width: 3 },
        endLabel: { ...text, show: true, formatter: 'pump', offset: [-60, -14] },
        data: points.map((p) => [p.pressureBar, p.pumpFlow]),
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
        data: points.filter((p) => p.nozzleFlow <= top).map((p) => [p.pressureBar, p.nozzleFlow]),
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
          formatter: `${digits(operating.nozzleFlow)} ${flowUnit} at ${digits(operating.pressureBar)} ${pressureUnit}`,
        },
        data: [[operating.pressureBar, operating.nozzleFlow]],
      },
    ],
  };
});
</script>

<template>
  <VChart class="chart" :option="option" autoresize />
  <p class="key"><b class="pump">solid</b> pump, dashed its band · <b>dotted</b> outlet · they meet where it runs</p>
</template>

<style scoped>
.chart {
  height: 19rem;
}

.key {
  margin: 0;
  color: var(--ink-2);
  font-size: 0.9375rem;
}

.pump {
  color: var(--water);
}
</style>
