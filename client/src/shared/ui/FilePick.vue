<script setup lang="ts">
import Button from 'primevue/button';
import { ref } from 'vue';

/** A button that asks for one file. The same file can be chosen again, should it not have arrived. */
defineProps<{ label: string; name: string; accept: string; plain?: boolean; disabled?: boolean }>();
const emit = defineEmits<{ pick: [file: File] }>();

const field = ref<HTMLInputElement>();

function pick(event: Event) {
  const input = event.target as HTMLInputElement;
  const chosen = input.files?.[0];
  input.value = '';
  if (chosen) emit('pick', chosen);
}
</script>

<template>
  <Button
    severity="secondary"
    :variant="plain ? 'text' : 'outlined'"
    :label="label"
    :disabled="disabled"
    @click="field?.click()"
  />
  <input ref="field" class="sr-only" type="file" :accept="accept" tabindex="-1" :aria-label="name" @change="pick" />
</template>
