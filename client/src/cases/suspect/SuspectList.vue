<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import type { JudgedCase, Suspect } from '@/shared/api/client';
import { percent } from '@/shared/format';
import PairList from './PairList.vue';
import SuspectRow from './SuspectRow.vue';

/** Who could have done it: the three likeliest at once, the first with its reasons; more behind a tap. */
const props = defineProps<{ data: JudgedCase; brief?: boolean }>();
defineEmits<{ takeOut: [entryId: string]; open: [suspect: Suspect] }>();

const first = 3;
const all = ref(false);
const detailed = ref<string>();
const diagnosis = computed(() => props.data.diagnosis);
const shown = computed(() => (all.value ? diagnosis.value.suspects : diagnosis.value.suspects.slice(0, first)));
const entries = computed(() => new Set([...props.data.readings, ...props.data.cues].map((e) => e.id)));
</script>

<template>
  <section aria-label="Suspects">
    <header>
      <h2>{{ diagnosis.mended ? 'Is it mended?' : 'Suspects' }}</h2>
      <b v-if="diagnosis.suspects[0]" class="hunch">{{ diagnosis.suspects[0].hunch }}</b>
      <span v-if="!all && diagnosis.twoAtOnce >= 0.2"
        >two at once <span class="figure">{{ percent(diagnosis.twoAtOnce) }}</span></span
      >
      <Button
        variant="text"
        severity="secondary"
        class="more"
        :label="all ? 'Only three' : `All ${diagnosis.suspects.length}`"
        :aria-label="all ? 'Only three suspects' : `All ${diagnosis.suspects.length} suspects`"
        :aria-expanded="all"
        @click="all = !all"
      />
    </header>
    <p v-if="diagnosis.mended" class="mended">{{ diagnosis.mended.sentence }}</p>
    <ol :class="{ every: all || detailed }">
      <!-- By rank, not by fault: what is in view stays where it is while names change places. -->
      <li v-for="(s, rank) in shown" :key="rank">
        <SuspectRow
          :suspect="s"
          :reasoned="rank === 0 && !brief"
          :detailed="detailed === s.fault"
          :entries="entries"
          @toggle="detailed = detailed === s.fault ? undefined : s.fault"
          @take-out="$emit('takeOut', $event)"
          @open="$emit('open', s)"
        />
      </li>
    </ol>
    <template v-if="all">
      <PairList :pairs="diagnosis.pairs" :probability="diagnosis.twoAtOnce" />
      <p v-if="diagnosis.rival" class="rival quiet">{{ diagnosis.rival.text }}</p>
    </template>
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
}

header {
  display: flex;
  flex: none;
  gap: 0.75rem;
  align-items: center;
  padding: 0 0.25rem 0 1rem;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

/* Where room is short the reasons give way, not the names: three are always in view. */
ol:not(.every) {
  display: flex;
  flex: 0 1 auto;
  flex-direction: column;
  min-height: 0;
}

ol:not(.every) > li {
  display: flex;
  flex: none;
  flex-direction: column;
  min-height: 0;
}

ol:not(.every) > li:first-child {
  flex: 0 1 auto;
}

/* One line of reasons stays whole. */
ol:not(.every):has(.why) {
  min-height: 10.25rem;
}

ol:not(.every) > li:first-child:has(.why) {
  min-height: 4.25rem;
}

.hunch::first-letter {
  text-transform: uppercase;
}

.mended {
  margin: 0;
  padding: 0 1rem 0.25rem;
}

.rival {
  margin: 0;
  padding: 0.25rem 1rem 0;
  font-size: 0.9375rem;
}

.more {
  margin-left: auto;
}

@media print {
  .more.more {
    display: none;
  }
}
</style>
