<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api, taken, type Schemas } from '@/shared/api/client';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import PictureView from '@/shared/ui/PictureView.vue';
import TextField from '@/shared/ui/TextField.vue';
import { patternWords, type BoltForm } from './serviceForm';

/** The bolts that are there: how many, how they stand, in which order and by which passes; the sheet’s as a start, drawn as chosen. */
const bolt = defineModel<BoltForm>({ required: true });
const props = defineProps<{ group: Schemas['BoltGroupDto']; problems: Record<string, string> }>();

const patterns = useQuery({
  queryKey: ['bolt-patterns'],
  queryFn: async () => taken(await api.GET('/api/bolt-patterns')),
  staleTime: Infinity,
});
const change = (key: keyof BoltForm) => (value: string) => (bolt.value = { ...bolt.value, [key]: value });
const chosen = computed(() =>
  patterns.data.value?.find((p) => p.pattern === (bolt.value.pattern || props.group.pattern)),
);
const picture = computed(() =>
  bolt.value.pattern ? (chosen.value?.drawing ?? props.group.drawing) : props.group.drawing,
);
const at = (key: string) => props.problems[`sheet.bolts.${props.group.group}.${key}`];
const stepWords: Record<string, string> = {
  plain: '30, 70, 100 and again 100 %',
  'one-level': 'at once',
  snug: 'snug, no torque',
  'by-hand': 'by hand, no tool',
};
</script>

<template>
  <div class="stand">
    <PictureView class="drawn" :name="`${group.name}, by number`" :picture="picture" :look="() => 'still'" />
    <div class="fields">
      <ChoiceField
        :model-value="bolt.pattern"
        label="How many, and how they stand"
        :options="[
          { value: '', text: `${patternWords(group.pattern)} (as noted or by the sheet)` },
          ...(patterns.data.value ?? []).map((p) => ({ value: p.pattern, text: patternWords(p.pattern) })),
        ]"
        :problem="at('pattern')"
        @update:model-value="change('pattern')($event)"
      />
      <ChoiceField
        :model-value="bolt.steps"
        label="Passes"
        :options="[
          { value: '', text: `${stepWords[group.steps] ?? group.steps} (as noted or by the sheet)` },
          ...Object.entries(stepWords).map(([value, text]) => ({ value, text })),
        ]"
        :problem="at('steps')"
        @update:model-value="change('steps')($event)"
      />
      <TextField
        :model-value="bolt.passes"
        label="Passes of its own, %"
        placeholder="30, 70, 100, 100"
        :problem="at('shares')"
        @update:model-value="change('passes')($event)"
      />
      <TextField
        :model-value="bolt.tighten"
        label="Order of tightening"
        :placeholder="(bolt.pattern ? chosen?.tighten : group.tighten)?.join('-')"
        :problem="at('tighten')"
        @update:model-value="change('tighten')($event)"
      />
      <TextField
        :model-value="bolt.loosen"
        label="Order of loosening"
        :placeholder="(bolt.pattern ? chosen?.loosen : group.loosen)?.join('-')"
        :problem="at('loosen')"
        @update:model-value="change('loosen')($event)"
      />
      <TextField
        :model-value="bolt.wrench"
        label="What fits"
        placeholder="socket 24 mm"
        :problem="at('wrench')"
        @update:model-value="change('wrench')($event)"
      />
      <ChoiceField
        :model-value="bolt.drive"
        label="Square drive"
        :options="[
          { value: '', text: 'not noted' },
          ...['1/4', '3/8', '1/2', '3/4', '1'].map((d) => ({ value: d, text: `${d} in` })),
        ]"
        :problem="at('drive')"
        @update:model-value="change('drive')($event)"
      />
    </div>
  </div>
</template>

<style scoped>
.stand {
  display: grid;
  grid-column: 1 / -1;
  grid-template-columns: minmax(16rem, 24rem) minmax(0, 1fr);
  gap: 0.75rem 1rem;
  align-items: start;
}

.drawn {
  height: 11rem;
}

.drawn :deep(.picture) {
  min-width: 0 !important;
  min-height: 0 !important;
}

.drawn :deep(text) {
  font-size: 44px;
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
  gap: 0.25rem 0.75rem;
}

@media (max-width: 700px) {
  .stand {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
