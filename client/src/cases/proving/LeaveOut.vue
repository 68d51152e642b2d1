<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import TextField from '@/shared/ui/TextField.vue';
import type { Schemas } from '@/shared/api/client';

/** What is not done is left out by somebody, with a reason; nothing is left out by silence. */
const props = defineProps<{
  caseId: string;
  what: string;
  name: string;
  left?: Schemas['LeftOutAtDto'] | null;
  leaveOut: (what: string, reason: string) => Promise<boolean>;
  takeUp: (what: string) => Promise<boolean>;
}>();

const reason = useLocalStorage(`mild-hunch.left-out.${props.caseId}.${props.what}`, '');
const asked = ref(false);
const tried = ref(false);
const open = computed(() => asked.value || reason.value !== '');

async function leave() {
  tried.value = !reason.value.trim();
  if (tried.value) return;
  if (await props.leaveOut(props.what, reason.value.trim())) {
    reason.value = '';
    asked.value = false;
  }
}
</script>

<template>
  <p v-if="left" class="left">
    Left out by {{ left.by }}: {{ left.reason }}
    <Button variant="text" severity="secondary" label="Do it after all" @click="takeUp(what)" />
  </p>
  <form v-else-if="open" class="why" :aria-label="`Leave out: ${name}`" @submit.prevent="leave">
    <TextField
      v-model="reason"
      label="Why it is left out"
      :problem="tried ? 'Say why; it stands in the report.' : ''"
    />
    <Button type="submit" severity="secondary" variant="outlined" label="Leave it out" />
  </form>
  <Button v-else variant="text" severity="secondary" :label="`Leave out: ${name}`" @click="asked = true" />
</template>

<style scoped>
.left {
  margin: 0;
  padding-left: 0.6rem;
  border-left: 5px solid var(--line);
}

.why {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: end;
}
</style>
