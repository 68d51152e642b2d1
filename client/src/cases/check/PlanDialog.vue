<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { ref, watch } from 'vue';
import { api, inWords, taken, type JudgedCase, type Schemas } from '@/shared/api/client';
import PlanTree from './PlanTree.vue';
import { asQuestion } from '@/cases/case/question';

/** The next three checks as a tree, worked out for what is noted now. */
const visible = defineModel<boolean>('visible', { required: true });
const props = defineProps<{ data: JudgedCase }>();

const plan = ref<Schemas['PlanResponse']>();
const problem = ref('');

watch(
  visible,
  async (shown) => {
    if (!shown) return;
    plan.value = undefined;
    problem.value = '';
    try {
      plan.value = taken(await api.POST('/api/plan', { body: asQuestion(props.data) }));
    } catch (error) {
      problem.value = inWords(error);
    }
  },
  { immediate: true },
);
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Plan of three checks" :style="{ width: 'min(46rem, 96vw)' }">
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    <p v-else-if="!plan" aria-live="polite">Working it out …</p>
    <PlanTree v-else-if="plan.first" :step="plan.first" />
    <p v-else>Nothing more to test: {{ data.diagnosis.openNow.text }}</p>
  </Dialog>
</template>
