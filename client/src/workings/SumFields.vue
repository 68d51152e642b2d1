<script setup lang="ts">
import { useId } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';
import type { Entry } from './useSum';

/** What a sum asks for. A usual value stands in the empty field and counts until something is typed. */
const props = defineProps<{
  sum: Schemas['SumDto'];
  entries: Record<string, Entry>;
  picks: Record<string, string>;
  problems: Record<string, string>;
}>();
const id = useId();

const entry = (field: string): Entry => props.entries[field] ?? { text: '', unit: '' };
const setText = (field: string, event: Event) => {
  entry(field).text = (event.target as HTMLInputElement).value;
};
const setUnit = (field: string, event: Event) => {
  entry(field).unit = (event.target as HTMLSelectElement).value;
};
const pick = (picks: Record<string, string>, field: string, event: Event) => {
  picks[field] = (event.target as HTMLSelectElement).value;
};
</script>

<template>
  <form class="fields" @submit.prevent>
    <div v-for="f in sum.fields" :key="sum.id + f.id">
      <label :for="`${id}-${f.id}`">{{ f.name }}<span v-if="f.optional" class="quiet">, if known</span></label>
      <select
        v-if="f.choices.length"
        :id="`${id}-${f.id}`"
        :value="picks[f.id]"
        class="whole"
        @change="pick(picks, f.id, $event)"
      >
        <option v-for="c in f.choices" :key="c.id" :value="c.id">{{ c.text }}</option>
      </select>
      <div v-else class="row">
        <input
          :id="`${id}-${f.id}`"
          :value="entry(f.id).text"
          class="figure"
          inputmode="decimal"
          autocomplete="off"
          :placeholder="f.usual !== null ? digits(f.usual, 4) : undefined"
          :aria-invalid="problems[f.id] ? true : undefined"
          :aria-describedby="problems[f.id] ? `${id}-${f.id}-problem` : undefined"
          @input="setText(f.id, $event)"
        />
        <select
          v-if="f.units.length > 1"
          :value="entry(f.id).unit"
          :aria-label="`Unit of ${f.name}`"
          @change="setUnit(f.id, $event)"
        >
          <option v-for="u in f.units" :key="u">{{ u }}</option>
        </select>
        <span v-else class="unit">{{ f.unit }}</span>
      </div>
      <p v-if="problems[f.id]" :id="`${id}-${f.id}-problem`" class="problem" role="alert">{{ problems[f.id] }}</p>
    </div>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(16rem, 1fr));
  gap: 0.6rem 1.5rem;
  align-items: start;
}

.row {
  display: flex;
  gap: 6px;
  align-items: center;
}

.row input {
  flex: 1;
  min-width: 0;
}

.whole {
  width: 100%;
}

.unit {
  min-width: 2rem;
}
</style>
