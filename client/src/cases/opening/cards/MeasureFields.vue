<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core';
import { watch } from 'vue';
import type { Quantity, Schemas } from '@/shared/api/client';
import { quantity } from '@/shared/format';
import { forField, readEntry, whyNot } from '@/shared/numbers';
import EntryField from '@/shared/ui/EntryField.vue';

/** What is measured at a part, and the limits of the pump's own figures. */
const props = defineProps<{
  draft: string;
  measures: readonly Schemas['MeasureDto'][];
  taken: Record<string, Quantity>;
}>();
const emit = defineEmits<{ take: [measures: Record<string, Quantity>] }>();

const units = ['mm', 'in'];
// What is typed and not taken yet stays on this device.
const typed = useSessionStorage<Record<string, { text: string; unit: string }>>(props.draft, {});
watch(
  () => props.taken,
  (taken, before) => {
    typed.value = Object.fromEntries(
      props.measures.map((m) => {
        const [there, draft] = [taken[m.name], typed.value[m.name]];
        // What was typed before a reload comes first; what is taken afterwards stands as it was taken.
        const stands = there && (before || !draft?.text) ? { text: forField(there.value), unit: there.unit } : draft;
        return [m.name, stands ?? { text: '', unit: 'mm' }];
      }),
    );
  },
  { immediate: true },
);

const read = (name: string): Quantity | undefined => {
  const field = typed.value[name];
  const { entry } = readEntry(field?.text ?? '');
  return field && entry && !entry.to ? { value: entry.from.value, unit: entry.from.unit || field.unit } : undefined;
};
const problem = (name: string) => {
  const text = typed.value[name]?.text.trim();
  return text && !read(name) ? `${whyNot(text)}. Write it like 17.95.` : undefined;
};

const bounds = ({ limit }: Schemas['MeasureDto']) =>
  [limit?.least && `not below ${quantity(limit.least, 5)}`, limit?.most && `not above ${quantity(limit.most, 5)}`]
    .filter(Boolean)
    .join(', ') || 'no limit on the page of service figures';

function take() {
  if (props.measures.some((m) => problem(m.name))) return;
  const all = Object.fromEntries(
    props.measures.flatMap((m) => {
      const value = read(m.name);
      return value ? [[m.name, value] as const] : [];
    }),
  );
  if (JSON.stringify(all) !== JSON.stringify(props.taken)) emit('take', all);
}
</script>

<template>
  <div class="measures" @focusout="take">
    <div v-for="m in measures" :key="m.name">
      <EntryField
        v-if="typed[m.name]"
        v-model="typed[m.name]!.text"
        v-model:unit="typed[m.name]!.unit"
        :label="m.name[0]?.toUpperCase() + m.name.slice(1)"
        :units="units"
        :problem="problem(m.name)"
      />
      <span class="quiet">{{ bounds(m) }}</span>
    </div>
  </div>
</template>

<style scoped>
.measures {
  display: grid;
  gap: 0.4rem;
}
</style>
