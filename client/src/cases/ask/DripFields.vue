<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';
import ToggleButton from 'primevue/togglebutton';
import EntryField from '@/shared/ui/EntryField.vue';
import type { Drip } from './useDrip';

/** How much it drips and when; then the place is tapped. */
const props = defineProps<{ drip: Drip }>();
const { drops, problem, stream, when } = props.drip;
const times = [
  { value: 'running', text: 'Only while running' },
  { value: 'standing', text: 'Also standing' },
];
</script>

<template>
  <div class="drip">
    <EntryField v-model="drops" label="Drops a minute, if you counted" :disabled="stream" :problem="problem" />
    <div class="choices">
      <ToggleButton v-model="stream" on-label="A stream" off-label="A stream" />
      <SelectButton
        v-model="when"
        :options="times"
        option-label="text"
        option-value="value"
        aria-label="When it drips"
      />
    </div>
    <p class="quiet">Then what drips:</p>
  </div>
</template>

<style scoped>
.drip {
  padding-top: 0.35rem;
}

.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}

p {
  margin: 0.4rem 0 0;
}
</style>
