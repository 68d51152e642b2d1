<script setup lang="ts">
import Button from 'primevue/button';
import Toast from 'primevue/toast';
import type { ArchiveToast } from './useArchive';

/** Messages at the foot of the page, with the way back where there is one. */
const undoOf = (message: unknown) => (message as ArchiveToast).undo;
</script>

<template>
  <Toast position="bottom-center" :pt="{ closeButton: { 'aria-label': 'Close the message' } }">
    <template #message="{ message }">
      <span class="said">{{ message.summary }}</span>
      <Button
        v-if="undoOf(message)"
        severity="secondary"
        variant="outlined"
        label="Undo"
        @click="undoOf(message)?.()"
      />
    </template>
  </Toast>
</template>

<style scoped>
.said {
  flex: 1;
  align-self: center;
}
</style>
