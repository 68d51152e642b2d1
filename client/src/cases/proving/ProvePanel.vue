<script setup lang="ts">
import Button from 'primevue/button';
import Message from 'primevue/message';
import { computed, ref } from 'vue';
import type { ChangeRequest, JudgedCase, Knowledge } from '@/shared/api/client';
import TickBox from '@/shared/ui/TickBox.vue';
import StageNote from '@/cases/case/StageNote.vue';
import WhatWasIt from './WhatWasIt.vue';
import WhoField from '@/cases/opening/WhoField.vue';
import LeaveOut from './LeaveOut.vue';
import ProofEnd from './ProofEnd.vue';
import ProofHazards from './ProofHazards.vue';
import ProofSetting from './ProofSetting.vue';
import ProofShut from './ProofShut.vue';
import ProofSteps from './ProofSteps.vue';
import ReliefField from './ReliefField.vue';
import { useProof, type ProofStage } from './useProof';

/** Proving, stage by stage: hazards first, then what is to be seen, each reading beside what is expected there. */
const props = defineProps<{
  data: JudgedCase;
  knowledge: Knowledge;
  trouble: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
const emit = defineEmits<{ go: [stage: 'mend' | 'suspect'] }>();

const access = useProof(
  computed(() => props.data),
  (change) => props.tell(change),
);
const { view } = access;
const chosen = ref('');
const stages = computed(() => view.value?.stages ?? []);
const stage = computed<ProofStage | undefined>(
  () =>
    stages.value.find((s) => s.id === chosen.value) ??
    // A closed case shows what was proved; its stages stand behind a tap.
    (props.data.closed
      ? undefined
      : (stages.value.find((s) => ['not-begun', 'begun', 'off'].includes(s.state)) ?? stages.value.at(-1))),
);
const after = computed(() => stages.value[stages.value.findIndex((s) => s.id === stage.value?.id) + 1]);
const states: Record<string, string> = {
  'not-begun': 'not begun',
  begun: 'begun',
  'left-out': 'left out',
  forbidden: 'not on this pump as it is on record',
  done: 'done',
  doubtful: 'done, with a remark',
  off: 'off',
  'not-needed': 'not needed',
};
</script>

<template>
  <section class="prove" aria-label="Prove">
    <h2>{{ data.closed ? 'What was proved' : 'Prove it' }}</h2>
    <p v-if="access.trouble.value" class="problem" role="alert">{{ access.trouble.value }}</p>
    <Message v-if="trouble" severity="error" :closable="false">{{ trouble }}</Message>
    <ProofEnd v-if="data.closed" :case-id="data.id" :access="access" @back="emit('go', 'suspect')" />
    <nav class="stages" aria-label="Stages of the proof">
      <Button
        v-for="(s, i) in stages"
        :key="s.id"
        class="stage"
        :class="s.state"
        :label="String(i)"
        :aria-label="`${i} ${s.name}, ${states[s.state]}`"
        :aria-pressed="s.id === stage?.id"
        :variant="s.id === stage?.id ? undefined : 'outlined'"
        :severity="s.id === stage?.id ? undefined : 'secondary'"
        @click="chosen = s.id"
      />
    </nav>
    <div v-if="view?.unclosed.length" class="missing">
      <p>
        <b>Not closed yet.</b> Nothing is run before what was touched is closed and counted:
        {{ view.unclosed.slice(0, 4).join(', ') }}{{ view.unclosed.length > 4 ? ' …' : '' }}.
      </p>
      <Button severity="secondary" variant="outlined" label="Close it first" @click="emit('go', 'mend')" />
    </div>
    <article v-if="stage" :key="stage.id" class="card" :aria-label="stage.name">
      <h3>{{ stage.name }}</h3>
      <p v-if="stage.why" class="quiet">{{ stage.why }}</p>
      <template v-if="stage.forbidden">
        <p class="missing">{{ stage.forbidden }}</p>
        <ReliefField :data="data" />
      </template>
      <p v-else-if="stage.state === 'not-needed'" class="quiet">
        Nothing was set: this proves what the screw was turned to.
      </p>
      <ProofHazards v-else-if="!stage.acknowledged" :stage="stage" @acknowledge="access.acknowledge(stage.id)" />
      <template v-else>
        <WhoField />
        <div v-for="a in stage.acts" :key="a.id" class="act">
          <TickBox
            :model-value="a.done != null"
            :label="a.text"
            :take="() => (a.done ? access.untick : access.tick)(`${stage!.id}.${a.id}`)"
          />
          <p v-if="a.why" class="quiet">{{ a.why }}</p>
          <p v-for="m in a.mind" :key="m"><b>Mind:</b> {{ m }}</p>
        </div>
        <p v-if="stage.runIn" class="quiet">{{ stage.runIn }}</p>
        <ProofSteps v-if="stage.kind === 'steps'" :case-id="data.id" :stage="stage" :access="access" />
        <ProofShut
          v-else-if="stage.kind === 'shut'"
          :key="stage.id"
          :case-id="data.id"
          :stage="stage"
          :access="access"
        />
        <ProofSetting v-else-if="stage.kind === 'set'" :case-id="data.id" :stage="stage" :access="access" />
        <details class="read">
          <summary>Hazards, read by {{ stage.acknowledged.by }}</summary>
          <ul>
            <li v-for="h in stage.hazards" :key="h.id">{{ h.text }}</li>
          </ul>
        </details>
      </template>
      <ul v-if="stage.reasons.length && stage.state !== 'forbidden'" class="read">
        <li v-for="r in stage.reasons" :key="r">{{ r }}</li>
      </ul>
      <LeaveOut
        v-if="stage.state !== 'not-needed'"
        :key="stage.id"
        :case-id="data.id"
        :what="stage.id"
        :name="stage.name.toLowerCase()"
        :left="stage.leftOut"
        :leave-out="access.leaveOut"
        :take-up="access.takeUp"
      />
      <Button
        v-if="after"
        severity="secondary"
        variant="outlined"
        class="next"
        :label="`Next: ${after.name.toLowerCase()}`"
        @click="chosen = after.id"
      />
    </article>
    <ProofEnd v-if="!data.closed" :case-id="data.id" :access="access" @back="emit('go', 'suspect')" />
    <WhatWasIt :data="data" :knowledge="knowledge" :tell="tell" />
    <StageNote :data="data" name="note-prove" label="Notes: prove" :tell="tell" />
  </section>
</template>

<style scoped>
.prove,
.card {
  display: grid;
  gap: 0.5rem;
}

.prove {
  padding: 0.5rem 1rem 1rem;
}

.card {
  padding: 0.5rem 0;
  border-top: 1px solid var(--line);
}

p {
  margin: 0;
}

h3 {
  font-size: 1.25rem;
}

.stages {
  display: flex;
  gap: 0.35rem;
}

.stage {
  flex: 1;
  min-width: 44px;
}

.stage.done,
.stage.doubtful,
.stage.not-needed {
  box-shadow: inset 0 -5px 0 var(--water);
}

.stage.off {
  box-shadow: inset 0 -5px 0 var(--suspect);
}

.stage.begun,
.stage.left-out {
  box-shadow: inset 0 -5px 0 var(--line);
}

.act p {
  padding-left: 2rem;
}

.missing {
  padding-left: 0.7rem;
  border-left: 5px solid var(--suspect);
}

.next {
  justify-self: start;
}

summary {
  min-height: 44px;
  padding-top: 0.6rem;
  cursor: pointer;
}

.read,
.read ul {
  margin: 0;
  padding-left: 1.1rem;
}
</style>
