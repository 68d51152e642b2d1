<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import Dialog from 'primevue/dialog';
import { computed } from 'vue';
import { api, inWords, taken, type CaseResource } from '@/shared/api/client';
import { when } from '@/shared/format';
import ChangedTable from '@/cases/proving/ChangedTable.vue';

/** What was done and found at earlier openings of the pump in this case, the last first. */
const visible = defineModel<boolean>('visible', { required: true });
const props = defineProps<{ data: CaseResource }>();

const query = useQuery({
  queryKey: computed(() => ['rounds', props.data.id, props.data.version]),
  queryFn: async () => taken(await api.GET('/api/cases/{id}/rounds', { params: { path: { id: props.data.id } } })),
});
const rounds = computed(() => [...(query.data.value ?? [])].reverse());

const said: Record<string, string> = {
  pass: 'Proof passed',
  'pass-with-remark': 'Proof passed, with a remark',
  back: 'Sent back to the suspects',
};
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Earlier rounds" :style="{ width: 'min(40rem, 96vw)' }">
    <p>
      This is round <b class="figure">{{ data.round }}</b>. What was done before stays on record, in the costs and in
      the report.
    </p>
    <p v-if="query.error.value" class="problem" role="alert">{{ inWords(query.error.value) }}</p>
    <article v-for="r in rounds" :key="r.number" :aria-label="`Round ${r.number}`">
      <h3>Round {{ r.number }}</h3>
      <p>{{ r.says }}</p>
      <p v-if="r.minutes" class="quiet">From the first tick to the last: {{ Math.round(r.minutes) }} min.</p>
      <ul v-if="r.found.length">
        <li v-for="f in r.found" :key="f.place" :class="f.state">
          <b>{{ f.place }}</b>: {{ f.says.toLowerCase()
          }}<template v-if="f.says.toLowerCase() !== f.state">, {{ f.state }}</template>
        </li>
      </ul>
      <ChangedTable :changed="r.changed" />
      <p v-if="r.proof">
        <b>{{ said[r.proof.outcome] }}</b>, {{ r.proof.by }}, {{ when(r.proof.at) }}.<template v-if="r.proof.remark">
          {{ r.proof.remark }}</template
        >
      </p>
      <p v-else class="quiet">Not proved.</p>
    </article>
  </Dialog>
</template>

<style scoped>
article {
  display: grid;
  gap: 0.35rem;
  margin-top: 0.6rem;
  padding: 0.6rem 0;
  border-top: 1px solid var(--line);
}

h3,
p,
ul {
  margin: 0;
}

ul {
  padding-left: 1.1rem;
}
</style>
