<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { useLocalStorage, useTitle } from '@vueuse/core';
import Button from 'primevue/button';
import SelectButton from 'primevue/selectbutton';
import { computed, ref } from 'vue';
import { api, inWords, taken } from '@/shared/api/client';
import { when } from '@/shared/format';
import ShellBar from '@/shared/ui/ShellBar.vue';
import TextField from '@/shared/ui/TextField.vue';
import ReportSheet from './ReportSheet.vue';

/** The report of a case: read here, printed from here, signed here. */
const props = defineProps<{ id: string }>();
const client = useQueryClient();

const copies = [
  { value: 'all', text: 'All of it' },
  { value: 'customer', text: 'Copy for the customer' },
];
const tables = ['readings', 'parts', 'findings'];
const copy = ref('all');
const revision = ref<number>();
const query = computed(() => ({
  ...(copy.value === 'customer' ? { copy: 'customer' } : {}),
  ...(revision.value ? { revision: revision.value } : {}),
}));
const report = useQuery({
  queryKey: computed(() => ['report', props.id, copy.value, revision.value]),
  queryFn: async () =>
    taken(await api.GET('/api/cases/{id}/report', { params: { path: { id: props.id }, query: query.value } })),
});
const data = report.data;
function pdf(paper: string) {
  const asked = Object.entries({ paper, ...query.value }).map(([k, v]) => [k, String(v)]);
  return `/api/cases/${props.id}/report.pdf?${new URLSearchParams(asked)}`;
}

// Who signs, and with which instruments: as on the steps, kept on this device.
const by = useLocalStorage('mild-hunch.name', '');
const wrench = useLocalStorage('mild-hunch.wrench', '');
const gauge = useLocalStorage('mild-hunch.gauge', '');
const witness = useLocalStorage(`mild-hunch.witness.${props.id}`, '');
const trouble = ref('');

async function sign() {
  if (!data.value) return;
  trouble.value = '';
  try {
    const body = {
      by: by.value,
      witness: witness.value || undefined,
      gauge: gauge.value || undefined,
      wrench: wrench.value || undefined,
    };
    taken(
      await api.POST('/api/cases/{id}/report/sign', {
        params: { path: { id: props.id } },
        body,
        headers: { 'If-Match': `"${data.value.caseVersion}"` },
      }),
    );
    revision.value = undefined;
    witness.value = '';
  } catch (error) {
    trouble.value = inWords(error);
  }
  // Refused or not: what is signed next is what stands here then, read again.
  await client.invalidateQueries({ queryKey: ['report', props.id] });
}

useTitle(() => `${data.value?.content.title ?? 'Report'} · Mild Hunch`);
</script>

<template>
  <div>
    <ShellBar />
    <main class="page">
      <p v-if="report.error.value" role="alert" class="problem">{{ inWords(report.error.value) }}</p>
      <p v-else-if="!data" aria-live="polite">Writing the report …</p>
      <template v-else>
        <div class="tools">
          <RouterLink class="link" :to="`/cases/${id}`">Back to the case</RouterLink>
          <SelectButton
            v-model="copy"
            :options="copies"
            option-label="text"
            option-value="value"
            :allow-empty="false"
            aria-label="Which copy"
          />
          <a class="link" :href="pdf('a4')" target="_blank" rel="noopener">PDF, A4</a>
          <a class="link" :href="pdf('letter')" target="_blank" rel="noopener">PDF, Letter</a>
          <a class="link" :href="`/api/cases/${id}/export`">Case as a file</a>
          <a v-for="t in tables" :key="t" class="link" :href="`/api/cases/${id}/${t}.csv`">{{ t }} as a table</a>
        </div>
        <p v-if="data.changedSince && !revision" class="since">
          The case went on since revision {{ data.revisions.length }} was signed: what stands here is signed by nobody
          yet.
        </p>
        <ReportSheet :content="data.content" :signed="data.signed ?? undefined" />
        <form v-if="!data.signed" class="sign" aria-label="Sign the report" @submit.prevent="sign">
          <h2>Sign it</h2>
          <p class="quiet">A signed report stays as it is; what changes later makes the next revision.</p>
          <TextField v-model="by" label="Your name" required />
          <TextField v-model="witness" label="Witness, where one is wanted" />
          <TextField v-model="gauge" label="Gauge, and when it was checked" />
          <TextField v-model="wrench" label="Wrench, and when it was checked" />
          <p v-if="trouble" class="problem" role="alert">{{ trouble }}</p>
          <Button type="submit" :label="`Sign as revision ${data.revisions.length + 1}`" />
        </form>
        <section v-if="data.revisions.length" class="revisions" aria-labelledby="revisions">
          <h2 id="revisions">Signed so far</h2>
          <ul>
            <li v-for="r in data.revisions" :key="r.revision">
              <Button
                variant="text"
                severity="secondary"
                :label="`Revision ${r.revision}`"
                :aria-pressed="revision === r.revision"
                @click="revision = r.revision"
              />
              {{ r.by }}, {{ when(r.at) }}{{ r.elsewhere ? ', elsewhere, not verified' : '' }}
            </li>
          </ul>
          <Button
            v-if="revision"
            variant="text"
            severity="secondary"
            label="As it stands"
            @click="revision = undefined"
          />
        </section>
      </template>
    </main>
  </div>
</template>

<style scoped>
.page {
  max-width: 60rem;
  margin: 0 auto;
  padding: 1rem;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
  align-items: center;
  margin-bottom: 1rem;
}

.tools .link {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}

.since {
  padding-left: 0.7rem;
  border-left: 5px solid var(--suspect);
}

.sign {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 0.5rem 1rem;
  margin-top: 1.5rem;
  padding-top: 1rem;
  border-top: 2px solid var(--ink);
}

.sign h2,
.sign > p {
  grid-column: 1 / -1;
  margin: 0;
}

.revisions ul {
  padding: 0;
  list-style: none;
}

@media print {
  .tools,
  .since,
  .sign,
  .revisions {
    display: none;
  }

  .page {
    max-width: none;
    padding: 0;
  }
}
</style>
