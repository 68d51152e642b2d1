<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed } from 'vue';
import type { Figure } from '../api/client';
import { quantity } from '../format';

/** Where a figure comes from: formula, inputs, source, and what its band is made of. */
const props = defineProps<{ figure?: Figure }>();
const emit = defineEmits<{ close: [] }>();
const visible = computed({ get: () => props.figure !== undefined, set: (v) => !v && emit('close') });
</script>

<template>
  <Dialog v-model:visible="visible" modal :header="figure?.name" :style="{ width: 'min(34rem, 94vw)' }">
    <template v-if="figure">
      <p class="value figure">{{ quantity(figure.value, 4) }}</p>
      <p v-if="figure.low.value !== figure.high.value" class="quiet">
        between {{ quantity(figure.low) }} and {{ quantity(figure.high) }} (two sigma)
      </p>
      <h2>{{ figure.working.formula }}</h2>
      <p class="equation figure">{{ figure.working.equation }}</p>
      <table>
        <tbody>
          <tr v-for="i in figure.working.inputs" :key="i.symbol + i.name">
            <th scope="row" class="figure">{{ i.symbol }}</th>
            <td>{{ i.name }}</td>
            <td class="figure end">{{ i.value }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="figure.band.length">
        <h2>Where the band comes from</h2>
        <table>
          <tbody>
            <tr v-for="b in figure.band" :key="b.cause">
              <td>{{ b.cause }}</td>
              <td class="figure end">± {{ quantity(b.halfWidth, 2) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <p class="quiet">Source: {{ figure.working.source }}</p>
    </template>
  </Dialog>
</template>

<style scoped>
.value {
  margin: 0;
  font-size: 1.75rem;
}

p {
  margin: 0.25rem 0;
}

.equation {
  padding: 0.5rem;
  background: var(--water-soft);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 0.25rem 0.35rem;
  border-bottom: 1px solid var(--line);
  text-align: left;
  font-weight: 400;
}

.end,
th {
  white-space: nowrap;
}

.end {
  text-align: right;
}
</style>
