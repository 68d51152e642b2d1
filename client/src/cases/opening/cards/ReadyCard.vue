<script setup lang="ts">
import { computed } from 'vue';
import WhoField from '@/cases/opening/WhoField.vue';
import type { Plan } from './cards';

/** What to lay ready before the first bolt: tools, what is used up, new parts and kits, and what stays alone. */
const props = defineProps<{ plan: Plan }>();
const kits = computed(() => props.plan.kits);
const beside = computed(() =>
  props.plan.parts
    .map((p) => ({ ...p, count: kits.value.length ? (props.plan.besideKits[p.part] ?? 0) : p.count }))
    .filter((p) => p.count > 0),
);
const names = (held: Record<string, number>) =>
  Object.entries(held)
    .map(([id, n]) => `${n} x ${props.plan.parts.find((p) => p.part === id)?.name.toLowerCase() ?? id}`)
    .join(', ');
</script>

<template>
  <section class="card" aria-labelledby="ready-title">
    <p class="quiet">Before the first bolt</p>
    <h2 id="ready-title">Lay ready</h2>
    <div class="hand">
      <h3>Tools</h3>
      <ul>
        <li v-for="t in plan.tools" :key="t">{{ t }}</li>
      </ul>
    </div>
    <div v-if="plan.consumables.length" class="hand">
      <h3>Used up</h3>
      <ul>
        <li v-for="t in plan.consumables" :key="t">{{ t }}</li>
      </ul>
    </div>
    <div>
      <h3>New parts</h3>
      <ul class="parts">
        <li v-for="k in kits" :key="k.kit">
          <b class="figure">{{ k.count }}</b> {{ k.kit }}
          <span v-if="Object.keys(k.leftOver).length" class="quiet">left over: {{ names(k.leftOver) }}</span>
        </li>
        <li v-for="p in beside" :key="p.part">
          <b class="figure">{{ p.count }}</b> {{ p.name }} <span class="quiet">{{ p.why }}</span>
        </li>
      </ul>
      <p v-if="plan.cost" class="quiet">
        About {{ Math.round(plan.cost.parts) }} {{ plan.cost.currency
        }}<template v-if="plan.cost.withoutPrice.length">
          and what has no price yet: {{ plan.cost.withoutPrice.join(', ').toLowerCase() }}</template
        >.
      </p>
    </div>
    <p v-if="plan.leave.length" class="quiet">Leave alone: {{ plan.leave.join(', ') }}.</p>
    <WhoField />
    <slot />
  </section>
</template>

<style scoped src="./card.css"></style>
<style scoped>
.parts {
  display: grid;
  gap: 0.2rem;
  padding: 0;
  list-style: none;
}
</style>
