<script setup lang="ts">
import Checkbox from 'primevue/checkbox';
import { ref, useId } from 'vue';

/** Yes or no, or one of a list that is gathered; the words are part of the target. */
const model = defineModel<boolean | string[]>({ required: true });
const props = defineProps<{
  label: string;
  value?: string;
  /** Says whether the tick was taken; a box whose tick was refused shows what stands. */
  take?: () => Promise<boolean>;
}>();
const id = useId();
const refused = ref(0);

async function ticked() {
  if (props.take && !(await props.take())) refused.value++;
}
</script>

<template>
  <label :for="id" class="tick">
    <Checkbox
      :key="refused"
      v-model="model"
      :input-id="id"
      :binary="value === undefined"
      :value="value"
      @change="ticked"
    />
    <span>{{ label }}</span>
  </label>
</template>

<style scoped>
.tick {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
}
</style>
