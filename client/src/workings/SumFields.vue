<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import type { Entry } from './useSum';

/** What a sum asks for. A usual value stands in the empty field and counts until something is typed. */
const props = defineProps<{
  sum: Schemas['SumDto'];
  entries: Record<string, Entry>;
  picks: Record<string, string>;
  problems: Record<string, string>;
}>();
// The sum's own objects, never replaced while it is shown.
const set = (field: string, change: Partial<Entry>) => Object.assign(props.entries[field] ?? {}, change);
const pick = (picks: Record<string, string>, field: string, value: string) => (picks[field] = value);
</script>

<template>
  <form class="fields" @submit.prevent>
    <template v-for="f in sum.fields" :key="sum.id + f.id">
      <ChoiceField
        v-if="f.choices.length"
        :model-value="picks[f.id] ?? ''"
        :label="f.optional ? `${f.name}, if known` : f.name"
        :options="f.choices.map((c) => ({ value: c.id, text: c.text }))"
        @update:model-value="pick(picks, f.id, $event)"
      />
      <EntryField
        v-else
        :model-value="entries[f.id]?.text ?? ''"
        :unit="entries[f.id]?.unit ?? ''"
        :label="f.name"
        :units="f.units.length > 1 ? f.units : [f.unit]"
        :optional="f.optional"
        :hint="f.usual !== null ? digits(f.usual, 4) : undefined"
        :problem="problems[f.id]"
        @update:model-value="set(f.id, { text: $event })"
        @update:unit="set(f.id, { unit: $event })"
      />
    </template>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(16rem, 100%), 1fr));
  gap: 0.6rem 1.5rem;
  align-items: start;
}
</style>
