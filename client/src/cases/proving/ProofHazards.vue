<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import TickBox from '@/shared/ui/TickBox.vue';
import WhoField from '../opening/WhoField.vue';
import type { ProofStage } from './useProof';

/** What can hurt at this stage, read one by one and answered for by name before anything of it is done. */
const props = defineProps<{ stage: ProofStage }>();
const emit = defineEmits<{ acknowledge: [] }>();

const read = ref<string[]>([]);
const tried = ref(false);
const left = computed(() => props.stage.hazards.filter((h) => !read.value.includes(h.id)).length);

function go() {
  tried.value = true;
  if (left.value === 0) emit('acknowledge');
}
</script>

<template>
  <div class="hazards">
    <h3>What can hurt you here</h3>
    <TickBox v-for="h in stage.hazards" :key="h.id" v-model="read" :value="h.id" :label="h.text" />
    <p class="quiet">The maker’s manual, the site’s permit rules and local codes come before this page.</p>
    <WhoField always />
    <p v-if="tried && left" class="problem" role="alert">{{ left }} not ticked yet.</p>
    <Button label="I have read these and answer for them" @click="go" />
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

p {
  margin: 0;
}
</style>
