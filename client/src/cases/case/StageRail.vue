<script setup lang="ts">
import { computed } from 'vue';
import type { CaseResource } from '@/shared/api/client';
import { stageNames, stages, stageStates, type Stage } from '@/parts/stages';

/** The six stages; any can be reached at any time, and each has an address of its own. */
const props = defineProps<{ caseId: string; stage: Stage; data?: CaseResource }>();
const states = computed(() => (props.data ? stageStates(props.data) : undefined));
const said = { nothing: 'not begun', begun: 'begun', done: 'done' };
</script>

<template>
  <nav class="rail" aria-label="Stages">
    <RouterLink
      v-for="s in stages"
      :key="s"
      :to="`/cases/${caseId}/${s}`"
      :class="[states?.[s], { here: s === stage }]"
      :title="states ? said[states[s]] : undefined"
      :aria-current="s === stage ? 'step' : undefined"
      >{{ stageNames[s] }}</RouterLink
    >
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  align-self: stretch;
  justify-content: flex-end;
}

a {
  display: flex;
  align-items: center;
  min-height: 48px;
  padding: 0 0.8rem;
  border-left: 1px solid var(--line);
  color: var(--ink);
  font-family: var(--font-tag);
  font-weight: 500;
  font-size: 1.125rem;
  text-decoration: none;
}

.begun {
  box-shadow: inset 0 -4px 0 var(--line);
}

.done {
  box-shadow: inset 0 -4px 0 var(--water);
}

.here {
  background: var(--ink);
  color: var(--paper);
}

@media (max-width: 900px) {
  .rail {
    justify-content: stretch;
    margin: 0 -0.5rem;
    border-top: 1px solid var(--line);
  }

  a {
    flex: 1;
    justify-content: center;
    min-height: 44px;
    padding: 0 0.25rem;
  }

  a:first-child {
    border-left: 0;
  }
}
</style>
