<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import Button from 'primevue/button';
import Popover from 'primevue/popover';
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import type { ChangeRequest, JudgedCase, Knowledge } from '@/shared/api/client';
import CueQuestion from './CueQuestion.vue';
import DripFields from './DripFields.vue';
import NotedHere from './NotedHere.vue';
import ReadingField from './ReadingField.vue';
import WhichOne from './WhichOne.vue';
import { cuesAt, isGroup, observablesAt, readSpot, spotKey, spotName, type Spot } from './drawing/spots';
import { useDrip } from './useDrip';

/** A small editor at the place that was tapped: its readings and its questions, nothing else. Which one is open is in the address. */
const at = defineModel<string | undefined>('at', { required: true });
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  trouble: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const popover = ref<InstanceType<typeof Popover>>();
const spot = computed<Spot | undefined>(() => (at.value ? readSpot(at.value) : undefined));
const opener = ref<HTMLElement | SVGElement | null>(null);
const drip = useDrip();
const refused = ref(false);

const readings = computed(() =>
  spot.value && !spot.value.cylinder ? observablesAt(spot.value.place, props.knowledge) : [],
);
const cues = computed(() => (spot.value ? cuesAt(spot.value, props.knowledge) : []));
const drips = computed(() => cues.value.some((c) => c.id === 'leak-at'));
const plain = computed(() => {
  const { headLayout, arrangement } = props.data.pump.pump;
  return headLayout === 'stacked-bore' || arrangement === 'intensifier';
});

/** The part of the drawing the editor belongs to: it opens beside it and gives the focus back to it. */
const anchorOf = (key: string) =>
  document.querySelector<HTMLElement>(`[data-spot="${key}"]`) ??
  document.querySelector<HTMLElement>(`[data-spot="${key.split('.')[0]}"]`);

function show(key: string) {
  const active = document.activeElement;
  opener.value = active instanceof SVGElement || active instanceof HTMLElement ? active : null;
  const anchor = anchorOf(key);
  const editor = popover.value as
    (InstanceType<typeof Popover> & { alignOverlay: () => void; visible: boolean }) | undefined;
  if (!anchor || !editor) return;
  const moves = editor.visible;
  editor.show({ currentTarget: anchor } as unknown as Event, anchor);
  if (moves) void nextTick(() => editor.alignOverlay());
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
  else if (!before || readSpot(before)?.place !== readSpot(now)?.place) void nextTick(() => show(now));
});
onMounted(() => at.value && void nextTick(() => at.value && show(at.value)));

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
  <Popover
    ref="popover"
    class="place-editor"
    :dismissable="false"
    :pt="{ root: { 'aria-label': spot ? spotName(spot) : 'Place', 'aria-modal': 'false' } }"
    @hide="closed"
  >
    <div v-if="spot" class="inside">
      <header>
        <h2>{{ spotName(spot) }}</h2>
        <Button
          variant="text"
          severity="secondary"
          label="Close"
          :autofocus="!readings.length && !isGroup(spot.place)"
          @click="popover?.hide()"
        />
      </header>
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
.inside {
  width: min(25rem, 86vw);
  max-height: min(72vh, 36rem);
  overflow-y: auto;
}

header {
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
