<script setup lang="ts">
import { computed, ref } from 'vue';
import type { ChangeRequest, Figure, JudgedCase } from '@/shared/api/client';
import { usePumpKnowledge } from '@/shared/api/useKnowledge';
import { useKeys } from '@/shared/keys/useKeys';
import ShellBar from '@/shared/ui/ShellBar.vue';
import WorkingDialog from '@/shared/ui/WorkingDialog.vue';
import AskPanel from './AskPanel.vue';
import JotLine from './JotLine.vue';
import LimitsDialog from './LimitsDialog.vue';
import MeasurePanel from './MeasurePanel.vue';
import NextCheckPanel from './NextCheckPanel.vue';
import NoVerdict from './NoVerdict.vue';
import PlaceEditor from './PlaceEditor.vue';
import PlanDialog from './PlanDialog.vue';
import ReadingsStrip from './ReadingsStrip.vue';
import StageRail from './StageRail.vue';
import StopNow from './StopNow.vue';
import SuspectList from './SuspectList.vue';
import WaterLedger from './WaterLedger.vue';
import WorkPanel from './WorkPanel.vue';
import { actionFigure, comparisonFigure, suspectFigure } from './figures';
import PumpDrawing from './drawing/PumpDrawing.vue';
import type { Spot } from './drawing/spots';
import { asStage, type Stage } from './stages';
import { asTaken } from './taken';
import { useCase } from './useCase';

const props = defineProps<{ id: string }>();
const access = useCase(props.id);
const { data, error, trouble, busy } = access;
const { data: knowledge } = usePumpKnowledge(() => data.value?.pump);
const judged = computed(() => (data.value?.diagnosis ? (data.value as JudgedCase) : undefined));
const editor = ref<InstanceType<typeof PlaceEditor>>();
const chosen = ref<Spot>();
const figure = ref<Figure>();
const limiting = ref(false);
const planning = ref(false);

const stage = computed<Stage>(() => asStage(data.value?.stage ?? 'ask'));

function tap(spot: Spot, event: Event) {
  chosen.value = spot;
  editor.value?.open(spot, event);
}

function go(next: Stage) {
  if (next !== stage.value) void access.tell({ says: `Stage: ${next}`, facts: { stage: next } });
}

const say = (change: ChangeRequest) =>
  access.tell(asTaken(change, stage.value, data.value ?? { readings: [], cues: [] }));

function tell(change: ChangeRequest) {
  void say(change);
}

function working(id: string) {
  const diagnosis = data.value?.diagnosis;
  const read = diagnosis?.comparisons.find((c) => c.quantity === id);
  const computed = diagnosis?.expectation.find((f) => f.id === id);
  // Speed and nozzle are believed, not computed: what was entered stands against what was read.
  figure.value = computed && id !== 'speed' ? computed : read && comparisonFigure(read);
}

useKeys([
  { keys: 'u', says: 'Undo', run: () => void (data.value?.undo && access.undo()) },
  { keys: 'r', says: 'Redo', run: () => void (data.value?.redo && access.redo()) },
  { keys: 'g a', says: 'Go to Ask', run: () => go('ask') },
  { keys: 'g m', says: 'Go to Measure', run: () => go('measure') },
  { keys: 'g s', says: 'Go to Suspect', run: () => go('suspect') },
  { keys: 'g o', says: 'Go to Open', run: () => go('open') },
  { keys: 'g e', says: 'Go to Mend', run: () => go('mend') },
  { keys: 'g v', says: 'Go to Prove', run: () => go('prove') },
]);
</script>

<template>
  <div class="view">
    <ShellBar>
      <StageRail :stage="stage" @go="go" />
    </ShellBar>
    <p v-if="error" class="message" role="alert">{{ error }}</p>
    <p v-else-if="!data || !knowledge" class="message" aria-live="polite">Fetching the case …</p>
    <template v-else>
      <div class="title">
        <RouterLink class="plate" :to="`/pumps/${data.pump.id}`">{{ data.pump.tag }}</RouterLink>
        <h1>{{ data.complaint }}</h1>
        <span v-if="data.closed" class="quiet">closed</span>
        <span class="undo">
          <button
            type="button"
            class="tap"
            :disabled="!data.undo || busy"
            :title="data.undo ?? ''"
            @click="access.undo()"
          >
            Undo <kbd>u</kbd>
          </button>
          <button
            type="button"
            class="tap"
            :disabled="!data.redo || busy"
            :title="data.redo ?? ''"
            @click="access.redo()"
          >
            Redo
          </button>
        </span>
      </div>
      <NoVerdict v-if="!judged" :data="data" :knowledge="knowledge" :busy="busy" @tell="tell" />
      <main v-else>
        <div class="left">
          <PumpDrawing :data="judged" :knowledge="knowledge" :chosen="chosen" @tap="tap" />
          <WaterLedger :ledger="judged.diagnosis.ledger" @open="figure = $event" />
          <ReadingsStrip :comparisons="judged.diagnosis.comparisons" @working="working" />
        </div>
        <div class="right">
          <StopNow :signs="judged.diagnosis.stopNow" />
          <ul v-if="judged.diagnosis.contradictions.length" class="contradictions" role="status">
            <li v-for="c in judged.diagnosis.contradictions" :key="c.text">{{ c.text }}</li>
          </ul>
          <AskPanel v-if="stage === 'ask'" :data="data" :knowledge="knowledge" :tell="say" />
          <MeasurePanel v-else-if="stage === 'measure'" :data="data" :knowledge="knowledge" :tell="say" />
          <WorkPanel
            v-else-if="stage !== 'suspect'"
            :data="judged"
            :knowledge="knowledge"
            :stage="stage"
            :tell="say"
            @open="figure = actionFigure($event, judged.diagnosis.suspects)"
          />
          <template v-if="stage === 'suspect' || stage === 'measure'">
            <SuspectList
              v-if="stage === 'suspect'"
              class="scroll"
              :data="judged"
              @take-out="(id) => tell({ remove: [id] })"
              @open="figure = suspectFigure($event)"
            />
            <NextCheckPanel
              class="check"
              :data="judged"
              :knowledge="knowledge"
              :tell="say"
              @plan="planning = true"
              @limit="limiting = true"
            />
          </template>
        </div>
      </main>
      <JotLine :data="data" :tell="say" :trouble="trouble" />
      <PlaceEditor
        v-if="judged"
        ref="editor"
        :data="judged"
        :knowledge="knowledge"
        :trouble="trouble"
        :tell="say"
        @closed="chosen = undefined"
      />
      <LimitsDialog v-model:visible="limiting" :data="data" :knowledge="knowledge" @tell="tell" />
      <PlanDialog v-if="judged" v-model:visible="planning" :data="judged" />
      <WorkingDialog :figure="figure" @close="figure = undefined" />
    </template>
  </div>
</template>

<style scoped>
.view {
  display: flex;
  flex-direction: column;
  height: 100vh;
}

.message {
  padding: 2rem;
}

.title {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  padding: 0.2rem 1rem;
  border-bottom: 1px solid var(--line);
}

.plate {
  min-height: 44px;
}

h1 {
  min-width: 0;
  font-family: var(--font-text);
  font-size: 1.1875rem;
}

.undo {
  display: flex;
  flex: none;
  gap: 6px;
  margin-left: auto;
}

main {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) minmax(22rem, 26.5rem);
  min-height: 0;
}

.left {
  min-width: 0;
  overflow-y: auto;
}

.right {
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow-y: auto;
  border-left: 2px solid var(--ink);
  background: var(--card);
}

.scroll {
  flex: 1 1 12rem;
  min-height: 12rem;
  overflow-y: auto;
}

.check {
  flex: 0 0 auto;
  margin-top: auto;
}

.contradictions {
  margin: 0;
  padding: 0.6rem 1rem 0.6rem 2rem;
  background: var(--suspect-soft);
  color: var(--ink);
}

@media (max-width: 900px) {
  .view {
    height: auto;
    min-height: 100vh;
  }

  main {
    display: block;
  }

  .right {
    border-top: 2px solid var(--ink);
    border-left: 0;
  }

  .scroll {
    flex: none;
    overflow: visible;
  }

  .jot {
    position: sticky;
    bottom: 0;
  }
}

@media (max-width: 520px) {
  .title {
    flex-wrap: wrap;
  }
}
</style>
