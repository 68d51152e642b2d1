<script setup lang="ts">
import Button from 'primevue/button';
import ToggleButton from 'primevue/togglebutton';
import { computed } from 'vue';
import type { CaseResource, ChangeRequest, Knowledge } from '@/shared/api/client';
import { quantity, when } from '@/shared/format';
import HoursFields from './HoursFields.vue';
import StageNote from '@/cases/case/StageNote.vue';

/** What is wrong, since when, what happened before: it moves the priors. */
const props = defineProps<{
  data: CaseResource;
  knowledge: Knowledge;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const told = computed(() => new Set(props.data.context));
const found = computed(() =>
  Object.entries(props.data.found).map(
    ([id, times]) => `${(props.knowledge.faults.find((f) => f.id === id)?.name ?? id).toLowerCase()} ${times}×`,
  ),
);
const assumed = (field: string) => props.data.pump.setup.assumed?.includes(field) ?? false;
const nozzle = computed(() => {
  const n = props.data.pump.setup.nozzle;
  if (assumed('nozzle') && n?.flow && n.at) return `${quantity(n.flow)} at ${quantity(n.at)}, assumed`;
  if (n?.flow && n.at) return `${quantity(n.flow)} at ${quantity(n.at)}`;
  if (n?.size) return `size ${n.size}`;
  return n?.orifice ? `orifice ${quantity(n.orifice)}` : 'not noted';
});

function toggle(id: string, excludes: string[]) {
  const next = new Set(told.value);
  if (next.has(id)) next.delete(id);
  else {
    next.add(id);
    for (const other of excludes) next.delete(other);
  }
  void props.tell({ context: [...next] });
}
</script>

<template>
  <section class="ask" aria-label="Ask">
    <h2>Ask</h2>
    <StageNote :data="data" name="complaint" label="What is wrong?" :tell="tell" />
    <p class="quiet">Reported {{ when(data.openedAt) }}.</p>
    <h2>What happened before?</h2>
    <div class="chips" role="group" aria-label="History">
      <ToggleButton
        v-for="c in knowledge.contexts"
        :key="c.id"
        :model-value="told.has(c.id)"
        :on-label="c.name"
        :off-label="c.name"
        @update:model-value="toggle(c.id, c.excludes)"
      />
    </div>
    <HoursFields :data="data" :knowledge="knowledge" :tell="tell" />
    <p v-if="found.length" class="quiet">
      This shop’s closed cases of such pumps count too: {{ found.join(', ') }}.
      <RouterLink to="/record">See the record</RouterLink>
    </p>
    <h2>How is it run?</h2>
    <dl>
      <dt>Speed believed</dt>
      <dd v-if="data.pump.setup.speed" class="figure">{{ quantity(data.pump.setup.speed, 4) }}</dd>
      <dt>Nozzle when healthy</dt>
      <dd class="figure">{{ nozzle }}</dd>
      <dt>Control opens at</dt>
      <dd class="figure">
        {{ data.pump.setup.controlSetting ? quantity(data.pump.setup.controlSetting) : 'not noted'
        }}{{ assumed('controlSetting') ? ', assumed' : '' }}
      </dd>
      <dt>Outlet line</dt>
      <dd>{{ data.pump.setup.line ?? 'not noted' }}</dd>
    </dl>
    <Button
      as="router-link"
      :to="`/pumps/${data.pump.id}/edit`"
      severity="secondary"
      variant="outlined"
      class="correct"
      label="Correct the pump"
    />
    <StageNote :data="data" name="note-ask" label="Anything else they said" :tell="tell" />
  </section>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 0.6rem;
  padding: 0.5rem 1rem 1rem;
}

p {
  margin: 0;
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.25rem 1rem;
  margin: 0;
}

.correct {
  justify-self: start;
}

dd {
  margin: 0;
  text-align: right;
}
</style>
