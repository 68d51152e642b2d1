<script setup lang="ts">
import GoButton from './GoButton.vue';
import HazardTicks from './HazardTicks.vue';
import type { Plan, Work } from './cards';

/** What can hurt, read one by one and answered for by name; anew each time the pump goes from running to open. */
defineProps<{ plan: Plan; work: Work }>();
const emit = defineEmits<{ acknowledge: [hazards: string[]]; next: [] }>();
</script>

<template>
  <section class="card" aria-labelledby="hazards-title">
    <h2 id="hazards-title">What can hurt you here</h2>
    <template v-if="work.acknowledged">
      <p>
        Read by <b>{{ work.acknowledged.by }}</b>,
        {{ new Date(work.acknowledged.at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' }) }}.
      </p>
      <ul>
        <li v-for="h in plan.hazards" :key="h.id">{{ h.text }}</li>
      </ul>
      <GoButton label="Go on" @go="emit('next')" />
    </template>
    <template v-else>
      <HazardTicks v-slot="{ label, go }" :hazards="plan.hazards" @acknowledge="emit('acknowledge', $event)">
        <GoButton :label="label" @go="go" />
      </HazardTicks>
    </template>
  </section>
</template>

<style scoped src="./card.css"></style>
