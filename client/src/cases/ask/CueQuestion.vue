<script setup lang="ts">
import ToggleButton from 'primevue/togglebutton';
import { computed } from 'vue';
import type { ChangeRequest, JudgedCase, Knowledge } from '@/shared/api/client';
import { answersAt, type Spot } from '@/drawing/layout/spots';

type Cue = Knowledge['cues'][number];
type Answer = Cue['answers'][number];
type Seen = Pick<NonNullable<ChangeRequest['cues']>[number], 'dropsPerMinute' | 'stream' | 'when'>;

/** One question that can be answered at this place; a second tap takes the answer back. */
const props = defineProps<{ cue: Cue; spot: Spot; data: JudgedCase; seen?: () => Seen | undefined }>();
const emit = defineEmits<{ tell: [change: ChangeRequest] }>();

const answers = computed(() => answersAt(props.spot, props.cue));

// What was seen before a mend stands, but is no longer what the buttons show.
const standing = computed(() => props.data.cues.filter((c) => c.cue === props.cue.id && c.mends === props.data.mends));

// Two caps of one cylinder are two places.
function here(answer: Answer, told: { cylinder: number | null; side: string | null }): boolean {
  if (answer.at === 'none') return true;
  return (
    told.cylinder === (props.spot.cylinder ?? null) &&
    (answer.at !== 'cavity' || !props.spot.side || !told.side || told.side === props.spot.side)
  );
}

const entryOf = (answer: Answer) => standing.value.find((c) => c.answer === answer.id && here(answer, c));
const isOn = (answer: Answer) => (entryOf(answer) ? entryOf(answer)?.dropsPerMinute !== 0 : false);

function tap(answer: Answer) {
  const seen = props.seen && answer.at !== 'none' ? props.seen() : {};
  if (!seen) return;
  const on = entryOf(answer);
  if (on && isOn(answer) && Object.keys(seen).length === 0) {
    emit('tell', { remove: [on.id] });
    return;
  }
  const { cylinder, side } = props.spot;
  const place =
    answer.at === 'none' ? {} : { cylinder: cylinder ?? null, ...(answer.at === 'cavity' && side ? { side } : {}) };
  emit('tell', { cues: [{ cue: props.cue.id, answer: answer.id, ...place, ...seen }] });
}
</script>

<template>
  <div class="cue">
    <p>{{ cue.question }}</p>
    <div class="answers" role="group" :aria-label="cue.name">
      <ToggleButton
        v-for="a in answers"
        :key="a.id"
        :model-value="isOn(a)"
        :on-label="a.text"
        :off-label="a.text"
        @update:model-value="tap(a)"
      />
    </div>
  </div>
</template>

<style scoped>
.cue {
  padding: 0.4rem 0;
  border-top: 1px solid var(--line);
}

p {
  margin: 0 0 0.35rem;
}

.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
