<script setup lang="ts">
import type { CaseSummary } from '@/shared/api/client';
import { percent, when } from '@/shared/format';
import SuspicionBar from '@/shared/ui/SuspicionBar.vue';
import { asStage, stageNames, stages } from '@/parts/stages';

/** One case of the list: which pump, what is wrong, how far it has come, what leads. */
const props = defineProps<{ line: CaseSummary }>();
const reached = () => stages.indexOf(asStage(props.line.stage));
</script>

<template>
  <RouterLink class="case" :to="`/cases/${line.id}/${asStage(line.stage)}`">
    <span class="plate">{{ line.tag }}</span>
    <span class="what">
      <b>{{ line.complaint }}</b>
      <span class="quiet"
        >{{ line.duty || line.pumpName }} · {{ line.entries }} noted · {{ when(line.changedAt) }}</span
      >
    </span>
    <span class="stage">
      <span class="steps" aria-hidden="true">
        <i v-for="(s, i) in stages" :key="s" :class="{ done: i <= reached() }" />
      </span>
      {{ stageNames[asStage(line.stage)] }}
    </span>
    <span v-if="line.leader" class="leader">
      <span class="line">
        <b>{{ line.leader.name }}</b> <span class="figure">{{ percent(line.leader.probability) }}</span>
      </span>
      <SuspicionBar :probability="line.leader.probability" :sound="line.leader.fault === 'no-fault'" />
      <span class="quiet">{{ line.leader.hunch }}</span>
    </span>
  </RouterLink>
</template>

<style scoped>
.case {
  display: grid;
  flex: 1;
  grid-template-columns: 6.5rem minmax(0, 1fr) 8rem 17rem;
  gap: 1rem;
  align-items: center;
  padding: 0.7rem 0.5rem;
  color: var(--ink);
  text-decoration: none;
}

.case:hover {
  background: var(--card);
}

.what b {
  display: -webkit-box;
  overflow: hidden;
  font-size: 1.125rem;
  overflow-wrap: anywhere;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}

.quiet {
  font-size: 0.9375rem;
}

.stage {
  font-family: var(--font-tag);
  font-weight: 500;
  font-size: 1.0625rem;
}

.steps {
  display: flex;
  gap: 3px;
  margin-bottom: 0.2rem;
}

.steps i {
  width: 1rem;
  height: 8px;
  border: 1.5px solid var(--ink);
}

.steps i.done {
  background: var(--ink);
}

.line {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0.5rem;
  min-width: 0;
}

.line .figure {
  white-space: nowrap;
}

@media (max-width: 1000px) {
  .case {
    grid-template-columns: 6.5rem minmax(0, 1fr);
    gap: 0.25rem 0.75rem;
  }

  .stage {
    grid-column: 1;
  }
}
</style>
