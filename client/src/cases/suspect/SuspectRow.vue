<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import type { Suspect } from '@/shared/api/client';
import { percent, signed } from '@/shared/format';
import SuspicionBar from '@/shared/ui/SuspicionBar.vue';
import { placeWords, reasons, settledPlace } from './suspects';

/** One suspect: name, share, and as much of its reasons as is wanted. */
const props = defineProps<{
  suspect: Suspect;
  /** Its weightiest reasons show without a tap. */
  reasoned: boolean;
  /** Every piece of evidence shows, each to be left out. */
  detailed: boolean;
  entries: Set<string>;
}>();
defineEmits<{ toggle: []; takeOut: [entryId: string]; open: [] }>();

const brief = computed(() => reasons(props.suspect));
const place = computed(() => (settledPlace(props.suspect) ? '' : placeWords(props.suspect)));
</script>

<template>
  <Button variant="text" severity="secondary" class="suspect" :aria-expanded="detailed" @click="$emit('toggle')">
    <span class="line"
      ><b>{{ suspect.name }}{{ settledPlace(suspect) }}</b>
      <span class="figure">{{ percent(suspect.probability) }}</span></span
    >
    <SuspicionBar :probability="suspect.probability" :sound="!suspect.part" />
    <span v-if="detailed || (reasoned && place)" class="word"
      >{{ suspect.hunch }}<template v-if="place"> · {{ place }}</template></span
    >
  </Button>
  <!-- Where room is short the reasons scroll; keys must reach them too. -->
  <ul v-if="reasoned && !detailed" class="why" tabindex="0" :aria-label="`Reasons for ${suspect.name}`">
    <li v-for="e in brief.for" :key="e.source + e.text"><b class="for">for</b> {{ e.brief }}</li>
    <li v-for="e in brief.against" :key="e.source + e.text"><b class="against">against</b> {{ e.brief }}</li>
    <li v-if="brief.for.length + brief.against.length === 0" class="quiet">
      From {{ percent(suspect.prior) }} at first; no single piece speaks loudly yet.
    </li>
  </ul>
  <div v-if="detailed" class="why">
    <ul>
      <li v-for="e in suspect.evidence" :key="e.source + e.text" class="piece">
        <b :class="e.decibans < 0 ? 'against' : 'for'">{{ e.decibans < 0 ? 'against' : 'for' }}</b>
        <span>{{ e.text }}</span>
        <Button
          v-if="entries.has(e.source)"
          label="leave out"
          variant="text"
          severity="secondary"
          :aria-label="`Leave out: ${e.text}`"
          @click="$emit('takeOut', e.source)"
        />
      </li>
      <li v-if="Math.abs(suspect.togetherDecibans) >= 1" class="quiet">
        Together: pieces that only count side by side, {{ signed(suspect.togetherDecibans, 2) }} dB
      </li>
    </ul>
    <p class="quiet">{{ suspect.how }} {{ suspect.actionName }}, about {{ suspect.mendMinutes }} min.</p>
    <Button
      severity="secondary"
      variant="outlined"
      :label="`Why ${percent(suspect.probability)}`"
      @click="$emit('open')"
    />
  </div>
</template>

<style scoped>
.suspect.suspect {
  display: block;
  flex: none;
  width: 100%;
  padding: 0.2rem 1rem;
  border-radius: 0;
}

.line {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  font-size: 1.0625rem;
  line-height: 1.25;
}

.line .figure {
  white-space: nowrap;
}

.word {
  display: block;
  color: var(--ink-2);
  font-size: 0.9375rem;
}

.word::first-letter {
  text-transform: uppercase;
}

.why {
  min-height: 0;
  overflow-y: auto;
  padding: 0 1rem 0.3rem;
  font-size: 0.9375rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  line-height: 1.3;
}

.piece {
  display: grid;
  grid-template-columns: 3.75rem 1fr auto;
  gap: 0.25rem;
  align-items: center;
}

p {
  margin: 0.35rem 0;
}

.for {
  color: var(--suspect);
}

.against {
  color: var(--water);
}
</style>
