<script setup lang="ts">
import { computed, ref, useId } from 'vue';
import InputText from 'primevue/inputtext';
import { useMe } from './useMe';

/** Who works with this device: asked once, said with every step. */
defineProps<{ always?: boolean }>();
const { name, asked: wanted } = useMe();
// Where it is missing it is asked for, and stays while it is being written.
const empty = ref(!name.value.trim());
const missing = computed(() => wanted.value && !name.value.trim());
const id = useId();
</script>

<template>
  <div v-if="empty || always" class="who">
    <label :for="id">Your name, kept on this device</label>
    <InputText :id="id" v-model="name" maxlength="60" autocomplete="name" :invalid="missing" fluid />
    <p v-if="missing" class="problem" role="alert">Each step is kept with the name of who did it: write yours.</p>
  </div>
</template>
