<script setup lang="ts">
import Button from 'primevue/button';
import type { CaseResource, ChangeRequest, Knowledge } from '@/shared/api/client';
import { range } from '@/shared/format';
import StageNote from '@/cases/case/StageNote.vue';

/** All that was noted so far, and what nobody has measured yet. */
const props = defineProps<{
  data: CaseResource;
  knowledge: Knowledge;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const nameOf = (id: string) => props.knowledge.observables.find((o) => o.id === id)?.name ?? id;
const tried = () => new Set(props.data.couldNot);
const open = () =>
  props.knowledge.observables.filter(
    (o) => !props.data.readings.some((r) => r.quantity === o.id) && !tried().has(o.id),
  );
const inVain = () =>
  props.data.couldNot.map(
    (id) =>
      props.knowledge.cues.find((c) => c.id === id)?.name ??
      props.knowledge.observables.find((o) => o.id === id)?.name ??
      id,
  );
</script>

<template>
  <section class="measure" aria-label="Measure">
    <h2>Noted so far</h2>
    <ul>
      <li v-for="r in data.readings" :key="r.id">
        <span>{{ nameOf(r.quantity) }}</span>
        <b class="figure"
          >{{ range(r) }}<template v-if="r.at"> ({{ r.at }} the mend)</template></b
        >
        <Button
          label="take out"
          variant="text"
          severity="secondary"
          :aria-label="`Take out ${nameOf(r.quantity)}`"
          @click="tell({ remove: [r.id] })"
        />
      </li>
      <li v-for="c in data.cues" :key="c.id">
        <span>{{ c.says }}</span>
        <span />
        <Button
          label="take out"
          variant="text"
          severity="secondary"
          :aria-label="`Take out ${c.says}`"
          @click="tell({ remove: [c.id] })"
        />
      </li>
    </ul>
    <p v-if="data.readings.length + data.cues.length === 0" class="quiet">
      Nothing yet. Tap a place on the drawing, or jot a line below.
    </p>
    <h2>Not measured</h2>
    <p class="quiet">
      {{
        open()
          .map((o) => o.name.toLowerCase())
          .join(', ') || 'All of it is measured.'
      }}
    </p>
    <p v-if="data.couldNot.length" class="quiet">
      Could not be had: {{ inVain().join(', ').toLowerCase() }}.
      <Button variant="text" severity="secondary" label="Try them again" @click="tell({ couldNot: [] })" />
    </p>
    <StageNote :data="data" name="note-measure" label="Notes on the measuring" :tell="tell" />
  </section>
</template>

<style scoped>
.measure {
  display: grid;
  gap: 0.5rem;
  padding: 0.5rem 1rem 1rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 0.5rem;
  align-items: center;
  border-bottom: 1px solid var(--line);
}

p {
  margin: 0;
}
</style>
