<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { ref } from 'vue';
import { inWords, upload, type Schemas } from '@/shared/api/client';
import FilePick from '@/shared/ui/FilePick.vue';

/** A list of pumps from elsewhere, taken in: all of them or none. */
const client = useQueryClient();
const says = ref('');
const trouble = ref('');

async function take(chosen: File) {
  [says.value, trouble.value] = ['', ''];
  try {
    const body = await upload<Schemas['PumpsTakenResponse']>('/api/pumps.csv', chosen, 'text/csv');
    const here = body.alreadyHere;
    says.value = `${body.added} taken in${here.length ? `; here already: ${here.join(', ')}` : ''}.`;
    await client.invalidateQueries({ queryKey: ['pumps'] });
  } catch (error) {
    trouble.value = inWords(error);
  }
}
</script>

<template>
  <div>
    <FilePick label="Take in a list" name="List of pumps" accept=".csv,text/csv" @pick="take" />
    <span v-if="says" role="status">{{ says }}</span>
    <span v-if="trouble" class="problem" role="alert">{{ trouble }}</span>
  </div>
</template>
