<script setup lang="ts">
import EntryField from '@/shared/ui/EntryField.vue';
import type { AskedQuantity, Quantities } from './useQuantities';

/** Figures that are read together, each with its unit. */
defineProps<{ asked: readonly AskedQuantity[]; from: Quantities; tried: boolean }>();
</script>

<template>
  <div class="quantities">
    <EntryField
      v-for="a in asked"
      :key="a.name"
      :model-value="from.fields.value[a.name]?.text ?? ''"
      :unit="from.fields.value[a.name]?.unit ?? ''"
      :label="a.label"
      :units="a.units"
      :required="a.required"
      :hint="a.hint"
      :problem="from.problem(a.name) ?? (tried && a.required && !from.read(a.name) ? 'This one is needed.' : undefined)"
      @update:model-value="from.type(a.name, { text: $event })"
      @update:unit="from.type(a.name, { unit: $event })"
    />
  </div>
</template>

<style scoped>
.quantities {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(10.5rem, 1fr));
  gap: 0.4rem 0.75rem;
}
</style>
