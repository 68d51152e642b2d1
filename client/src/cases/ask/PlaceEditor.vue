<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import Button from 'primevue/button';
import Popover from 'primevue/popover';
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import type { ChangeRequest, JudgedCase, Knowledge } from '@/shared/api/client';
import CueQuestion from './CueQuestion.vue';
import DripFields from './DripFields.vue';
import NotedHere from './NotedHere.vue';
import ReadingField from '@/cases/measure/ReadingField.vue';
import WhichOne from './WhichOne.vue';
import { tellsSides } from '@/drawing/layout/heads';
import { cuesAt, isGroup, observablesAt, readSpot, spotKey, spotName, type Spot } from '@/drawing/layout/spots';
import { useBesidePart } from './useBesidePart';
import { useDrip } from './useDrip';

/** A small editor at the place that was tapped: its readings and its questions, nothing else. Which one is open is in the address. */
const at = defineModel<string | undefined>('at', { required: true });
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  trouble: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const spot = computed<Spot | undefined>(() => (at.value ? readSpot(at.value) : undefined));
const opener = ref<HTMLElement | SVGElement | null>(null);
const drip = useDrip();
const refused = ref(false);

const readings = computed(() =>
  spot.value && !spot.value.cylinder ? observablesAt(spot.value.place, props.knowledge) : [],
);
const cues = computed(() => (spot.value ? cuesAt(spot.value, props.knowledge) : []));
const drips = computed(() => cues.value.some((c) => c.id === 'leak-at'));
const plain = computed(() => !tellsSides(props.data.pump.pump));

/** The part of the drawing the editor belongs to: it opens beside it and gives the focus back to it. */
const anchorOf = (key: string) =>
  document.querySelector<HTMLElement>(`[data-spot="${key}"]`) ??
  document.querySelector<HTMLElement>(`[data-spot="${key.split('.')[0]}"]`);

const { popover, show, stay } = useBesidePart(() => (at.value ? anchorOf(at.value) : null));

function open() {
  const active = document.activeElement;
  opener.value = active instanceof SVGElement || active instanceof HTMLElement ? active : null;
  show();
}

// A tap beside it shuts it; a tap on another place opens that one instead.
useEventListener(document, 'click', ({ target }) => {
  if (at.value && target instanceof Element && !target.closest('.place-editor, .p-select-overlay, .part, .tag'))
    popover.value?.hide();
});

watch(at, (now, before) => {
  drip.forget();
  refused.value = false;
  if (!now) popover.value?.hide();
  else if (!before || readSpot(before)?.place !== readSpot(now)?.place) void nextTick(open);
});
onMounted(() => at.value && void nextTick(open));

function closed() {
  at.value = undefined;
  opener.value?.focus();
}

// What was typed of a drip goes only once it is taken.
async function note(change: ChangeRequest) {
  refused.value = !(await props.tell(change));
  if (!refused.value) drip.forget();
}
</script>

<template>
  <span ref="peg" class="peg" />
  <Popover
    ref="popover"
    class="place-editor"
    :dismissable="false"
    :pt="{ root: { 'aria-label': spot ? spotName(spot) : 'Place', 'aria-modal': 'false' } }"
    @show="stay"
    @hide="closed"
  >
    <div v-if="spot" class="inside">
      <div class="head">
        <h2>{{ spotName(spot) }}</h2>
        <Button
          variant="text"
          severity="secondary"
          label="Close"
          :autofocus="!readings.length && !isGroup(spot.place)"
          @click="popover?.hide()"
        />
      </div>
      <WhichOne
        v-if="isGroup(spot.place)"
        :spot="spot"
        :cylinders="data.pump.pump.cylinders ?? 1"
        :plain="plain"
        @choose="at = spotKey($event)"
      />
      <NotedHere :spot="spot" :data="data" :knowledge="knowledge" @take-out="tell({ remove: [$event] })" />
      <ReadingField
        v-for="(what, i) in readings"
        :key="what.id"
        :what="what"
        :standing="data.readings.find((r) => r.quantity === what.id)"
        :case-id="data.id"
        :autofocus="i === 0"
        :trouble="trouble"
        :tell="tell"
      />
      <DripFields v-if="drips && spot.cylinder" :drip="drip" />
      <CueQuestion
        v-for="cue in cues"
        :key="cue.id"
        :cue="cue"
        :spot="spot"
        :data="data"
        :seen="cue.id === 'leak-at' ? drip.read : undefined"
        @tell="note"
      />
      <p v-if="!readings.length && !cues.length && spot.cylinder" class="quiet">
        Nothing can be said of this place on its own.
      </p>
      <p v-if="refused && trouble" class="problem" role="alert">{{ trouble }}</p>
    </div>
  </Popover>
</template>

<style scoped>
.peg {
  position: fixed;
  visibility: hidden;
}

.inside {
  width: min(25rem, 86vw);
  max-height: min(72vh, 36rem);
  overflow-y: auto;
}

.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
</style>

<style>
/* So tall an editor is moved to where it fits; a beak would point beside the place. */
.place-editor.p-popover {
  margin: 8px;
}

.place-editor.p-popover::before,
.place-editor.p-popover::after {
  display: none;
}
</style>
