<script setup lang="ts">
import { offered } from '@/shared/units/useUnits';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import TickBox from '@/shared/ui/TickBox.vue';
import type { Plate } from './plate';
import { askedOf, inWordsOf, problemOf, type PlateField } from './plateSections';

/** Fields of a pump, as a list says them. */
const props = defineProps<{
  plate: Plate;
  fields: PlateField[];
  problems: Record<string, string>;
  /** What stands in an empty field until it is filled, by its key. */
  hints?: Record<string, string>;
  needed?: string[];
}>();
// The form's own object, never replaced.
const plate = props.plate;
</script>

<template>
  <div class="fields">
    <template v-for="f in askedOf(fields, plate)" :key="f.key">
      <EntryField
        v-if="f.kind === 'quantity'"
        v-model="plate[f.key].text"
        v-model:unit="plate[f.key].unit"
        :label="inWordsOf(f.label, plate) ?? ''"
        :units="f.units && offered(f.units)"
        :hint="hints?.[f.key] ?? inWordsOf(f.usual, plate)"
        :required="needed?.includes(f.key)"
        :problem="problemOf(f, problems)"
      />
      <ChoiceField
        v-else-if="f.kind === 'choice'"
        :model-value="plate[f.key]"
        :label="f.label"
        :options="f.options"
        @update:model-value="Object.assign(plate, { [f.key]: $event })"
      />
      <TickBox v-else v-model="plate[f.key]" :label="f.label" />
    </template>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(15rem, 100%), 1fr));
  gap: 0.7rem 1.25rem;
  align-items: start;
}
</style>
