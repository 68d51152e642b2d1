<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import BoltStand from './BoltStand.vue';
import { emptyBolt, patternWords, torqueUnits, type BoltForm } from './serviceForm';

/** One group of bolts: the maker's torque, and what is known of the bolts where it is missing. */
const model = defineModel<BoltForm | undefined>({ required: true });
const props = defineProps<{
  group: Schemas['BoltGroupDto'];
  sizes: readonly string[];
  grades: readonly string[];
  problem?: string;
  problems: Record<string, string>;
}>();
const standing = ref(false);

const bolt = computed(() => ({ ...emptyBolt(), ...model.value }));
const field = (key: keyof BoltForm) =>
  computed({ get: () => bolt.value[key], set: (value: string) => (model.value = { ...bolt.value, [key]: value }) });
const torque = field('torque');
const unit = field('unit');
const size = field('size');
const grade = field('grade');
const thread = field('thread');
const dressing = field('dressing');
const basis = computed(() => {
  if (props.group.basis === 'sheet') return 'the maker’s figure';
  if (props.group.basis === 'estimate') return 'estimate: the bolt’s ceiling';
  if (props.group.passes.length) return 'no figure: find the sheet';
  return props.group.steps === 'by-hand' ? 'by hand, no tool' : 'snug, no torque';
});
const wrong = computed(() =>
  Object.keys(props.problems).some((f) => f.startsWith(`sheet.bolts.${props.group.group}.`)),
);
</script>

<template>
  <fieldset>
    <legend>{{ group.name }}</legend>
    <EntryField
      v-model="torque"
      v-model:unit="unit"
      label="Torque by the maker"
      :units="torqueUnits"
      :problem="problem"
    />
    <template v-if="group.ceiling">
      <ChoiceField
        v-model="size"
        label="Bolt"
        :options="[{ value: '', text: 'not noted' }, ...sizes.map((s) => ({ value: s, text: s }))]"
      />
      <ChoiceField
        v-model="grade"
        label="Grade"
        :options="[{ value: '', text: 'not noted' }, ...grades.map((g) => ({ value: g, text: g }))]"
      />
      <ChoiceField v-model="thread" label="Screwed into" :options="['steel', 'brass', 'aluminium', 'plastic']" />
    </template>
    <ChoiceField
      v-model="dressing"
      label="Thread"
      :options="[
        { value: 'dry', text: 'dry' },
        { value: 'oiled', text: 'oiled' },
        { value: 'anti-seize', text: 'anti-seize' },
        { value: 'sealer', text: 'sealer' },
        { value: 'locker', text: 'locker' },
      ]"
    />
    <p class="stands">
      <Button
        variant="text"
        severity="secondary"
        :label="`${patternWords(bolt.pattern || group.pattern)}: how they stand`"
        :aria-expanded="standing || wrong"
        @click="standing = !standing"
      />
      <b v-for="u in group.inAllUnits" :key="u" class="figure">{{ u }}</b> <span class="quiet">{{ basis }}</span>
    </p>
    <BoltStand
      v-if="standing || wrong"
      :model-value="bolt"
      :group="group"
      :problems="problems"
      @update:model-value="model = $event"
    />
  </fieldset>
</template>

<style scoped>
fieldset {
  display: grid;
  grid-template-columns: minmax(11rem, 2fr) repeat(4, minmax(7rem, 1fr));
  gap: 0.25rem 0.75rem;
  align-items: end;
  margin: 0;
  padding: 0.25rem 0 0.5rem;
  border: 0;
  border-bottom: 1px solid var(--line);
}

legend {
  padding: 0;
  font-weight: 700;
}

.stands {
  display: flex;
  flex-wrap: wrap;
  grid-column: 1 / -1;
  gap: 0 1.25rem;
  align-items: center;
  margin: 0;
}

@media (max-width: 900px) {
  fieldset {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }

  fieldset > :first-of-type {
    grid-column: 1 / -1;
  }
}
</style>
