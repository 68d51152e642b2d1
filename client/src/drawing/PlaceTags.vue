<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import type { JudgedCase, Knowledge } from '@/shared/api/client';
import type { Field, Place } from './layout/layout';
import { placeNames, spotKey, spotOf, type Spot } from './layout/spots';
import { fit, tagsAt } from './tags';

/** What was noted at one place, pinned where it was taken; the dashed tag takes more. */
const props = defineProps<{ place: Place; field: Field; data: JudgedCase; knowledge: Knowledge }>();
const emit = defineEmits<{ tap: [spot: Spot] }>();

const asks: Record<Place, string> = {
  gauge: 'pressure',
  nozzle: 'flow',
  bypass: 'bypass',
  control: 'unloader',
  crank: 'speed',
  inlet: 'inlet',
  supply: 'supply',
  caps: 'caps',
  weep: 'drips',
};

const tags = computed(() => tagsAt(props.place, props.data, props.knowledge));
const asked = computed(() => {
  if (tags.value.length) return '';
  const { control, arrangement } = props.data.pump.pump;
  if (props.place === 'control') return (control ?? 'control').replace('-', ' ');
  return props.place === 'crank' && arrangement === 'intensifier' ? 'strokes' : asks[props.place];
});
const fitted = computed(() => fit(tags.value, props.field, `+ ${asked.value}`));
</script>

<template>
  <div class="field">
    <Button
      v-for="t in fitted.shown"
      :key="t.id"
      class="tag"
      :class="{ off: t.isOff, figure: t.isFigure }"
      :aria-label="`${t.text} (${t.says})`"
      @click="emit('tap', t.spot)"
      >{{ t.text }}</Button
    >
    <Button v-if="fitted.more" class="tag" @click="emit('tap', spotOf(place))">{{ fitted.more }} more</Button>
    <Button
      class="tag add"
      :data-spot="spotKey(spotOf(place))"
      :aria-label="`+ ${asked} (${placeNames[place]})`"
      @click="emit('tap', spotOf(place))"
      >+ {{ asked }}</Button
    >
  </div>
</template>

<style scoped>
.field {
  display: flex;
  flex-wrap: wrap;
  gap: 3px 4px;
  pointer-events: none;
}

.field.right {
  justify-content: flex-end;
}

.tag.tag {
  max-width: 100%;
  padding: 0 0.6rem;
  border-color: var(--ink);
  background: var(--card);
  color: var(--ink);
  font-size: 0.9375rem;
  line-height: 1.1;
  pointer-events: auto;
}

.tag.figure {
  font-family: var(--font-figure);
  font-weight: 600;
  font-size: 1.0625rem;
  white-space: nowrap;
}

.tag.off {
  background: var(--suspect);
  border-color: var(--suspect);
  color: var(--on-strong);
}

.tag.add {
  border-style: dashed;
  border-color: var(--ink-2);
  background: var(--paper);
  color: var(--ink-2);
  white-space: nowrap;
}

@media print {
  .tag.add {
    display: none;
  }
}
</style>
