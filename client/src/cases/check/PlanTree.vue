<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';
import { percent } from '@/shared/format';

/** One check of the plan and where each of its answers leads. */
defineProps<{ step: Schemas['PlanStepDto'] }>();
</script>

<template>
  <div class="step">
    <p class="check">
      <b>{{ step.name }}</b> <span class="quiet">{{ step.minutes }} min</span>
    </p>
    <ul>
      <li v-for="b in step.branches" :key="b.text">
        <p>
          <span class="said">{{ b.text }}</span> <span class="figure quiet">{{ percent(b.probability) }}</span>
          <span class="leads"
            >→ {{ b.leader }} <span class="figure">{{ percent(b.leaderProbability) }}</span></span
          >
        </p>
        <PlanTree v-if="b.next" :step="b.next" />
        <p v-else-if="b.ends" class="ends">{{ b.ends }}</p>
      </li>
    </ul>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}

ul {
  margin: 0.2rem 0 0.4rem;
  padding: 0 0 0 0.9rem;
  border-left: 3px solid var(--line);
  list-style: none;
}

li {
  margin: 0.3rem 0;
}

.said {
  font-weight: 700;
}

.leads {
  margin-left: 0.5rem;
}

.ends {
  padding-left: 0.9rem;
  color: var(--ink-2);
}
</style>
