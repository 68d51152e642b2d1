<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import SelectButton from 'primevue/selectbutton';
import { useTheme } from '../theme/useTheme';
import { useUnits } from '../units/useUnits';

/** Light and units, chosen once and remembered on this device. Every field still takes any unit typed with its figure. */
const { dark } = useTheme();
const { units } = useUnits();
const client = useQueryClient();

const lights = [
  { value: false, text: 'Day' },
  { value: true, text: 'Plant room' },
];
const systems = [
  { value: 'si', text: 'bar, L/min, °C' },
  { value: 'us', text: 'psi, gpm, °F' },
];

// Figures and sentences come from the server in the units that were chosen.
const renew = () => void client.invalidateQueries();
</script>

<template>
  <div class="display">
    <p id="display-light">Light</p>
    <SelectButton
      v-model="dark"
      :options="lights"
      option-label="text"
      option-value="value"
      :allow-empty="false"
      aria-labelledby="display-light"
    />
    <p id="display-units">Units</p>
    <SelectButton
      v-model="units"
      :options="systems"
      option-label="text"
      option-value="value"
      :allow-empty="false"
      aria-labelledby="display-units"
      @change="renew"
    />
  </div>
</template>

<style scoped>
p {
  margin: 0 0 0.25rem;
  font-weight: 700;
}

p:not(:first-child) {
  margin-top: 0.75rem;
}
</style>
