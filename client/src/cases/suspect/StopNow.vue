<script setup lang="ts">
import Message from 'primevue/message';
import type { Schemas } from '@/shared/api/client';

/** What must stop the pump at once, large, with the reason; checks on the running pump are no longer proposed. */
defineProps<{ signs: Schemas['StopNowDto'][] }>();
</script>

<template>
  <Message v-if="signs.length" severity="error" class="stop-now" aria-label="Stop now" :closable="false">
    <div v-for="sign in signs" :key="sign.id">
      <h2>{{ sign.text }}</h2>
      <p>{{ sign.why }}</p>
    </div>
    <p class="quiet">Checks with the pump running are no longer proposed.</p>
  </Message>
</template>

<style scoped>
.stop-now.stop-now {
  border: 3px solid var(--suspect);
  color: var(--ink);
}

h2 {
  margin: 0;
  font-size: 1.5rem;
}

p {
  margin: 0.15rem 0 0;
}
</style>
