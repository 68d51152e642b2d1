<script setup lang="ts">
import { ref, useId } from 'vue';
import InputText from 'primevue/inputtext';
import { useMe } from './useMe';

/** Who works with this device: asked once, said with every step. */
defineProps<{ missing?: boolean; always?: boolean }>();
const { name } = useMe();
// Where it is missing it is asked for, and stays while it is being written.
const asked = ref(!name.value.trim());
const id = useId();
</script>

<template>
  <div v-if="asked || always" class="who">
    <label :for="id">Your name, kept on this device</label>
    <InputText :id="id" v-model="name" maxlength="60" autocomplete="name" :invalid="missing" fluid />
    <p v-if="missing" class="problem" role="alert">Each step is kept with the name of who did it: write yours.</p>
  </div>
</template>
