<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import Textarea from 'primevue/textarea';
import { computed, ref } from 'vue';
import { when } from '@/shared/format';
import ChangedTable from './ChangedTable.vue';
import type { ProofAccess } from './useProof';

/** What the proof comes to: what speaks against it, what changed, and the word of whoever answers for it. */
const props = defineProps<{ caseId: string; access: ProofAccess }>();
const emit = defineEmits<{ back: [] }>();

const view = computed(() => props.access.view.value);
const verdict = computed(() => props.access.proof.value.verdict);
// What is typed stays on this device until it is said.
const remark = useLocalStorage(`mild-hunch.proof-remark.${props.caseId}`, '');
const tried = ref(false);
const names: Record<string, string> = {
  pass: 'Pass',
  'pass-with-remark': 'Pass, with a remark',
  back: 'Back to the suspects',
};
const proposed: Record<string, string> = { ...names, 'not-yet': 'not proved yet' };
const shutTo = (outcome: string) =>
  outcome !== 'back' &&
  (view.value?.proposed === 'back' ||
    view.value?.proposed === 'not-yet' ||
    (outcome === 'pass' && view.value?.proposed !== 'pass'));

async function say(outcome: string) {
  tried.value = outcome === 'pass-with-remark' && !remark.value.trim();
  if (tried.value) return;
  if (!(await props.access.verdict({ outcome, remark: remark.value.trim() || undefined }))) return;
  remark.value = '';
  if (outcome === 'back') emit('back');
}
</script>

<template>
  <section v-if="view" class="end" aria-labelledby="end-title">
    <h3 id="end-title">What it comes to</h3>
    <ChangedTable :changed="view.changed" />
    <p v-if="verdict">
      <b>{{ names[verdict.outcome] }}</b>, {{ verdict.by }}, {{ when(verdict.at) }}.<template v-if="verdict.remark">
        {{ verdict.remark }}</template
      >
      <Button variant="text" severity="secondary" label="Prove it anew" @click="access.anew()" />
    </p>
    <template v-else>
      <p>
        By what was read and ticked: <b>{{ proposed[view.proposed]?.toLowerCase() }}</b>
      </p>
      <ul v-if="view.reasons.length">
        <li v-for="r in view.reasons" :key="r">{{ r }}</li>
      </ul>
      <label>
        Remark
        <Textarea v-model="remark" rows="1" auto-resize maxlength="1000" fluid :invalid="tried" />
      </label>
      <p v-if="tried" class="problem" role="alert">Say what is to be kept in view.</p>
      <div class="row">
        <Button
          v-for="(name, outcome) in names"
          :key="outcome"
          :label="name"
          :severity="view.proposed === outcome ? undefined : 'secondary'"
          :variant="view.proposed === outcome ? undefined : 'outlined'"
          :disabled="shutTo(outcome)"
          @click="say(outcome)"
        />
      </div>
    </template>
  </section>
</template>

<style scoped>
.end {
  display: grid;
  gap: 0.4rem;
  padding-top: 0.5rem;
  border-top: 1px solid var(--line);
}

p,
ul {
  margin: 0;
}

ul {
  padding-left: 1.1rem;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}
</style>
