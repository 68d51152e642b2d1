<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { useId } from 'vue';

/** A day, as the device’s own calendar picks it: 2027-03-15. */
const model = defineModel<string>({ required: true });
defineProps<{ label: string; problem?: string; max?: string }>();
const id = useId();
</script>

<template>
  <div>
    <label :for="id">{{ label }}</label>
    <InputText
      :id="id"
      v-model="model"
      type="date"
      fluid
      :max="max"
      :invalid="!!problem"
      :aria-describedby="problem ? `${id}-problem` : undefined"
    />
    <p v-if="problem" :id="`${id}-problem`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
