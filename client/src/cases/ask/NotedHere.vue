<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import type { JudgedCase, Knowledge } from '@/shared/api/client';
import type { Spot } from '@/drawing/layout/spots';
import { tagsAt } from '@/drawing/tags';

/** All that was noted at this place, also what found no room on the drawing; each can be taken out. */
const props = defineProps<{ spot: Spot; data: JudgedCase; knowledge: Knowledge }>();
defineEmits<{ takeOut: [entryId: string] }>();

const noted = computed(() => {
  const all = tagsAt(props.spot.place, props.data, props.knowledge).filter((t) => !t.isFigure);
  return props.spot.cylinder ? all.filter((t) => t.spot.cylinder === props.spot.cylinder) : all;
});
</script>

<template>
  <ul v-if="noted.length" aria-label="Noted here">
    <li v-for="t in noted" :key="t.id">
      <span>{{ t.text }}</span>
      <Button
        label="take out"
        variant="text"
        severity="secondary"
        :aria-label="`Take out ${t.says}`"
        @click="$emit('takeOut', t.id)"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--line);
}
</style>
