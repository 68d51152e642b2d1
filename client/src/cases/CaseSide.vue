<script setup lang="ts">
import type { ChangeRequest, JudgedCase, Knowledge } from '@/shared/api/client';
import AskPanel from './AskPanel.vue';
import MeasurePanel from './MeasurePanel.vue';
import NextCheckPanel from './NextCheckPanel.vue';
import StopNow from './StopNow.vue';
import SuspectList from './SuspectList.vue';
import WorkPanel from './WorkPanel.vue';
import type { Stage } from './stages';
import { actionKey, suspectKey } from './useCaseFigures';

/** What the case says and asks, beside the drawing: suspects at every stage, then what belongs to this one. */
defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  stage: Stage;
  trouble: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
defineEmits<{ why: [key: string]; plan: []; limit: []; opening: [] }>();
</script>

<template>
  <aside class="side" :class="stage" aria-label="Verdict">
    <div class="signs">
      <StopNow :signs="data.diagnosis.stopNow" />
      <ul v-if="data.diagnosis.contradictions.length" class="contradictions" role="status">
        <li v-for="c in data.diagnosis.contradictions" :key="c.text">{{ c.text }}</li>
      </ul>
    </div>
    <SuspectList
      class="suspects"
      :data="data"
      :brief="stage !== 'suspect'"
      @take-out="(id) => tell({ remove: [id] })"
      @open="$emit('why', suspectKey($event.fault))"
    />
    <NextCheckPanel
      v-if="stage === 'suspect'"
      class="now"
      :data="data"
      :knowledge="knowledge"
      :trouble="trouble"
      :tell="tell"
      @plan="$emit('plan')"
      @limit="$emit('limit')"
      @opening="$emit('opening')"
    />
    <AskPanel v-else-if="stage === 'ask'" class="now" :data="data" :knowledge="knowledge" :tell="tell" />
    <MeasurePanel v-else-if="stage === 'measure'" class="now" :data="data" :knowledge="knowledge" :tell="tell" />
    <WorkPanel
      v-else
      class="now"
      :data="data"
      :knowledge="knowledge"
      :stage="stage"
      :tell="tell"
      @open="$emit('why', actionKey($event.action))"
    />
  </aside>
</template>

<style scoped>
.side {
  display: grid;
  grid-template-rows: auto minmax(11rem, 1fr) auto;
  min-height: 0;
  background: var(--card);
}

.suspects {
  min-height: 0;
  overflow-y: auto;
}

.side:not(.suspect) {
  grid-template-rows: auto auto minmax(0, 1fr);
}

.side:not(.suspect) .now {
  overflow-y: auto;
  border-top: 2px solid var(--ink);
}

.contradictions {
  margin: 0;
  padding: 0.6rem 1rem 0.6rem 2rem;
  background: var(--suspect-soft);
  color: var(--ink);
}

/* Upright: suspects on the left, what to do on the right, both under the drawing. */
@media (max-width: 900px) {
  .side {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: auto minmax(32.5rem, auto);
  }

  .side:not(.suspect) {
    grid-template-rows: auto auto;
  }

  .signs {
    grid-column: 1 / -1;
  }

  .suspects {
    border-right: 1px solid var(--line);
  }

  .side .now {
    border-top: 0;
  }
}

@media (max-width: 640px) {
  .side,
  .side:not(.suspect) {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
  }

  .suspects {
    min-height: 17rem;
    border-right: 0;
  }

  .side .now {
    border-top: 2px solid var(--ink);
  }

  .side.suspect .now {
    min-height: 27rem;
  }
}
</style>
