<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core';
import { computed } from 'vue';
import TickBox from '@/shared/ui/TickBox.vue';
import { isTicked, type Plan, type Step, type Work } from './cards';

/** Nothing left over: every tool that went in is counted out, and no part lies on the bench. */
const props = defineProps<{ plan: Plan; step: Step; work: Work; id: string }>();
const out = useSessionStorage<string[]>(`mild-hunch.counted.${props.id}`, []);
const bench = 'No part is left on the bench';
const done = computed(() => props.step.places.every((p) => isTicked(props.work, p.tick)));
const missing = computed(() => [...props.plan.tools, bench].filter((t) => !out.value.includes(t)));
</script>

<template>
  <section class="card" aria-labelledby="count-title">
    <p class="quiet">Before it turns again</p>
    <h2 id="count-title">{{ step.text }}</h2>
    <ul class="tools">
      <li v-for="t in [...plan.tools, bench]" :key="t"><TickBox v-model="out" :value="t" :label="t" /></li>
    </ul>
    <p v-if="missing.length && !done" class="quiet">{{ missing.length }} not counted yet.</p>
    <slot :done="done" :ready="missing.length === 0" />
  </section>
</template>

<style scoped src="./card.css"></style>
<style scoped>
.tools {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
  padding: 0;
  list-style: none;
}
</style>
