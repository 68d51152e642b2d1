<script setup lang="ts">
import { stageNames, stages, type Stage } from './stages';

/** The six stages; any can be reached at any time. */
const props = defineProps<{ stage: Stage }>();
defineEmits<{ go: [stage: Stage] }>();
const passed = (s: Stage) => stages.indexOf(s) < stages.indexOf(props.stage);
</script>

<template>
  <nav class="rail" aria-label="Stages">
    <button
      v-for="s in stages"
      :key="s"
      type="button"
      :class="{ here: s === stage, passed: passed(s) }"
      :aria-current="s === stage ? 'step' : undefined"
      @click="$emit('go', s)"
    >
      {{ stageNames[s] }}
    </button>
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  align-self: stretch;
  justify-content: flex-end;
}

button {
  min-height: 48px;
  padding: 0 0.8rem;
  border: 0;
  border-left: 1px solid var(--line);
  background: none;
  color: var(--ink);
  font-family: var(--font-tag);
  font-weight: 500;
  font-size: 1.125rem;
  cursor: pointer;
}

.passed {
  box-shadow: inset 0 -4px 0 var(--water);
}

.here {
  background: var(--ink);
  color: var(--paper);
}

@media (max-width: 900px) {
  .rail {
    overflow-x: auto;
    justify-content: flex-start;
  }
}
</style>
