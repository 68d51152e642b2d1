<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import { digits, quantity } from '@/shared/format';
import { spoken } from '@/shared/units/useUnits';
import TextField from '@/shared/ui/TextField.vue';
import LeaveOut from './LeaveOut.vue';
import QuantityFields from './QuantityFields.vue';
import StepTimer from './StepTimer.vue';
import { useQuantities, type AskedQuantity } from './useQuantities';
import type { ProofAccess, ProofStage, ProofStep } from './useProof';

/** Pressures one after another, each held, read and set beside what a healthy pump shows there. */
const props = defineProps<{ caseId: string; stage: ProofStage; access: ProofAccess }>();

const chosen = ref('');
const at = computed<ProofStep | undefined>(
  () => props.stage.steps.find((s) => s.id === chosen.value) ?? props.stage.steps.find((s) => !s.read && !s.leftOut),
);
const flows = computed(() => at.value?.figures.some((f) => f.quantity === 'nozzle-flow'));
const noFlow = useLocalStorage(`mild-hunch.no-flow.${props.caseId}`, '');
const asked = computed<AskedQuantity[]>(() => [
  { name: 'pressure', label: 'Pressure at the head', units: [spoken('bar')], required: true },
  ...(at.value?.figures ?? []).map((f) => ({
    name: f.quantity === 'nozzle-flow' ? 'nozzleFlow' : f.quantity === 'bypass-flow' ? 'bypassFlow' : 'swing',
    label: f.name,
    units: [f.value.unit],
    hint: `${digits(f.low.value)} to ${digits(f.high.value)}`,
  })),
  ...(at.value?.started ? [] : [{ name: 'held', label: 'Held, by your watch', units: ['s'] }]),
]);
const typed = useQuantities(
  () => `${props.caseId}.${at.value?.id}`,
  () => asked.value,
);
const tried = ref(false);

async function note() {
  tried.value = true;
  const step = at.value;
  if (!step || !typed.ready.value) return;
  const { pressure, nozzleFlow, bypassFlow, swing, held } = typed.values.value;
  const why = nozzleFlow ? undefined : noFlow.value.trim() || undefined;
  const read = { pressure, nozzleFlow, bypassFlow, swing, heldSeconds: held?.value, noFlow: why };
  if (!(await props.access.read(step.id, read))) return;
  typed.clear();
  noFlow.value = '';
  tried.value = false;
  chosen.value = '';
}

const standing: Record<string, string> = { 'as-expected': 'as expected', doubtful: 'doubtful', off: 'off' };
const share = (s: ProofStep) => `${Math.round(s.share * 100)} %`;
</script>

<template>
  <ol class="steps">
    <li v-for="s in stage.steps" :key="s.id" :class="{ now: s.id === at?.id, done: s.read }">
      <div class="row">
        <Button
          variant="text"
          severity="secondary"
          :label="`${share(s)} · ${quantity(s.pressure)}`"
          :aria-expanded="s.id === at?.id"
          @click="chosen = s.id"
        />
        <span v-if="s.read" class="taken">
          <b class="figure">{{ quantity(s.read.pressure) }}</b> {{ s.read.by }}
          <Button variant="text" severity="secondary" label="Take out" @click="access.unread(s.id)" />
        </span>
      </div>
      <ul v-if="s.read && s.figures.some((f) => f.read)" class="figures">
        <li v-for="f in s.figures.filter((x) => x.read)" :key="f.quantity" :class="f.standing">
          {{ f.name }} <b class="figure">{{ f.read ? quantity(f.read) : '' }}</b>
          <b>{{ standing[f.standing ?? ''] }}</b>
          <span class="quiet">{{ quantity(f.low) }} to {{ quantity(f.high) }}</span>
        </li>
      </ul>
      <form v-if="s.id === at?.id" class="reading" :aria-label="`Read at ${share(s)}`" @submit.prevent="note">
        <StepTimer :started="s.started" :seconds="s.seconds" :ahead="access.ahead.value" @start="access.start(s.id)" />
        <QuantityFields :asked="asked" :from="typed" :tried="tried" />
        <TextField
          v-if="flows && !typed.read('nozzleFlow')"
          v-model="noFlow"
          label="No flow? Why it could not be had"
          placeholder="without either it does not count"
        />
        <p class="quiet">In grey: what is expected there. A drip? Tap its place on the drawing.</p>
        <Button type="submit" :label="`Note what it shows at ${share(s)}`" />
        <LeaveOut
          :key="s.id"
          :case-id="caseId"
          :what="s.id"
          :name="share(s)"
          :left="s.leftOut"
          :leave-out="access.leaveOut"
          :take-up="access.takeUp"
        />
      </form>
      <LeaveOut
        v-else-if="s.leftOut"
        :case-id="caseId"
        :what="s.id"
        :name="share(s)"
        :left="s.leftOut"
        :leave-out="access.leaveOut"
        :take-up="access.takeUp"
      />
    </li>
  </ol>
</template>

<style scoped>
.steps {
  display: grid;
  gap: 0.15rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.steps > li {
  border-left: 5px solid var(--line);
  padding-left: 0.4rem;
}

.steps > li.now {
  border-color: var(--ink);
}

.steps > li.done {
  border-color: var(--water);
}

.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
}

.figures li,
.taken {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.6rem;
  align-items: center;
}

.figures {
  margin: 0;
  padding: 0 0 0.25rem 0.6rem;
  list-style: none;
}

.figures .off,
.figures .doubtful {
  padding-left: 0.4rem;
  border-left: 4px solid var(--suspect);
}

.reading {
  display: grid;
  gap: 0.4rem;
  padding: 0 0 0.6rem 0.4rem;
}

p {
  margin: 0;
}
</style>
