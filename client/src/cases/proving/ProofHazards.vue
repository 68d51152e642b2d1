<script setup lang="ts">
import Button from 'primevue/button';
import HazardTicks from '@/cases/opening/cards/HazardTicks.vue';
import type { ProofStage } from './useProof';

/** What can hurt at this stage. */
defineProps<{ stage: ProofStage }>();
const emit = defineEmits<{ acknowledge: [] }>();
</script>

<template>
  <div class="hazards">
    <h3>What can hurt you here</h3>
    <HazardTicks v-slot="{ label, go }" :hazards="stage.hazards" @acknowledge="emit('acknowledge')">
      <Button :label="label" @click="go" />
    </HazardTicks>
  </div>
</template>

<style scoped>
.hazards {
  display: grid;
  gap: 0.25rem;
  padding-left: 0.7rem;
  border-left: 5px solid var(--suspect);
}

h3 {
  font-size: 1.0625rem;
}

.hazards :deep(p) {
  margin: 0;
}
</style>
