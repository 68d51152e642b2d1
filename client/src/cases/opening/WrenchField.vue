<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { useId } from 'vue';
import { useMe } from './useMe';

/** Which wrench gives the torque, and when it was checked: chosen once on this device, kept with every bolt. */
const { wrench } = useMe();
const id = useId();
</script>

<template>
  <div>
    <label :for="id">Wrench, and when it was checked</label>
    <InputText :id="id" v-model="wrench" maxlength="60" placeholder="W-2, checked in May" fluid />
  </div>
</template>
