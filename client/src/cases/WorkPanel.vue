<script setup lang="ts">
import Button from 'primevue/button';
import ToggleButton from 'primevue/togglebutton';
import { computed } from 'vue';
import type { JudgedCase, ChangeRequest, Knowledge } from '@/shared/api/client';
import { percent } from '@/shared/format';
import StageNote from './StageNote.vue';
import WhatWasIt from './WhatWasIt.vue';
import { stageNames, type Stage } from './stages';

/** Opening, mending and proving: what to do by its chance of being needed, the hazards first, and room for notes. */
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  stage: Stage;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
defineEmits<{ open: [action: JudgedCase['diagnosis']['actions'][number]] }>();

const actions = computed(() => props.data.diagnosis.actions.filter((a) => a.probability >= 0.03).slice(0, 4));
const hazards = computed(() => {
  const likely = props.data.diagnosis.suspects.filter((s) => s.probability >= 0.03).flatMap((s) => s.hazards);
  return [...new Map(likely.map((h) => [h.id, h])).values()];
});
const found = computed(() => props.knowledge.cues.filter((c) => c.reveals));
const cylinders = computed(() => props.data.pump.pump.cylinders ?? 1);

const standing = (cue: string, answer: string, k?: number) =>
  props.data.cues.find((c) => c.cue === cue && c.answer === answer && (k === undefined || c.cylinder === k));

/** A second tap takes it out again. */
function tap(cue: string, answer: string, k?: number) {
  const there = standing(cue, answer, k);
  void props.tell(there ? { remove: [there.id] } : { cues: [{ cue, answer, ...(k ? { cylinder: k } : {}) }] });
}
</script>

<template>
  <section class="work" :aria-label="stageNames[stage]">
    <ul v-if="hazards.length" class="hazards">
      <li v-for="h in hazards" :key="h.id">{{ h.text }}</li>
    </ul>
    <p class="quiet">The maker's manual, the site's permit rules and local codes come before this page.</p>

    <template v-if="stage !== 'prove'">
      <h2>{{ stage === 'open' ? 'What opening should settle' : 'What to mend' }}</h2>
      <ol>
        <li v-for="a in actions" :key="a.action">
          <span>{{ a.name }}</span>
          <Button
            :label="percent(a.probability)"
            variant="text"
            severity="secondary"
            class="figure"
            :aria-label="`${percent(a.probability)}: why ${a.name}`"
            @click="$emit('open', a)"
          />
          <span class="quiet">{{ a.mendMinutes }} min</span>
        </li>
      </ol>
    </template>

    <template v-if="stage === 'open'">
      <h2>Found inside</h2>
      <div v-for="cue in found" :key="cue.id" role="group" :aria-label="cue.name">
        <p>{{ cue.name }}</p>
        <div class="chips">
          <template v-for="a in cue.answers" :key="a.id">
            <ToggleButton
              v-for="k in a.at === 'none' ? [0] : cylinders"
              :key="k"
              :model-value="standing(cue.id, a.id, k || undefined) !== undefined"
              :on-label="`${k ? `${k} ` : ''}${a.text}`"
              :off-label="`${k ? `${k} ` : ''}${a.text}`"
              @update:model-value="tap(cue.id, a.id, k || undefined)"
            />
          </template>
        </div>
      </div>
    </template>

    <template v-if="stage === 'prove'">
      <h2>Prove it</h2>
      <p>
        Dry floor, water on, air purged at no pressure; then in steps to full pressure, and the readings once more. They
        stand against the expectation on the left.
      </p>
      <WhatWasIt :data="data" :knowledge="knowledge" :tell="tell" />
    </template>

    <StageNote
      :key="stage"
      :data="data"
      :name="`note-${stage}`"
      :label="`Notes: ${stageNames[stage].toLowerCase()}`"
      :tell="tell"
    />
  </section>
</template>

<style scoped>
.work {
  display: grid;
  gap: 0.5rem;
  padding: 0.5rem 1rem 1rem;
}

p {
  margin: 0;
}

.hazards {
  margin: 0;
  padding: 0.5rem 0.6rem 0.5rem 1.6rem;
  border-left: 4px solid var(--suspect);
  background: var(--card);
  font-size: 0.9375rem;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

ol li {
  display: grid;
  grid-template-columns: 1fr auto 4.5rem;
  gap: 0.5rem;
  align-items: center;
  border-bottom: 1px solid var(--line);
}

ol .quiet {
  text-align: right;
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0.25rem 0;
}
</style>
