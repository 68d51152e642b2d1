<script setup lang="ts">
import Button from 'primevue/button';
import Message from 'primevue/message';

/** Somebody else stored something else meanwhile: both are shown, and whoever types decides. */
defineProps<{ theirs: string; what: string }>();
defineEmits<{ mine: []; theirs: [] }>();
</script>

<template>
  <Message severity="warn" class="conflict" :closable="false">
    <p>Somebody else changed {{ what }} while you were typing. Theirs:</p>
    <blockquote>{{ theirs || '(nothing)' }}</blockquote>
    <div class="choice">
      <Button label="Keep mine" @click="$emit('mine')" />
      <Button label="Take theirs" severity="secondary" variant="outlined" @click="$emit('theirs')" />
    </div>
  </Message>
</template>

<style scoped>
.conflict {
  margin-top: 0.25rem;
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
