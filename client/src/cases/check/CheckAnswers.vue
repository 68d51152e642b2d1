<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref, watch } from 'vue';
import type { NextCheck } from '@/shared/api/client';

/** The likeliest answers to tap, in four places that never move; the rest behind one of them. */
const props = defineProps<{ answers: NextCheck['answers']; following?: string }>();
defineEmits<{ answer: [index: number]; couldNot: [] }>();

const places = 3;
const all = ref(false);
const shown = computed(() => (all.value ? props.answers : props.answers.slice(0, places)));
watch(
  () => props.answers,
  () => (all.value = false),
);

const empty = computed(() => Math.max(0, places - shown.value.length));
</script>

<template>
  <div class="answers">
    <div v-for="k in empty" :key="`empty${k}`" class="empty" aria-hidden="true" />
    <Button
      v-for="(a, i) in shown"
      :key="i"
      severity="secondary"
      variant="outlined"
      class="answer"
      @click="$emit('answer', i)"
    >
      <kbd>{{ i + 1 }}</kbd>
      <span class="said">{{ a.text }}</span>
      <span class="then quiet">{{ a.then }}</span>
    </Button>
    <div class="last">
      <Button
        v-if="answers.length > places"
        severity="secondary"
        variant="outlined"
        class="answer"
        :label="all ? 'Fewer answers' : `All ${answers.length} answers`"
        :aria-expanded="all"
        @click="all = !all"
      />
      <Button severity="secondary" variant="outlined" class="answer" @click="$emit('couldNot')">
        <span class="said">Could not do it</span>
        <span v-if="following && answers.length <= places" class="then quiet">next: {{ following.toLowerCase() }}</span>
      </Button>
    </div>
  </div>
</template>

<style scoped>
.answers {
  display: grid;
  gap: 5px;
  margin-top: 0.35rem;
}

/* Room for three lines in each place, so that no answer pushes another. */
.empty {
  min-height: 50px;
}

.answer.answer {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.6rem;
  align-items: center;
  justify-content: flex-start;
  min-height: 50px;
  padding: 0 0.6rem;
  line-height: 1.05;
}

.said {
  font-size: 0.9375rem;
  font-weight: 700;
}

.said::first-letter {
  text-transform: uppercase;
}

.then {
  margin-left: auto;
  font-size: 0.875rem;
}

.last {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 5px;
}
</style>
