<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';

/** What must stop the pump at once, large, with the reason; checks on the running pump are no longer proposed. */
defineProps<{ signs: Schemas['StopNowDto'][] }>();
</script>

<template>
  <section v-if="signs.length" class="stop-now" role="alert" aria-label="Stop now">
    <div v-for="sign in signs" :key="sign.id">
      <h2>{{ sign.text }}</h2>
      <p>{{ sign.why }}</p>
    </div>
    <p class="quiet">Checks with the pump running are no longer proposed.</p>
  </section>
</template>

<style scoped>
.stop-now {
  padding: 0.6rem 1rem;
  border: 3px solid var(--suspect);
  background: var(--suspect-soft);
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
