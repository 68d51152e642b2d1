<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';
import { computed } from 'vue';
import { membersOf, spotKey, type Spot } from '@/drawing/layout/spots';

/** Which of several alike is spoken of: every plunger, or every valve. */
const props = defineProps<{ spot: Spot; cylinders: number; plain: boolean }>();
const emit = defineEmits<{ choose: [spot: Spot] }>();

const members = computed(() => membersOf(props.spot.place, props.cylinders, props.plain));
const sides = { discharge: 'Discharge', inlet: 'Inlet' };
const options = computed(() =>
  members.value.map((m) => ({ value: spotKey(m), text: m.side ? `${sides[m.side]} ${m.cylinder}` : `${m.cylinder}` })),
);
const choose = (key: string) => {
  const member = members.value.find((m) => spotKey(m) === key);
  if (member) emit('choose', member);
};
</script>

<template>
  <div class="which">
    <p :id="`which-${spot.place}`">Which one?</p>
    <SelectButton
      :model-value="spotKey(spot)"
      :options="options"
      option-label="text"
      option-value="value"
      :allow-empty="false"
      :aria-labelledby="`which-${spot.place}`"
      @update:model-value="choose"
    />
  </div>
</template>

<style scoped>
.which {
  padding-bottom: 0.4rem;
}

p {
  margin: 0 0 0.25rem;
}
</style>
