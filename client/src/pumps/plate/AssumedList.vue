<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';

/** What is assumed until somebody says otherwise, and what works out from the plate. */
defineProps<{ assumed?: Schemas['CompletedSetup']; completed?: Schemas['NameplateResponse'] }>();
</script>

<template>
  <section class="assumed" aria-label="Assumed until you say otherwise" aria-live="polite">
    <h2>Assumed until you say otherwise</h2>
    <p v-if="!assumed" class="quiet">
      With three of bore, stroke, speed and flow, and the rated pressure, everything else can be assumed.
    </p>
    <p v-if="completed?.doubt" class="problem">{{ completed.doubt }}</p>
    <p v-else-if="completed?.workedOut">{{ completed.workedOut }}</p>
    <template v-if="assumed">
      <dl>
        <template v-for="a in assumed.assumed" :key="a.field">
          <dt>{{ a.name }}</dt>
          <dd>
            <b class="figure">{{ a.value }}</b> <span class="quiet">{{ a.why }}</span>
          </dd>
        </template>
      </dl>
      <p v-if="assumed.assumed.length === 0" class="quiet">Nothing: speed, nozzle and control are as you say.</p>
    </template>
  </section>
</template>

<style scoped>
.assumed {
  padding: 0.5rem 0.75rem;
  border: 1.5px dashed var(--ink-2);
  border-radius: 4px;
  background: var(--card);
}

p {
  margin: 0.25rem 0;
}

dl {
  margin: 0.35rem 0 0;
}

dt {
  font-weight: 700;
}

dd {
  margin: 0 0 0.35rem;
}

dd .quiet {
  display: block;
  font-size: 0.9375rem;
}
</style>
