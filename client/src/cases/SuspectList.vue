<script setup lang="ts">
import { ref } from 'vue';
import type { JudgedCase, Suspect } from '@/shared/api/client';
import { percent, signed } from '@/shared/format';
import SuspicionBar from '@/shared/ui/SuspicionBar.vue';

/** Who could have done it: probability, hunch word, and the evidence for and against behind a tap. */
const props = defineProps<{ data: JudgedCase }>();
const emit = defineEmits<{ takeOut: [entryId: string]; open: [suspect: Suspect] }>();

const opened = ref<Record<string, boolean>>({});
const all = ref(false);
const worth = 0.02;
const first = 2;
const full = ref<Record<string, boolean>>({});

const isOpen = (s: Suspect, rank: number) => opened.value[s.fault] ?? rank === 0;

function where(s: Suspect): string {
  const best = s.locations[0];
  if (!best) return '';
  const shareOfBest = best.probability / Math.max(s.probability, 1e-9);
  return shareOfBest > 1.3 / s.locations.length
    ? `${best.end ? `${best.end} end` : `cylinder ${best.cylinder}`} likeliest, ${percent(best.probability)}`
    : best.end
      ? 'either end'
      : 'any cylinder';
}

type Pair = JudgedCase['diagnosis']['pairs'][number];

const pairName = (p: Pair) =>
  p.faults
    .map((f) => `${f.name}${f.end ? ` (${f.end} end)` : f.cylinder ? ` (${f.side ?? 'cylinder'} ${f.cylinder})` : ''}`)
    .join(' and ');

/** The entry of the case that a piece of evidence came from. */
function entryOf(source: string): string | undefined {
  return [...props.data.readings, ...props.data.cues].some((e) => e.id === source) ? source : undefined;
}

function shown(): Suspect[] {
  const suspects = props.data.diagnosis.suspects;
  return all.value ? suspects : suspects.filter((s, i) => i < 2 || s.probability >= worth);
}
</script>

<template>
  <section aria-label="Suspects">
    <header>
      <h2>Suspects</h2>
      <span class="quiet">{{ data.diagnosis.considered }} considered</span>
    </header>
    <ol>
      <li v-for="(s, rank) in shown()" :key="s.fault">
        <button
          type="button"
          class="suspect"
          :aria-expanded="isOpen(s, rank)"
          @click="opened[s.fault] = !isOpen(s, rank)"
        >
          <span class="line"
            ><b>{{ s.name }}</b> <span class="figure">{{ percent(s.probability) }}</span></span
          >
          <SuspicionBar :probability="s.probability" :sound="!s.part" />
          <span class="word"
            >{{ s.hunch }}<template v-if="where(s)"> · {{ where(s) }}</template></span
          >
        </button>
        <div v-if="isOpen(s, rank)" class="why">
          <ul v-if="s.evidence.length">
            <li v-for="e in s.evidence.slice(0, full[s.fault] ? undefined : first)" :key="`${e.source} ${e.text}`">
              <span class="figure db" :class="e.decibans > 0 ? 'for' : 'against'">{{ signed(e.decibans, 2) }}</span>
              <span>{{ e.text }}</span>
              <button
                v-if="full[s.fault] && entryOf(e.source)"
                type="button"
                class="tap plain out"
                :aria-label="`Leave out: ${e.text}`"
                @click="emit('takeOut', entryOf(e.source) ?? '')"
              >
                leave out
              </button>
            </li>
            <li v-if="full[s.fault] && Math.abs(s.togetherDecibans) >= 1" class="quiet">
              <span class="figure db">{{ signed(s.togetherDecibans, 2) }}</span>
              <span>together: pieces that only count side by side</span>
            </li>
          </ul>
          <p v-else class="quiet">
            From {{ percent(s.prior) }} at first to {{ percent(s.probability) }} by all that was noted.
          </p>
          <p class="foot">
            <button
              v-if="s.evidence.length"
              type="button"
              class="tap plain out"
              @click="full[s.fault] = !full[s.fault]"
            >
              {{ full[s.fault] ? 'Less' : `All ${s.evidence.length} pieces, and leave one out` }}
            </button>
            <button type="button" class="tap plain out" @click="emit('open', s)">
              Why {{ percent(s.probability) }}
            </button>
          </p>
          <p v-if="full[s.fault]" class="quiet">{{ s.how }} {{ s.actionName }}, about {{ s.mendMinutes }} min.</p>
        </div>
      </li>
    </ol>
    <div v-if="data.diagnosis.pairs.length" class="pairs">
      <h3>
        Two at once <span class="figure">{{ percent(data.diagnosis.twoAtOnce) }}</span>
      </h3>
      <ul>
        <li v-for="p in data.diagnosis.pairs.slice(0, all ? undefined : 2)" :key="pairName(p)">
          <span>{{ pairName(p) }}</span> <span class="figure">{{ percent(p.probability) }}</span>
        </li>
      </ul>
    </div>
    <p v-if="data.diagnosis.rival" class="rival quiet">{{ data.diagnosis.rival.text }}</p>
    <button type="button" class="tap plain more" @click="all = !all">
      {{ all ? 'Only the likely ones' : 'All suspects' }}
    </button>
  </section>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  padding: 0.5rem 1rem 0;
}

ol,
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

ol > li {
  border-bottom: 1px solid var(--line);
}

.suspect {
  display: block;
  width: 100%;
  min-height: 44px;
  padding: 0.5rem 1rem;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.line {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  font-size: 1.125rem;
}

.word {
  color: var(--ink-2);
  font-size: 0.9375rem;
}

.word::first-letter {
  text-transform: uppercase;
}

.why {
  padding: 0 1rem 0.5rem;
  font-size: 0.9375rem;
}

.why ul li {
  display: grid;
  grid-template-columns: 3.25rem 1fr auto;
  gap: 0.25rem;
  align-items: center;
}

.why p {
  margin: 0.35rem 0 0;
}

.db {
  text-align: right;
  padding-right: 0.35rem;
}

.for {
  color: var(--suspect);
  font-weight: 600;
}

.against {
  color: var(--water);
  font-weight: 600;
}

.why .foot {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  margin: 0;
}

.out {
  padding: 0 0.4rem;
  color: var(--ink-2);
  font-size: 0.875rem;
  text-decoration: underline;
}

.pairs,
.rival {
  margin: 0;
  padding: 0.4rem 1rem 0;
  font-size: 0.9375rem;
}

.pairs h3 {
  margin: 0;
  font-size: 1rem;
}

.pairs li {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
}

.more {
  margin: 0 0.25rem;
  color: var(--ink-2);
  text-decoration: underline;
}
</style>
