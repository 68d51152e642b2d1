<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import type { Figure, PumpResource, Quantity, Schemas } from '@/shared/api/client';
import { usePumpKnowledge } from '@/shared/api/useKnowledge';
import { digits, quantity, signed } from '@/shared/format';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import FaultTried from './FaultTried.vue';
import SliderField from './SliderField.vue';
import { faultsOf, temperatureRange, type WhatIf } from './whatIf';

/** What if: speed, nozzle, inlet, temperature and any fault, moved by hand while everything else follows. */
const tried = defineModel<WhatIf>({ required: true });
const props = defineProps<{
  pump: PumpResource;
  running?: Quantity;
  changed: boolean;
  cost?: Schemas['CostDto'] | null;
  trouble: string;
}>();
defineEmits<{ reset: []; open: [figure: Figure] }>();
const knowledge = usePumpKnowledge(() => props.pump);
const faults = computed(() => (knowledge.data.value ? faultsOf(knowledge.data.value) : []));
const known = (id: string) => faults.value.find((f) => f.id === id);
const speed = computed(() => props.running ?? props.pump.setup.speed);
const length = computed(() => props.pump.setup.inlet?.run?.length);
const warmth = computed(() => temperatureRange(props.pump));

function add(fault: string) {
  if (fault) tried.value.faults.push({ fault, severity: 0.6, cylinder: 1, side: 'inlet' });
}

const speedText = computed(() => {
  const unit = props.pump.pump.arrangement === 'intensifier' ? 'cycles/min' : speed.value?.unit;
  return `${digits((speed.value?.value ?? 0) * tried.value.speed, 4)} ${unit ?? ''}`;
});
</script>

<template>
  <section class="strip" aria-label="What if">
    <header>
      <h2>What if</h2>
      <span class="quiet">Move something; everything above and below follows.</span>
      <Button
        severity="secondary"
        variant="outlined"
        label="All as it is"
        :disabled="!changed"
        @click="$emit('reset')"
      />
    </header>
    <div class="sliders">
      <SliderField v-model="tried.speed" label="Speed" :min="0.3" :max="1.3" :step="0.01" :text="speedText" />
      <SliderField
        v-model="tried.wear"
        label="Nozzle worn"
        :min="0"
        :max="0.6"
        :step="0.01"
        :text="tried.wear === 0 ? 'as new' : `${signed(tried.wear * 100, 2)} % area`"
      />
      <SliderField
        v-if="length && tried.inletLength !== null"
        v-model="tried.inletLength"
        label="Inlet length"
        :min="0.2"
        :max="Math.max(20, 2 * length.value)"
        :step="0.1"
        :text="`${digits(tried.inletLength)} ${length.unit}`"
      />
      <SliderField
        v-model="tried.temperature"
        label="Temperature"
        :min="warmth.least"
        :max="warmth.most"
        :step="1"
        :text="`${digits(tried.temperature)} ${warmth.unit}`"
      />
      <ChoiceField
        :model-value="''"
        label="Try a fault"
        placeholder="choose one"
        :options="faults.map((f) => ({ value: f.id, text: f.name }))"
        @update:model-value="add"
      />
    </div>
    <div class="faults">
      <p v-if="tried.faults.length === 0" class="quiet">A fault that is tried stands here: how bad, and where.</p>
      <FaultTried
        v-for="(f, i) in tried.faults"
        :key="i"
        :model-value="f"
        :fault="known(f.fault)"
        :cylinders="pump.pump.cylinders ?? 1"
        @mend="tried.faults.splice(i, 1)"
      />
    </div>
    <p v-if="trouble" role="alert" class="problem">{{ trouble }}</p>
    <p class="cost" role="status">
      <template v-if="cost">
        <span>An hour of running like this:</span>
        <Button v-for="f in cost.figures" :key="f.id" severity="secondary" variant="outlined" @click="$emit('open', f)"
          >{{ f.name }} <b class="figure">{{ quantity(f.value, 2) }}</b></Button
        >
      </template>
    </p>
  </section>
</template>

<style scoped>
.strip {
  padding: 0.5rem 1rem 0.75rem;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  background: var(--card);
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 1rem;
}

header .p-button {
  margin-left: auto;
}

.sliders {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(14rem, 100%), 1fr));
  gap: 0.25rem 1.75rem;
  align-items: end;
}

/* Room for the first fault from the start, so that nothing below jumps when one is tried. */
.faults {
  display: grid;
  align-content: start;
  min-height: 7rem;
  margin-top: 0.35rem;
  padding-top: 0.35rem;
  border-top: 1px solid var(--line);
}

.cost {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  min-height: 48px;
  margin: 0.35rem 0 0;
}

p {
  margin: 0;
}
</style>
