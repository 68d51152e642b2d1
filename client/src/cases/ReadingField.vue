<script setup lang="ts">
import { ref, watch } from 'vue';
import type { ChangeRequest, Schemas } from '@/shared/api/client';
import { forField, readEntry } from '@/shared/numbers';

/** One number with its unit. What is typed stays until it is taken, also when it is refused. */
const props = defineProps<{ what: Schemas['ObservableDto']; standing?: Schemas['ReadingEntryDto'] }>();
const emit = defineEmits<{ tell: [change: ChangeRequest] }>();

const text = ref('');
const unit = ref('');
const problem = ref('');

watch(
  () => props.standing,
  (now) => {
    text.value = now ? forField(now.value.value) + (now.to ? ` to ${forField(now.to.value)}` : '') : '';
    unit.value = now?.value.unit ?? props.what.units[0] ?? '';
  },
  { immediate: true },
);

// "28 to 46" are the two ends of a swing; a unit typed with a number wins over the one chosen beside it.
function save(again = false) {
  const { entry, problem: why } = readEntry(text.value);
  if (!entry) {
    problem.value = text.value.trim() ? `${why} Write it like 31, 12.6 or 28 to 46.` : 'Type a number first.';
    return;
  }
  problem.value = '';
  const amount = (n: { value: number; unit: string }) => ({ value: n.value, unit: n.unit || unit.value });
  const reading = {
    quantity: props.what.id,
    value: amount(entry.from),
    ...(entry.to ? { to: amount(entry.to) } : {}),
  };
  emit('tell', { readings: [reading], ...(again ? { again: true } : {}) });
}
</script>

<template>
  <form class="reading" @submit.prevent="save()">
    <label :for="`reading-${what.id}`">{{ what.name }}</label>
    <div class="row">
      <input
        :id="`reading-${what.id}`"
        v-model="text"
        class="figure"
        inputmode="decimal"
        autocomplete="off"
        :aria-invalid="problem ? true : undefined"
        :aria-describedby="problem ? `problem-${what.id}` : undefined"
      />
      <select v-model="unit" :aria-label="`Unit of ${what.name}`">
        <option v-for="u in what.units" :key="u">{{ u }}</option>
      </select>
      <button type="submit" class="tap on">Note</button>
      <button v-if="standing" type="button" class="tap" title="Keep both and combine them" @click="save(true)">
        Read again
      </button>
      <button v-if="standing" type="button" class="tap" @click="emit('tell', { remove: [standing.id] })">
        Take out
      </button>
    </div>
    <p v-if="problem" :id="`problem-${what.id}`" class="problem" role="alert">{{ problem }}</p>
  </form>
</template>

<style scoped>
.reading {
  padding: 0.5rem 0;
  border-top: 1px solid var(--line);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 0.25rem;
}

input {
  width: 6.5rem;
}
</style>
