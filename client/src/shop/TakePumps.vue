<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import Button from 'primevue/button';
import { ref } from 'vue';
import { inWords, Refusal } from '@/shared/api/client';

/** A list of pumps from elsewhere, taken in: all of them or none. */
const client = useQueryClient();
const file = ref<HTMLInputElement>();
const says = ref('');
const trouble = ref('');

async function take(event: Event) {
  const input = event.target as HTMLInputElement;
  const chosen = input.files?.[0];
  if (!chosen) return;
  [says.value, trouble.value] = ['', ''];
  try {
    const response = await fetch('/api/pumps.csv', {
      method: 'POST',
      headers: { 'Content-Type': 'text/csv' },
      body: chosen,
    });
    const body = (await response.json()) as { added?: number; alreadyHere?: string[]; detail?: string };
    if (!response.ok) throw new Refusal(response.status, body.detail ?? 'It was not taken in.');
    const here = body.alreadyHere ?? [];
    says.value = `${body.added} taken in${here.length ? `; here already: ${here.join(', ')}` : ''}.`;
    await client.invalidateQueries({ queryKey: ['pumps'] });
  } catch (error) {
    trouble.value = inWords(error);
  } finally {
    input.value = '';
  }
}
</script>

<template>
  <div>
    <Button severity="secondary" variant="outlined" label="Take in a list" @click="file?.click()" />
    <input
      ref="file"
      class="sr-only"
      type="file"
      accept=".csv,text/csv"
      tabindex="-1"
      aria-label="List of pumps"
      @change="take"
    />
    <span v-if="says" role="status">{{ says }}</span>
    <span v-if="trouble" class="problem" role="alert">{{ trouble }}</span>
  </div>
</template>
