<script setup lang="ts">
import Button from 'primevue/button';

/** Somebody else stored something else meanwhile: both are shown, and whoever types decides. */
defineProps<{ theirs: string; what: string }>();
defineEmits<{ mine: []; theirs: [] }>();
</script>

<template>
  <div class="conflict" role="alert">
    <p>Somebody else changed {{ what }} while you were typing. Theirs:</p>
    <blockquote>{{ theirs || '(nothing)' }}</blockquote>
    <div class="choice">
      <Button label="Keep mine" @click="$emit('mine')" />
      <Button label="Take theirs" severity="secondary" variant="outlined" @click="$emit('theirs')" />
    </div>
  </div>
</template>

<style scoped>
.conflict {
  margin-top: 0.25rem;
  padding: 0.5rem 0.75rem;
  border-left: 4px solid var(--suspect);
  background: var(--card);
  font-weight: 400;
}

p,
blockquote {
  margin: 0 0 0.4rem;
}

blockquote {
  padding-left: 0.75rem;
  border-left: 2px solid var(--line);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
