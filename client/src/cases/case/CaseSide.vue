<script setup lang="ts">
import Message from 'primevue/message';
import type { ChangeRequest, JudgedCase, Knowledge } from '@/shared/api/client';
import AskPanel from '@/cases/ask/AskPanel.vue';
import MeasurePanel from '@/cases/measure/MeasurePanel.vue';
import NextCheckPanel from '@/cases/check/NextCheckPanel.vue';
import ProvePanel from '@/cases/proving/ProvePanel.vue';
import StopNow from '@/cases/suspect/StopNow.vue';
import SuspectList from '@/cases/suspect/SuspectList.vue';
import type { Stage } from '@/parts/stages';
import { suspectKey } from './figures';

/** What the case says and asks, beside the drawing: suspects at every stage, then what belongs to this one. */
defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  stage: Stage;
  trouble: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
defineEmits<{ why: [key: string]; plan: []; limit: []; opening: []; go: [stage: Stage] }>();
</script>

<template>
  <aside class="side" :class="stage" aria-label="Verdict">
    <StopNow class="signs" :signs="data.diagnosis.stopNow" />
    <div class="suspects">
      <SuspectList
        class="list"
        :data="data"
        :brief="stage !== 'suspect'"
        @take-out="(id) => tell({ remove: [id] })"
        @open="$emit('why', suspectKey($event.fault))"
      />
      <Message v-for="c in data.diagnosis.contradictions" :key="c.text" severity="warn" :closable="false">{{
        c.text
      }}</Message>
    </div>
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
    <ProvePanel
      v-else
      class="now"
      :data="data"
      :knowledge="knowledge"
      :trouble="trouble"
      :tell="tell"
      @go="$emit('go', $event)"
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
  display: flex;
  grid-row: 2;
  flex-direction: column;
  min-height: 0;
  overflow-y: auto;
}

.list {
  min-height: 10rem;
}

/* A message is shown whole; the list above it scrolls with it where room is short. */
.suspects :deep(.p-message) {
  flex: none;
}

.side:not(.suspect) {
  grid-template-rows: auto auto minmax(0, 1fr);
}

.now {
  grid-row: 3;
}

/* The proof needs the room; who leads is enough beside it. */
.side.prove .suspects {
  display: block;
  max-height: 9.25rem;
}

/* High enough for most checks, so that the list above does not move from one answer to the next. */
.side.suspect .now {
  min-height: 26rem;
}

.side:not(.suspect) .now {
  overflow-y: auto;
  border-top: 2px solid var(--ink);
}

/* Upright: suspects on the left, what to do on the right, both under the drawing. */
@media (max-width: 900px) {
  .side {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: auto minmax(33rem, auto);
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
    grid-row: 2;
    border-top: 0;
  }

  .side.suspect .now {
    min-height: 0;
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
    grid-row: 3;
    border-top: 2px solid var(--ink);
  }

  .side.suspect .now {
    min-height: 27rem;
  }
}
</style>
