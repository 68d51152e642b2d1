<script setup lang="ts">
import { computed, ref } from 'vue';
import TextField from '@/shared/ui/TextField.vue';
import TickBox from '@/shared/ui/TickBox.vue';
import WhoField from '@/cases/opening/WhoField.vue';
import { isTicked, placeName, type Plan, type Step, type Work } from './cards';
import type { WorkAccess } from '@/cases/opening/useWork';

/** What goes in new, counted, and ticked off as it lies ready beside the old. */
const props = defineProps<{ plan: Plan; work: Work; access: WorkAccess }>();

// Typed beside each part; kept with the case when the field is left, so that a bad batch can be told later.
const typed = ref<Record<string, string>>({});
async function note(part: string) {
  const batch = typed.value[part];
  if (batch === undefined || batch.trim() === (props.work.batches[part] ?? '')) return;
  if (!(await props.access.batch(part, batch))) return;
  typed.value = Object.fromEntries(Object.entries(typed.value).filter(([k]) => k !== part));
}

const rows = computed(() =>
  props.plan.steps
    .filter((s) => s.stage === 'mend')
    .map((step) => ({ step, part: props.plan.parts.find((p) => `${p.part}.ready` === step.id) })),
);
const ticks = (step: Step) => step.places.map((p) => p.tick);
const done = (step: Step) => ticks(step).every((t) => isTicked(props.work, t));
const where = (step: Step) => step.places.map(placeName).filter(Boolean).join(', ');
</script>

<template>
  <section class="card" aria-labelledby="parts-title">
    <p class="quiet">Before it is closed</p>
    <h2 id="parts-title">New parts, counted</h2>
    <ul class="parts">
      <li v-for="{ step, part } in rows" :key="step.id">
        <TickBox
          :model-value="done(step)"
          :label="part ? `${part.count} x ${part.name}` : step.text"
          :take="() => (done(step) ? access.untick : access.tick)(ticks(step))"
        />
        <span class="quiet">{{ where(step) }}</span>
        <span v-for="m in part ? [] : step.mind" :key="m" class="quiet">Mind: {{ m }}</span>
        <TextField
          v-if="part"
          label="Batch"
          :model-value="typed[part.part] ?? work.batches[part.part] ?? ''"
          @update:model-value="typed[part.part] = $event"
          @focusout="note(part.part)"
        />
      </li>
    </ul>
    <p class="quiet">Each beside the old one: same size, same side, same spring.</p>
    <WhoField />
    <slot :done="rows.every(({ step }) => done(step))" />
  </section>
</template>

<style scoped src="./card.css"></style>
<style scoped>
.parts {
  padding: 0;
  list-style: none;
}

.parts li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.75rem;
  align-items: center;
  border-bottom: 1px solid var(--line);
}
</style>
