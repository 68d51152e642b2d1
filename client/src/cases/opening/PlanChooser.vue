<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import Button from 'primevue/button';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { api, inWords, taken, type CaseResource, type Schemas } from '@/shared/api/client';
import { percent } from '@/shared/format';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import { placeName } from './cards/cards';

/** What to open: only for the leader, for the next as well, or the whole set; or parts chosen by hand. */
const props = defineProps<{ data: CaseResource }>();
const emit = defineEmits<{ choose: [plan: Schemas['WorkPlanDto']] }>();

const plans = useQuery({
  queryKey: computed(() => ['plans', props.data.id, props.data.version, props.data.pump.version]),
  queryFn: async () => taken(await api.GET('/api/cases/{id}/plans', { params: { path: { id: props.data.id } } })),
});
const sheets = useQuery({
  queryKey: computed(() => ['sheets', props.data.pump.id, props.data.pump.version]),
  queryFn: async () => taken(await api.GET('/api/pumps/{id}/sheets', { params: { path: { id: props.data.pump.id } } })),
});

const options = computed(() => plans.data.value?.options ?? []);
const again = ({ again: { atLeast, unknown } }: Schemas['PlanOptionDto']) => {
  if (!unknown.length) return percent(atLeast);
  return atLeast < 0.01 ? 'not known' : `at least ${percent(atLeast)}`;
};

const part = ref('');
const parts = computed(() =>
  (sheets.data.value?.sheets ?? []).flatMap((s) =>
    s.parts.map((p) => ({
      value: p.part,
      text: s.beside ? `${p.name} (${s.name.toLowerCase()})` : p.name,
      mends: p.mends,
    })),
  ),
);
const mendWords: Record<string, string> = {
  renew: 'a new one',
  refit: 'off and on again, new rings',
  clean: 'clean and refit',
  lap: 'lap and refit',
};
const mend = ref('');
const mends = computed(() =>
  (parts.value.find((p) => p.value === part.value)?.mends ?? []).map((m, i) => ({
    value: i === 0 ? '' : m,
    text: mendWords[m] ?? m,
  })),
);
watch(part, () => (mend.value = ''));
const cylinders = computed(() => props.data.pump.pump.cylinders ?? 1);
const ends = computed(() => props.data.pump.pump.arrangement === 'intensifier');
const everywhere = 'everywhere';
const where = ref(everywhere);
const places = computed(() => [
  { value: everywhere, text: everywhere },
  ...Array.from({ length: cylinders.value }, (_, i) => {
    const place = ends.value ? { end: i === 0 ? 'left' : 'right' } : { cylinder: i + 1 };
    return {
      value: ends.value ? (i === 0 ? 'left' : 'right') : String(i + 1),
      text: ends.value ? placeName(place) : `cylinder ${i + 1}`,
    };
  }),
]);

interface Chosen {
  part: string;
  where: string;
  mend: string;
}
const chosen = ref<Chosen[]>([]);
const said = ({ part, where, mend }: Chosen) =>
  [
    parts.value.find((p) => p.value === part)?.text ?? part,
    places.value.find((p) => p.value === where)?.text ?? where,
    mendWords[mend],
  ]
    .filter(Boolean)
    .join(', ');

const form = useTemplateRef<HTMLElement>('form');
function another() {
  if (!part.value) return;
  const now = { part: part.value, where: where.value, mend: mend.value };
  if (!chosen.value.some((c) => c.part === now.part && c.where === now.where)) chosen.value.push(now);
  part.value = '';
  // What was chosen is seen, however low the page stands.
  void nextTick(() => form.value?.scrollIntoView({ block: 'end' }));
}

function byHand() {
  another();
  if (!chosen.value.length) return;
  // A part without a place is meant at every place of it.
  const target = (c: Chosen) => ({
    part: c.part,
    ...(c.mend ? { mend: c.mend } : {}),
    ...(c.where === everywhere ? {} : ends.value ? { end: c.where } : { cylinder: Number(c.where) }),
  });
  emit('choose', { targets: chosen.value.map(target), scope: 'what-failed' });
}
</script>

<template>
  <section class="chooser" aria-labelledby="chooser-title">
    <h2 id="chooser-title">What is to be opened?</h2>
    <p v-if="plans.data.value?.elsewhere" class="elsewhere">{{ plans.data.value.elsewhere }}</p>
    <p v-if="plans.error.value" class="problem" role="alert">{{ inWords(plans.error.value) }}</p>
    <div class="options">
      <article v-for="o in options" :key="o.id" class="option" :aria-label="o.name">
        <h3>{{ o.name }}</h3>
        <p class="minutes">
          about <b class="figure">{{ Math.round(o.minutes) }}</b> min
        </p>
        <dl>
          <dt>Comes off</dt>
          <dd>{{ o.opens.join(', ') }}</dd>
          <dt>New</dt>
          <dd>{{ o.renews.join(', ') }}</dd>
          <dt>Parts</dt>
          <dd>
            <template v-if="o.cost">
              {{ Math.round(o.cost.parts) }} {{ o.cost.currency
              }}<template v-if="o.cost.withoutPrice.length"
                >, {{ o.cost.withoutPrice.length }} without a price</template
              >
            </template>
            <template v-else>no prices on the pump’s page</template>
          </dd>
          <dt>Opened again before the next service</dt>
          <dd>
            {{ again(o) }}
            <details v-if="o.again.unknown.length">
              <summary>what is not known</summary>
              <ul>
                <li v-for="u in o.again.unknown" :key="u">{{ u }}</li>
              </ul>
            </details>
          </dd>
        </dl>
        <p v-if="o.replace" class="elsewhere">{{ o.replace }}</p>
        <Button
          class="take"
          label="Open it like this"
          :aria-label="`Open it like this: ${o.name}`"
          @click="emit('choose', o.plan)"
        />
      </article>
    </div>
    <form ref="form" class="hand" aria-label="Parts chosen by hand" @submit.prevent="byHand">
      <ChoiceField v-model="part" label="Or a part of your choice" :options="parts" placeholder="part" />
      <ChoiceField v-model="where" label="Where" :options="places" />
      <ChoiceField v-if="mends.length > 1" v-model="mend" label="What is done" :options="mends" />
      <Button severity="secondary" variant="outlined" label="And another" :disabled="!part" @click="another" />
      <Button
        type="submit"
        severity="secondary"
        variant="outlined"
        label="Plan this"
        :disabled="!part && !chosen.length"
      />
      <ul v-if="chosen.length" class="chosen" aria-label="Chosen so far">
        <li v-for="(c, i) in chosen" :key="`${c.part} ${c.where}`">
          {{ said(c) }}
          <Button
            variant="text"
            severity="secondary"
            label="Not this"
            :aria-label="`Not this: ${said(c)}`"
            @click="chosen.splice(i, 1)"
          />
        </li>
      </ul>
    </form>
  </section>
</template>

<style scoped>
.chooser {
  display: grid;
  gap: 0.75rem;
  flex: none;
  align-content: start;
  padding: 0.75rem 1rem 1rem;
}

h2 {
  font-size: 1.375rem;
}

h3 {
  font-family: var(--font-text);
  font-weight: 700;
  font-size: 1.125rem;
}

p {
  margin: 0;
}

.options {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
  gap: 1rem;
}

.option {
  display: flex;
  flex-direction: column;
  gap: 0.4rem;
  padding: 0.75rem 0.9rem;
  border: 1px solid var(--line);
  background: var(--card);
}

.minutes b {
  font-size: 1.75rem;
}

dl {
  display: grid;
  gap: 0.1rem;
  margin: 0;
}

dt {
  color: var(--ink-2);
}

dd {
  margin: 0 0 0.35rem;
}

summary {
  min-height: 44px;
  padding-top: 0.6rem;
  cursor: pointer;
}

ul {
  margin: 0;
  padding-left: 1.1rem;
}

.take {
  margin-top: auto;
  min-height: 52px;
}

.elsewhere {
  padding-left: 0.7rem;
  border-left: 5px solid var(--suspect);
}

.hand {
  display: grid;
  grid-template-columns: minmax(0, 2fr) repeat(auto-fit, minmax(8rem, 1fr));
  gap: 0.75rem;
  align-items: end;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
}

.chosen {
  grid-column: 1 / -1;
  padding: 0;
  list-style: none;
}

@media (max-width: 640px) {
  .hand {
    grid-template-columns: 1fr;
  }
}
</style>
