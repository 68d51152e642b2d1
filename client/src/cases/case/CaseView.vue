<script setup lang="ts">
import { useTitle } from '@vueuse/core';
import { computed, defineAsyncComponent, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useDialogAddress, useOpenInAddress } from '@/shared/address/useDialogAddress';
import type { ChangeRequest, JudgedCase } from '@/shared/api/client';
import { usePumpKnowledge } from '@/shared/api/useKnowledge';
import DoubtDialog from '@/shared/doubt/DoubtDialog.vue';
import ShellBar from '@/shared/ui/ShellBar.vue';
import WorkingDialog from '@/shared/ui/WorkingDialog.vue';
import CaseSide from './CaseSide.vue';
import CaseTitle from './CaseTitle.vue';
import JotLine from '@/cases/jot/JotLine.vue';
import NoVerdict from '@/cases/suspect/NoVerdict.vue';
import PlaceEditor from '@/cases/ask/PlaceEditor.vue';
import ReadingsStrip from '@/cases/measure/ReadingsStrip.vue';
import StageRail from './StageRail.vue';
import WaterLedger from '@/parts/WaterLedger.vue';
import PumpDrawing from '@/drawing/PumpDrawing.vue';
import { readSpot, spotKey } from '@/drawing/layout/spots';
import { asStage, stageNames, type Stage } from '@/parts/stages';
import { asTaken } from './taken';
import { useCase } from './useCase';
import { figureOf } from './figures';
import { useCaseKeys } from './useCaseKeys';

// What is looked at now and then does not keep the first view waiting.
const WorkView = defineAsyncComponent(() => import('@/cases/opening/WorkView.vue'));
const RoundsDialog = defineAsyncComponent(() => import('./RoundsDialog.vue'));
const PlanDialog = defineAsyncComponent(() => import('@/cases/check/PlanDialog.vue'));
const LimitsDialog = defineAsyncComponent(() => import('@/cases/check/LimitsDialog.vue'));

const props = defineProps<{ id: string; stage?: string }>();
const router = useRouter();
const access = useCase(props.id);
const { data, error, trouble, busy } = access;
const { data: knowledge } = usePumpKnowledge(() => data.value?.pump);
const judged = computed(() => (data.value?.diagnosis ? (data.value as JudgedCase) : undefined));
const at = useDialogAddress('at');
const why = useDialogAddress('why');
const planning = useOpenInAddress('plan');
const limiting = useOpenInAddress('limits');
const looking = useOpenInAddress('rounds');
const figure = computed(() => figureOf(why.value, judged.value));
const chosen = computed(() => (at.value ? readSpot(at.value) : undefined));

// The address says the stage; without one, the case is shown where it was left.
const stage = computed<Stage>(() => asStage(props.stage || data.value?.stage || 'ask'));
// Opening and closing have the page to themselves.
const working = computed(() => (stage.value === 'open' || stage.value === 'mend' ? stage.value : undefined));
watch(
  [() => props.stage, () => data.value?.stage],
  ([now, left]) => {
    if (left === undefined) return;
    if (!now)
      void router.replace({ path: `/cases/${props.id}/${asStage(left)}`, query: router.currentRoute.value.query });
    else if (now !== left) void access.standAt(asStage(now));
  },
  { immediate: true },
);
const go = (next: Stage) => void router.push(`/cases/${props.id}/${next}`);

useTitle(() =>
  data.value
    ? `${data.value.pump.tag}: ${data.value.complaint} · ${stageNames[stage.value]} · Mild Hunch`
    : 'Case · Mild Hunch',
);

const say = (change: ChangeRequest) => access.tell(asTaken(change, stage.value));

useCaseKeys(access, go);
</script>

<template>
  <div class="view">
    <ShellBar>
      <StageRail :case-id="id" :stage="stage" :data="data" />
    </ShellBar>
    <main v-if="error || !data || !knowledge" class="message">
      <template v-if="error">
        <div role="alert">
          <h1 tabindex="-1">{{ error }}</h1>
        </div>
        <RouterLink class="link" to="/cases">All cases</RouterLink>
      </template>
      <p v-else aria-live="polite">Fetching the case …</p>
    </main>
    <template v-else>
      <main class="page" :aria-busy="busy">
        <CaseTitle :data="data" :busy="busy" @undo="access.undo()" @redo="access.redo()" @rounds="looking = true" />
        <WorkView v-if="working" :key="working" :data="data" :stage="working" :trouble="trouble" :tell="say" @go="go" />
        <NoVerdict v-else-if="!judged" :data="data" :knowledge="knowledge" :busy="busy" @tell="say" />
        <div v-else class="case">
          <PumpDrawing
            class="drawn"
            :data="judged"
            :knowledge="knowledge"
            :chosen="chosen"
            @tap="(spot) => (at = spotKey(spot))"
          />
          <CaseSide
            class="beside"
            :data="judged"
            :knowledge="knowledge"
            :stage="stage"
            :trouble="trouble"
            :tell="say"
            @why="why = $event"
            @plan="planning = true"
            @limit="limiting = true"
            @opening="go('open')"
            @go="go"
          />
          <div class="figures">
            <WaterLedger :ledger="judged.diagnosis.ledger" @open="why = `ledger-${$event}`" />
            <ReadingsStrip :comparisons="judged.diagnosis.comparisons" @working="why = $event" />
          </div>
        </div>
      </main>
      <JotLine v-if="!working" class="jot" :data="data" :tell="say" :trouble="at ? '' : trouble" />
      <PlaceEditor v-if="judged" v-model:at="at" :data="judged" :knowledge="knowledge" :trouble="trouble" :tell="say" />
      <LimitsDialog v-if="limiting" v-model:visible="limiting" :data="data" :knowledge="knowledge" @tell="say" />
      <RoundsDialog v-if="looking" v-model:visible="looking" :data="data" />
      <PlanDialog v-if="judged && planning" v-model:visible="planning" :data="judged" />
      <WorkingDialog :figure="figure" @close="why = undefined" />
      <DoubtDialog :doubts="access.doubts" />
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

.page {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-height: 0;
}

.case {
  display: grid;
  flex: 1;
  grid-template: 'drawn beside' auto 'figures beside' minmax(0, 1fr) / minmax(0, 1fr) minmax(22rem, 26.5rem);
  min-height: 0;
}

.drawn {
  grid-area: drawn;
  min-width: 0;
}

.figures {
  grid-area: figures;
  min-width: 0;
  overflow-y: auto;
}

.beside {
  grid-area: beside;
  border-left: 2px solid var(--ink);
}

@media (max-width: 900px) {
  .view {
    height: auto;
    min-height: 100vh;
  }

  .page {
    flex: none;
  }

  .case {
    display: block;
  }

  .beside {
    border-top: 2px solid var(--ink);
    border-bottom: 2px solid var(--ink);
    border-left: 0;
  }

  .jot {
    position: sticky;
    bottom: 0;
    margin-top: auto;
  }
}

@media print {
  .view {
    height: auto;
  }

  .case {
    display: block;
  }
}
</style>
