<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import VChart from 'vue-echarts';

use([LineChart, ScatterChart, GridComponent, MarkLineComponent, AriaComponent, SVGRenderer]);

/** One plot, as large as it will be before its figures have come. */
defineProps<{ option: Record<string, unknown>; height: string; label: string }>();
</script>

<template>
  <VChart class="plot" role="img" :aria-label="label" :style="{ height }" :option="option" autoresize />
</template>
