<script setup lang="ts">
import Button from 'primevue/button';
import Dialog from 'primevue/dialog';
import { computed } from 'vue';
import { quantity } from '../format';
import type { Doubts } from './useDoubts';

/** "6000 bar is far above what this pump is rated for. 600 bar, or really 6000?" */
const props = defineProps<{ doubts: Doubts }>();
const asked = computed(() => props.doubts.asked.value ?? []);
const visible = computed({ get: () => asked.value.length > 0, set: (open) => !open && props.doubts.decide(undefined) });
const first = computed(() => asked.value[0]);
const shown = (q: { value: number; unit: string }) => quantity(q, 6);
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Is that so?" :style="{ width: 'min(30rem, 94vw)' }">
    <p v-for="d in asked" :key="d.field">{{ d.says }}</p>
    <p class="quiet">Nothing has been noted yet. What was meant?</p>
    <div v-if="first" class="choices">
      <Button
        v-for="q in first.instead"
        :key="q.unit + q.value"
        :label="shown(q)"
        @click="doubts.decide({ doubt: first, meant: q })"
      />
      <Button
        severity="secondary"
        variant="outlined"
        :label="asked.length > 1 ? 'Really so' : `Really ${shown(first.given)}`"
        @click="doubts.decide({ sure: true })"
      />
      <Button severity="secondary" variant="text" label="Let me look again" @click="doubts.decide(undefined)" />
    </div>
  </Dialog>
</template>

<style scoped>
p {
  margin: 0 0 0.5rem;
}

.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
