<script setup lang="ts">
import Button from 'primevue/button';
import Message from 'primevue/message';
import type { FieldConflict } from './plateMerge';

/** What both somebody else and the one who types have changed: both are shown, and whoever types decides. */
defineProps<{ conflicts: FieldConflict[] }>();
defineEmits<{ take: [conflict: FieldConflict] }>();
</script>

<template>
  <Message v-if="conflicts.length" severity="warn" :closable="false">
    <p>
      Somebody corrected this pump after you began to type. What only they changed stands here now; these you both
      changed, and yours stays where you leave it:
    </p>
    <ul>
      <li v-for="c in conflicts" :key="c.field">
        <span>{{ c.name }}: yours {{ c.mine }}, theirs {{ c.theirs }}</span>
        <Button label="Take theirs" severity="secondary" variant="outlined" @click="$emit('take', c)" />
      </li>
    </ul>
  </Message>
</template>

<style scoped>
p {
  margin: 0.25rem 0;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: center;
  padding: 0.25rem 0;
}
</style>
