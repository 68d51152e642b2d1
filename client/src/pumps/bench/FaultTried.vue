<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import type { Knowledge } from '@/shared/api/client';
import { percent } from '@/shared/format';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import SliderField from './SliderField.vue';
import type { TriedFault } from './whatIf';

/** A fault that is tried: where it sits, how bad it is, and what the two ends of that scale mean. */
const tried = defineModel<TriedFault>({ required: true });
const props = defineProps<{ fault?: Knowledge['faults'][number]; cylinders: number }>();
defineEmits<{ mend: [] }>();

const name = computed(() => props.fault?.name ?? tried.value.fault);
const places = computed(() =>
  Array.from({ length: props.cylinders }, (_, i) => ({
    value: i + 1,
    text: props.fault?.location === 'end' ? (i === 0 ? 'left end' : 'right end') : `cylinder ${i + 1}`,
  })),
);
const sides = [
  { value: 'inlet' as const, text: 'inlet side' },
  { value: 'discharge' as const, text: 'discharge side' },
];
</script>

<template>
  <div class="fault">
    <SliderField
      v-model="tried.severity"
      :label="name"
      :min="0"
      :max="1"
      :step="0.01"
      :text="percent(tried.severity)"
      suspect
    />
    <div class="where">
      <ChoiceField
        v-if="fault?.location !== 'none'"
        v-model="tried.cylinder"
        :label="`Place of: ${name}`"
        :options="places"
        quiet
      />
      <ChoiceField
        v-if="fault?.location === 'cavity'"
        v-model="tried.side"
        :label="`Side of: ${name}`"
        :options="sides"
        quiet
      />
      <Button severity="secondary" variant="outlined" @click="$emit('mend')"
        >Mend<span class="sr-only"> {{ name }}</span></Button
      >
    </div>
    <p class="quiet">
      <span>{{ fault?.zero }}</span><span>{{ fault?.one }}</span>
    </p>
  </div>
</template>

<style scoped>
.fault {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 0.75rem;
  align-items: end;
}

.where {
  display: flex;
  gap: 0.5rem;
  padding-bottom: 0.25rem;
}

p {
  display: flex;
  grid-column: 1 / -1;
  justify-content: space-between;
  gap: 1rem;
  margin: 0;
  font-size: 0.9375rem;
}

@media (max-width: 620px) {
  .fault {
    grid-template-columns: minmax(0, 1fr);
  }

  .where {
    flex-wrap: wrap;
  }
}
</style>
