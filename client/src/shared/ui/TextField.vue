<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { useId } from 'vue';

/** A few words, with their label. */
const model = defineModel<string>({ required: true });
defineProps<{ label: string; placeholder?: string; problem?: string; required?: boolean }>();
const id = useId();
</script>

<template>
  <div>
    <label :for="id">{{ label }}<span v-if="required" class="quiet"> (needed)</span></label>
    <InputText
      :id="id"
      v-model="model"
      fluid
      autocomplete="off"
      :placeholder="placeholder"
      :invalid="!!problem"
      :aria-describedby="problem ? `${id}-problem` : undefined"
    />
    <p v-if="problem" :id="`${id}-problem`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
