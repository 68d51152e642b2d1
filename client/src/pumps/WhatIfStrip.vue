<script setup lang="ts">
import { computed } from 'vue';
import type { Figure, PumpResource, Quantity, Schemas } from '@/shared/api/client';
import { usePumpKnowledge } from '@/shared/api/useKnowledge';
import { digits, percent, quantity, signed } from '@/shared/format';
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

function add(event: Event) {
  const picker = event.target as HTMLSelectElement;
  if (picker.value) tried.value.faults.push({ fault: picker.value, severity: 0.6, cylinder: 1, side: 'inlet' });
  picker.value = '';
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
      <button type="button" class="tap" :disabled="!changed" @click="$emit('reset')">All as it is</button>
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
      <div v-for="(f, i) in tried.faults" :key="i" class="fault">
        <div class="where">
          <label v-if="known(f.fault)?.location !== 'none'">
            <span class="sr-only">Place of: {{ known(f.fault)?.name }}</span>
            <select v-model.number="f.cylinder">
              <option v-for="k in pump.pump.cylinders ?? 1" :key="k" :value="k">
                {{ known(f.fault)?.location === 'end' ? (k === 1 ? 'left end' : 'right end') : `cylinder ${k}` }}
              </option>
            </select>
          </label>
          <label v-if="known(f.fault)?.location === 'cavity'">
            <span class="sr-only">Side of: {{ known(f.fault)?.name }}</span>
            <select v-model="f.side">
              <option value="inlet">inlet side</option>
              <option value="discharge">discharge side</option>
            </select>
          </label>
          <button type="button" class="tap" @click="tried.faults.splice(i, 1)">
            Mend<span class="sr-only"> {{ known(f.fault)?.name }}</span>
          </button>
        </div>
        <SliderField
          v-model="f.severity"
          :label="known(f.fault)?.name ?? f.fault"
          :min="0"
          :max="1"
          :step="0.01"
          :text="percent(f.severity)"
          suspect
        />
        <p class="quiet scale">
          <span>{{ known(f.fault)?.zero }}</span><span>{{ known(f.fault)?.one }}</span>
        </p>
      </div>
      <label class="pick"
        >Try a fault
        <select @change="add">
          <option value="">choose one</option>
          <option v-for="f in faults" :key="f.id" :value="f.id">{{ f.name }}</option>
        </select></label
      >
    </div>
    <p v-if="trouble" role="alert" class="problem">{{ trouble }}</p>
    <p v-if="cost" class="cost" role="status">
      <span>An hour of running like this:</span>
      <button v-for="f in cost.figures" :key="f.id" type="button" class="tap" @click="$emit('open', f)">
        <span>{{ f.name }}</span> <b class="figure">{{ quantity(f.value, 2) }}</b>
      </button>
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

header .tap {
  margin-left: auto;
}

.sliders {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: 0.5rem 1.75rem;
  align-items: end;
}

.fault {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 0.75rem;
  align-items: center;
  grid-column: span 2;
}

.where {
  display: flex;
  gap: 0.5rem;
  order: 1;
}

.scale {
  order: 2;
  grid-column: 1 / -1;
}

.where select {
  width: auto;
}

.scale {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  margin: 0;
  font-size: 0.875rem;
}

.cost {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  margin: 0.75rem 0 0;
}

@media (max-width: 620px) {
  .fault {
    grid-column: auto;
  }
}
</style>
