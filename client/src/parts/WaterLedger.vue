<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { digits } from '@/shared/format';
import { ledgerParts, type LedgerPart } from './ledgerParts';

/** Where the water goes: one bar as long as what the pump displaces. Unknown is drawn as unknown, never as nothing. */
const props = defineProps<{ ledger: Schemas['LedgerDto'] }>();
defineEmits<{ open: [figure: string] }>();

const bar = ref<HTMLElement>();
const { width } = useElementSize(bar, { width: 800, height: 48 });
const parts = computed(() => ledgerParts(props.ledger));
const unknown = computed(() => props.ledger.nozzle.source === 'unknown');
const notable = computed(() => parts.value.at(-1)?.notable ?? false);
const letter = 8.5;
/** A label stands in its slice only where all of it does; otherwise below the bar. */
const isInside = (p: LedgerPart) => p.share * width.value > (p.name.length + p.amount.length + 1) * letter + 30;
const says = (p: LedgerPart) => p.kind !== 'missing' || p.notable;
const below = computed(() => parts.value.filter((p) => says(p) && !isInside(p)));
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
      <button type="button" class="quiet displaced" @click="$emit('open', 'displaced')">
        displaced {{ digits(ledger.displaced.flow?.value ?? 0) }} {{ ledger.displaced.flow?.unit }}
      </button>
    </header>
    <div ref="bar" class="bar">
      <span v-if="unknown" class="part open">not measured at the nozzle: unknown</span>
      <template v-else>
        <component
          :is="p.figure ? 'button' : 'span'"
          v-for="p in parts"
          :key="p.name"
          :type="p.figure ? 'button' : undefined"
          class="part"
          :class="[p.kind, { notable: p.notable }]"
          :style="{ flexGrow: Math.max(p.share, 0.0001) }"
          :aria-label="`${p.name} ${p.amount}`"
          @click="p.figure && $emit('open', p.figure)"
        >
          <span v-if="says(p) && isInside(p)" class="label"
            >{{ p.name }} <b class="figure">{{ p.amount }}</b></span
          >
        </component>
      </template>
    </div>
    <p v-if="!unknown && below.length" class="below">
      <span v-for="p in below" :key="p.name"
        ><i class="swatch" :class="[p.kind, { notable: p.notable }]" aria-hidden="true" />{{ p.name }}
        <b class="figure">{{ p.amount }}</b></span
      >
    </p>
  </section>
</template>

<style scoped>
.ledger {
  padding: 0 1rem;
}

header {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 0 0.75rem;
  align-items: center;
  line-height: 1.2;
}

h2 {
  font-size: 1.0625rem;
}

@media (max-width: 640px) {
  header {
    grid-template-columns: 1fr auto;
  }

  header p {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}

button {
  border: 0;
  background: transparent;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}

.displaced {
  min-height: 44px;
  margin: -0.4rem 0;
  padding: 0;
  color: var(--ink-2);
  text-decoration: underline dotted;
  text-underline-offset: 4px;
}

.bar {
  display: flex;
  height: 47px;
  margin: 0;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  overflow: hidden;
}

.part {
  display: flex;
  flex: 1 1 0;
  align-items: center;
  min-width: 44px;
  padding: 0 0.4rem;
  white-space: nowrap;
}

.part + .part {
  border-left: 1.5px solid var(--ink);
}

.nozzle {
  background: var(--water-soft);
}

.bypass {
  background: var(--card);
}

.missing {
  padding: 0 0.4rem;
}

.missing.notable {
  background-color: var(--suspect-soft);
  background-image: repeating-linear-gradient(45deg, var(--suspect) 0 1.5px, transparent 1.5px 8px);
}

.notable .label {
  padding: 0.1rem 0.4rem;
  border-radius: 3px;
  background: var(--card);
}

.open {
  color: var(--ink-2);
  background: repeating-linear-gradient(90deg, transparent 0 8px, var(--line) 8px 9px);
}

p {
  margin: 0;
  font-size: 0.9375rem;
}

.below {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1.25rem;
  line-height: 1.15;
}

.swatch {
  display: inline-block;
  width: 0.9rem;
  height: 0.9rem;
  margin-right: 0.35rem;
  border: 1.5px solid var(--ink);
  vertical-align: -0.1rem;
}

.alarm {
  color: var(--suspect);
}
</style>
