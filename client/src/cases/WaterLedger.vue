<script setup lang="ts">
import { computed } from 'vue';
import type { Figure, Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';

/** Where the water goes: one bar as long as what the pump displaces. Unknown is drawn as unknown, never as nothing. */
const props = defineProps<{ ledger: Schemas['LedgerDto'] }>();
const emit = defineEmits<{ open: [figure: Figure] }>();
function open(id: string) {
  const figure = props.ledger.figures.find((f) => f.id === id);
  if (figure) emit('open', figure);
}

const total = computed(() => props.ledger.displaced.flow?.value ?? 1);
const share = (term: Schemas['LedgerTermDto']) => Math.max(0, Math.min(1, (term.flow?.value ?? 0) / total.value)) * 100;
const missing = computed(() => Math.max(0, props.ledger.missing.flow?.value ?? 0));
const notable = computed(() => (props.ledger.missingShares ?? 0) > 2 * props.ledger.missingSharesSigma);
const unknown = computed(() => props.ledger.nozzle.source === 'unknown');
const missingName = computed(() => (props.ledger.missingMayBeInBypass ? 'missing or in the bypass' : 'missing'));
</script>

<template>
  <section class="ledger" aria-label="Where the water goes">
    <header>
      <h2>Where the water goes</h2>
      <p>
        <b :class="{ alarm: notable }">{{ ledger.text }}</b>
        <span v-if="ledger.bypass.source === 'unknown'" class="quiet"> Bypass: not looked at.</span>
        <span v-if="ledger.outside.source === 'unknown'" class="quiet"> Drips: not counted.</span>
      </p>
      <button type="button" class="quiet displaced" @click="open('displaced')">
        displaced <span class="figure">{{ digits(total) }}</span> {{ ledger.displaced.flow?.unit }}
      </button>
    </header>
    <div class="bar" :class="{ unknown }">
      <template v-if="unknown">
        <span class="part open">not measured at the nozzle: unknown</span>
      </template>
      <template v-else>
        <button
          type="button"
          class="part nozzle moves"
          :style="{ width: `${share(ledger.nozzle)}%` }"
          @click="open('nozzle')"
        >
          nozzle <b class="figure">{{ digits(ledger.nozzle.flow?.value ?? 0) }}</b>
        </button>
        <button
          v-if="share(ledger.bypass) > 0.5"
          type="button"
          class="part bypass moves"
          :style="{ width: `${share(ledger.bypass)}%` }"
          @click="open('bypass')"
        >
          bypass <b class="figure">{{ digits(ledger.bypass.flow?.value ?? 0) }}</b>
        </button>
        <span
          v-if="share(ledger.outside) > 0.5"
          class="part bypass moves"
          :style="{ width: `${share(ledger.outside)}%` }"
          >out</span
        >
        <button type="button" class="part missing" :class="{ notable }" @click="open('missing-shares')">
          <span :class="notable ? 'label' : 'sr-only'">
            {{ missingName }} <b class="figure">{{ digits(missing) }}</b>
          </span>
        </button>
      </template>
    </div>
  </section>
</template>

<style scoped>
.ledger {
  padding: 0.15rem 1rem 0;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.75rem;
  align-items: baseline;
}

.displaced {
  min-height: 44px;
  margin: -0.5rem 0 -0.5rem auto;
  border: 0;
  background: transparent;
  font: inherit;
  text-decoration: underline dotted;
  text-underline-offset: 4px;
  cursor: pointer;
}

button.part {
  border: 0;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}

.bar {
  display: flex;
  height: 48px;
  margin: 0.25rem 0;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  overflow: hidden;
}

.part {
  display: flex;
  align-items: center;
  gap: 0.4rem;
  min-width: 0;
  padding-left: 0.6rem;
  border-right: 1.5px solid var(--ink);
  white-space: nowrap;
  overflow: hidden;
}

.nozzle {
  background: var(--water-soft);
}

.bypass {
  background: var(--card);
}

.missing {
  flex: 1;
  background: transparent;
  padding-left: 0.4rem;
  border-right: 0;
}

.missing.notable {
  background-color: var(--suspect-soft);
  background-image: repeating-linear-gradient(45deg, var(--suspect) 0 1.5px, transparent 1.5px 8px);
}

.label {
  padding: 0.1rem 0.4rem;
  border-radius: 3px;
  background: var(--card);
}

.open {
  flex: 1;
  border: 0;
  color: var(--ink-2);
  background: repeating-linear-gradient(90deg, transparent 0 8px, var(--line) 8px 9px);
}

p {
  margin: 0;
  font-size: 0.9375rem;
}

.alarm {
  color: var(--suspect);
}
</style>
