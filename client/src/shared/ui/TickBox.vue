<script setup lang="ts">
import Checkbox from 'primevue/checkbox';
import { useId } from 'vue';

/** Yes or no, or one of a list that is gathered; the words are part of the target. */
const model = defineModel<boolean | string[]>({ required: true });
defineProps<{ label: string; value?: string }>();
const id = useId();
</script>

<template>
  <label :for="id" class="tick">
    <Checkbox v-model="model" :input-id="id" :binary="value === undefined" :value="value" />
    <span>{{ label }}</span>
  </label>
</template>

<style scoped>
.tick {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
}
</style>
