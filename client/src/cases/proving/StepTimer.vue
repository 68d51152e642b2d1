<script setup lang="ts">
import Button from 'primevue/button';
import { useNow } from '@vueuse/core';
import { computed } from 'vue';
import { clock, leftOf } from './timer';

/** How long a pressure has been held. It runs by the server’s clock: through a reload, a sleep, on another device. */
const props = defineProps<{ started?: string | null; seconds: number; ahead: number }>();
defineEmits<{ start: [] }>();

const now = useNow({ interval: 500 });
const left = computed(() => leftOf(props.started, props.seconds, now.value.getTime() + props.ahead));
</script>

<template>
  <div class="timer">
    <template v-if="left === undefined">
      <Button severity="secondary" variant="outlined" :label="`Hold it: ${clock(seconds)}`" @click="$emit('start')" />
    </template>
    <template v-else>
      <b class="figure" role="timer" :aria-label="left > 0 ? 'Time left' : 'Held long enough'">{{ clock(left) }}</b>
      <span v-if="left <= 0">held long enough: read it now</span>
      <span v-else class="quiet">look, listen, feel nothing with a hand</span>
      <Button variant="text" severity="secondary" label="Start again" @click="$emit('start')" />
    </template>
  </div>
</template>

<style scoped>
.timer {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
}

b {
  font-size: 2rem;
}
</style>
