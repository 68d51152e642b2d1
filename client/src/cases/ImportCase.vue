<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import Button from 'primevue/button';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { inWords, Refusal } from '@/shared/api/client';

/** A case that was exported elsewhere, taken in. */
const client = useQueryClient();
const router = useRouter();
const file = ref<HTMLInputElement>();
const busy = ref(false);
const says = ref('');
const trouble = ref('');

async function take(event: Event) {
  const input = event.target as HTMLInputElement;
  const chosen = input.files?.[0];
  if (!chosen) return;
  [busy.value, says.value, trouble.value] = [true, '', ''];
  try {
    const form = new FormData();
    form.append('file', chosen);
    const response = await fetch('/api/import', { method: 'POST', body: form });
    const body = (await response.json()) as { caseId?: string; says?: string; detail?: string };
    if (!response.ok || !body.caseId) throw new Refusal(response.status, body.detail ?? 'It was not taken in.');
    says.value = body.says ?? '';
    await client.invalidateQueries({ queryKey: ['cases'] });
    if (body.says === 'Taken in.') await router.push(`/cases/${body.caseId}`);
  } catch (error) {
    trouble.value = inWords(error);
  } finally {
    busy.value = false;
    input.value = '';
  }
}
</script>

<template>
  <div class="take">
    <Button
      variant="text"
      severity="secondary"
      :label="busy ? 'Taking it in …' : 'Take in a case file'"
      :disabled="busy"
      @click="file?.click()"
    />
    <input
      ref="file"
      class="sr-only"
      type="file"
      accept=".zip,application/zip"
      tabindex="-1"
      aria-label="Case file"
      @change="take"
    />
    <span v-if="says" role="status">{{ says }}</span>
    <span v-if="trouble" class="problem" role="alert">{{ trouble }}</span>
  </div>
</template>

<style scoped>
.take {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
}
</style>
