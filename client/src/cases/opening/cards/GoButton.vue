<script setup lang="ts">
import Button from 'primevue/button';

/** The one large button that says what comes next: always at the same place, whatever the card above it holds. */
defineProps<{ label: string; disabled?: boolean }>();
defineEmits<{ go: [] }>();
</script>

<template>
  <Teleport defer to="#work-go">
    <Button class="go" :label="label" :disabled="disabled" @click="$emit('go')" />
  </Teleport>
</template>
