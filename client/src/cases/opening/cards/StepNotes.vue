<script setup lang="ts">
import { computed } from 'vue';
import PhotoStrip from '@/shared/ui/PhotoStrip.vue';
import TextField from '@/shared/ui/TextField.vue';
import { isTicked, type Step, type StepPlace, type Work } from './cards';
import { torqueOf, useStepNotes, type StepTold } from '@/cases/opening/useStepNotes';

/** What a card asks for has its field on the card: a height, a photograph, the torque that was used. */
const props = defineProps<{ caseId: string; step: Step; place: StepPlace; work: Work }>();
const emit = defineEmits<{ keep: [told: StepTold] }>();

const notes = useStepNotes(props.caseId);
const tick = computed(() => props.work.steps[props.place.tick]);
const typed = computed(() => notes.typed(props.place.tick, tick.value));
const type = (change: Partial<typeof typed.value>) => notes.type(props.place.tick, { ...typed.value, ...change });
const asks = computed(() => props.step.tightens && props.step.rounds.some((r) => r.name.endsWith('%')));
const problem = computed(() =>
  typed.value.torque.trim() && !torqueOf(typed.value.torque) ? 'A torque above 0, like 25 or 250 in·lbf' : '',
);

// Before the tick it goes along with it; after it, what is changed is kept by itself.
function left() {
  if (isTicked(props.work, props.place.tick) && !problem.value) emit('keep', notes.told(props.place.tick, tick.value));
}
</script>

<template>
  <div v-if="step.notes || step.photo || asks" class="notes">
    <TextField
      v-if="step.notes"
      :label="`Noted: ${step.notes}`"
      :model-value="typed.note"
      @update:model-value="type({ note: $event })"
      @focusout="left"
    />
    <TextField
      v-if="asks"
      label="Torque used, where it was another"
      placeholder="as shown"
      :model-value="typed.torque"
      :problem="problem"
      @update:model-value="type({ torque: $event })"
      @focusout="left"
    />
    <PhotoStrip
      v-if="step.photo"
      :photos="tick?.photos ?? []"
      @change="emit('keep', { ...notes.told(place.tick, tick), photos: $event })"
    />
  </div>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 0.5rem;
}
</style>
