<script setup lang="ts">
import { computed } from 'vue';
import type { JudgedCase, Knowledge } from '@/shared/api/client';
import PlaceTags from './PlaceTags.vue';
import PumpSketch from './PumpSketch.vue';
import { fields, height, narrowest, width } from './layout/layout';
import type { Spot } from './layout/spots';
import { suspicion } from './suspicion';

/** The drawing is the form: tap a place to note what was measured or seen there; what was noted is pinned to it. */
const props = defineProps<{ data: JudgedCase; knowledge: Knowledge; chosen?: Spot }>();
const emit = defineEmits<{ tap: [spot: Spot] }>();

const pump = computed(() => props.data.pump.pump);
const places = computed(() => fields((pump.value.control ?? 'none') !== 'none'));
const parts = computed(() => suspicion(props.data.diagnosis.suspects));
</script>

<template>
  <div class="scroller" tabindex="-1">
    <div class="drawing" :style="{ minWidth: `${narrowest}px` }">
      <PumpSketch :pump="pump" :setup="data.pump.setup" :parts="parts" :chosen="chosen" @tap="emit('tap', $event)" />
      <PlaceTags
        v-for="field in places"
        :key="field.place"
        class="tags"
        :class="field.from"
        :field="field"
        :style="{
          left: `${(100 * field.x) / width}%`,
          top: `${(100 * field.y) / height}%`,
          width: `${(100 * field.w) / width}%`,
        }"
        :place="field.place"
        :data="data"
        :knowledge="knowledge"
        @tap="emit('tap', $event)"
      />
    </div>
  </div>
</template>

<style scoped>
.scroller {
  overflow-x: auto;
}

.drawing {
  position: relative;
}

.tags {
  position: absolute;
}

@media print {
  .scroller {
    overflow: visible;
  }

  .drawing {
    min-width: 0 !important;
  }
}
</style>
