<script setup lang="ts">
import { computed } from 'vue';
import PictureView from '@/shared/ui/PictureView.vue';
import { offParts, placeName, stackOf, type Card, type Plan, type StepPlace, type Work } from './cards/cards';

/** The drawing beside a card: the map of what was found, bolts at their places, or the cavity at hand. */
const props = defineProps<{
  plan: Plan;
  work: Work;
  card: Card | undefined;
  /** Where the step goes on. */
  here: StepPlace | undefined;
  /** What is chosen on the map. */
  place: string;
  /** How a bolt stands, and what a tap on it does. */
  bolt: { look?: (n: string) => string; says?: (n: string) => string } | null;
}>();
defineEmits<{ look: [place: string]; tap: [] }>();

const step = computed(() => (props.card && 'step' in props.card ? props.card.step : undefined));
const stack = computed(() => (step.value ? stackOf(props.plan, step.value, props.here?.side) : undefined));
const off = computed(() => offParts(props.plan, props.work));
const stackLook = (key: string) => (key === step.value?.part ? 'lit' : off.value.has(key) ? 'off' : '');

const opened = computed(() => new Set(props.plan.inspect.map((i) => i.id)));
const mapLook = (key: string) => {
  if (!opened.value.has(key)) return 'shut';
  return `${props.work.found[key]?.state ?? 'unseen'}${key === props.place ? ' chosen' : ''}`;
};
const mapWords = (key: string) => {
  if (!opened.value.has(key)) return 'stays shut';
  const found = props.work.found[key];
  if (!found) return 'look';
  return props.plan.kinds.flatMap((k) => k.findings).find((f) => f.id === found.finding)?.name ?? found.state;
};
const mapSays = (key: string) => {
  const at = props.plan.inspect.find((p) => p.id === key);
  if (!at) return '';
  return `${[at.name, placeName(at.place)].filter(Boolean).join(' ')}: ${props.work.found[key] ? mapWords(key) : 'not looked at'}`;
};
</script>

<template>
  <PictureView
    v-if="card?.kind === 'inspect'"
    name="Every place of this pump, seen from above"
    :picture="plan.map"
    :look="mapLook"
    :words="mapWords"
    :says="mapSays"
    @tap="$emit('look', $event)"
  />
  <PictureView
    v-else-if="card?.kind === 'bolts'"
    class="numbers"
    :name="`${card.group.name}, at their places`"
    :picture="card.group.drawing"
    :look="(n) => bolt?.look?.(n) ?? ''"
    :says="(n) => bolt?.says?.(n) ?? ''"
    @tap="$emit('tap')"
  />
  <template v-else-if="stack">
    <h2>{{ stack.name }}{{ here && placeName(here) ? `, ${placeName(here)}` : '' }}</h2>
    <PictureView :name="`${stack.name}, in its order`" :picture="stack.drawing" :look="stackLook" />
  </template>
  <PictureView
    v-else-if="plan.stacks[0]"
    :name="`${plan.stacks[0].name}, in its order`"
    :picture="plan.stacks[0].drawing"
  />
</template>
