<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import type { CaseResource } from '@/shared/api/client';

/** Which pump, what is wrong with it (two lines, the rest on a tap), and the way back. */
const props = defineProps<{ data: CaseResource; busy: boolean }>();
defineEmits<{ undo: []; redo: []; rounds: [] }>();

const long = 160;
const whole = ref(false);
const isLong = computed(() => props.data.complaint.length > long);
</script>

<template>
  <div class="title">
    <RouterLink class="plate" :to="`/pumps/${data.pump.id}`">{{ data.pump.tag }}</RouterLink>
    <h1 tabindex="-1" :class="{ clamp: isLong && !whole }">{{ data.complaint }}</h1>
    <Button
      v-if="isLong"
      variant="text"
      severity="secondary"
      :label="whole ? 'Less' : 'All of it'"
      :aria-expanded="whole"
      @click="whole = !whole"
    />
    <Button
      v-if="data.round > 1"
      class="round"
      variant="text"
      severity="secondary"
      :label="`Round ${data.round}`"
      title="What was done at the openings before"
      @click="$emit('rounds')"
    />
    <span v-if="data.closed" class="quiet">closed</span>
    <RouterLink class="link report" :to="`/cases/${data.id}/report`">Report</RouterLink>
    <span class="undo">
      <Button
        severity="secondary"
        variant="outlined"
        :disabled="!data.undo || busy"
        :title="data.undo ?? ''"
        @click="$emit('undo')"
        >Undo <kbd>u</kbd></Button
      >
      <Button
        severity="secondary"
        variant="outlined"
        label="Redo"
        :disabled="!data.redo || busy"
        :title="data.redo ?? ''"
        @click="$emit('redo')"
      />
    </span>
  </div>
</template>

<style scoped>
.title {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  padding: 0.2rem 1rem;
  border-bottom: 1px solid var(--line);
}

.plate {
  min-height: 44px;
}

h1 {
  min-width: 0;
  font-family: var(--font-text);
  font-size: 1.1875rem;
  line-height: 1.2;
  overflow-wrap: anywhere;
}

h1:focus {
  outline: none;
}

.clamp {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}

.round {
  flex: none;
}

.report {
  display: inline-flex;
  flex: none;
  align-items: center;
  min-height: 44px;
  margin-left: auto;
}

.undo {
  display: flex;
  flex: none;
  gap: 6px;
}

@media (max-width: 520px) {
  .title {
    flex-wrap: wrap;
    gap: 0.25rem 0.75rem;
  }

  h1 {
    flex-basis: 100%;
    order: 3;
  }
}

@media print {
  .undo {
    display: none;
  }
}
</style>
