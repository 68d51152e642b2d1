<script setup lang="ts" generic="T extends string | number">
import Select from 'primevue/select';
import { computed, useId } from 'vue';

/** One of several, with its label. Plain words need no value of their own. */
const model = defineModel<T>({ required: true });
const props = defineProps<{
  label: string;
  options: readonly (T | { value: T; text: string })[];
  /** The label is heard, not seen: where the place already says it. */
  quiet?: boolean;
  placeholder?: string;
  problem?: string;
}>();
const id = useId();
// An empty value is none to the stock component, so its words stand where nothing is chosen.
const unsaid = computed(() => choices.value.find((c) => c.value === '')?.text);
const choices = computed(() => props.options.map((o) => (typeof o === 'object' ? o : { value: o, text: String(o) })));
</script>

<template>
  <div class="choice">
    <label :id="id" :for="`${id}-box`" :class="{ 'sr-only': quiet }">{{ label }}</label>
    <Select
      v-model="model"
      :label-id="`${id}-box`"
      :aria-labelledby="id"
      :options="choices"
      option-label="text"
      option-value="value"
      :placeholder="placeholder ?? unsaid"
      :invalid="problem !== undefined"
      :pt="{ label: { 'aria-describedby': problem ? `${id}-problem` : undefined } }"
      fluid
    />
    <p v-if="problem" :id="`${id}-problem`" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
