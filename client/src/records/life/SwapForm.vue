<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import { api, taken } from '@/shared/api/client';
import { readNumber } from '@/shared/numbers';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import type { PumpLife } from './lines';
import type { LifeAccess } from './useLife';

/** Another pump goes in where this one stands. */
const props = defineProps<{ life: PumpLife; access: LifeAccess }>();
const emit = defineEmits<{ done: [pump: string] }>();
const pumps = useQuery({ queryKey: ['pumps'], queryFn: async () => taken(await api.GET('/api/pumps')) });
const choices = computed(() =>
  (pumps.data.value ?? [])
    .filter((p) => p.id !== props.life.id)
    .map((p) => ({ value: p.id, text: p.name ? `${p.tag}, ${p.name}` : p.tag })),
);
const other = ref('');
const hours = ref('');
const otherHours = ref('');
const by = useLocalStorage('mild-hunch.name', '');
const missing = ref<Record<string, string>>({});
const told = computed<Record<string, string>>(() => ({ ...props.access.problems.value, ...missing.value }));

async function swap() {
  const read = (text: string) => (text.trim() ? readNumber(text) : undefined);
  const [mine, its] = [read(hours.value), read(otherHours.value)];
  const wrong = 'Hours as the meter shows them, like 1240.';
  missing.value = {
    ...(other.value ? {} : { with: 'Choose the pump that goes in.' }),
    ...(mine === null ? { hours: wrong } : {}),
    ...(its === null ? { withHours: wrong } : {}),
  };
  if (!other.value || mine === null || its === null) return;
  if (await props.access.swap({ with: other.value, hours: mine, withHours: its, by: by.value || undefined }))
    emit('done', other.value);
}
</script>

<template>
  <form class="fields" aria-label="Swap the pump" @submit.prevent="swap">
    <p>
      Tag, duty, set-up and how much it runs stay here at {{ life.tag }}. Hours, parts, cases and service figures go
      with No. {{ life.running.serial || '(not noted yet)' }}, which takes the other one’s place. A meter left empty
      counts as the duty has it until today.
    </p>
    <ChoiceField v-model="other" label="What goes in" :options="choices" :problem="told.with" />
    <EntryField v-model="hours" label="Meter of the one that comes out" :units="['h']" :problem="told.hours" />
    <EntryField v-model="otherHours" label="Meter of the one that goes in" :units="['h']" :problem="told.withHours" />
    <Button type="submit" label="They change places" />
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 0.6rem;
}
</style>
