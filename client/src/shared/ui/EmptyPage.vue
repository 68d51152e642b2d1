<script setup lang="ts">
/** In place of a list that has nothing yet: what will stand here, and the one button that starts it. */
defineProps<{ title: string }>();
</script>

<template>
  <section class="empty" :aria-label="title">
    <h2>{{ title }}</h2>
    <p><slot /></p>
    <slot name="start" />
  </section>
</template>

<style scoped>
.empty {
  max-width: 38rem;
  margin: 2rem 0;
  padding: 1rem 1.25rem 1.25rem;
  border: 1.5px dashed var(--ink-2);
  border-radius: 4px;
  background: var(--card);
}

p {
  margin: 0.35rem 0 0.9rem;
}
</style>
