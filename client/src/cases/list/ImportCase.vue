<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import Button from 'primevue/button';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { inWords, Refusal, upload, type Schemas } from '@/shared/api/client';
import FilePick from '@/shared/ui/FilePick.vue';

/** A case or a pump that was exported elsewhere, taken in. */
const client = useQueryClient();
const router = useRouter();
const busy = ref(false);
const says = ref('');
const trouble = ref('');

// Both went on and contradict: it may come in beside ours.
const apart = ref<File>();

async function take(chosen: File, both = false) {
  [busy.value, says.value, trouble.value, apart.value] = [true, '', '', undefined];
  try {
    const form = new FormData();
    form.append('file', chosen);
    const body = await upload<Schemas['ImportResponse']>(`/api/import${both ? '?keep=both' : ''}`, form);
    says.value = body.says;
    await client.invalidateQueries();
    if (body.says === 'Taken in.') await router.push(body.caseId ? `/cases/${body.caseId}` : `/pumps/${body.pumpId}`);
  } catch (error) {
    trouble.value = inWords(error);
    if (error instanceof Refusal && error.status === 409) apart.value = chosen;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="take">
    <FilePick
      plain
      :label="busy ? 'Taking it in …' : 'Take in a case or pump'"
      name="Case or pump file"
      accept=".zip,application/zip"
      :disabled="busy"
      @pick="(file) => take(file)"
    />
    <Button
      v-if="apart"
      severity="secondary"
      variant="outlined"
      label="Take it in as a second case"
      @click="take(apart, true)"
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
