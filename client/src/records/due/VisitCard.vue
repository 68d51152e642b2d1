<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';
import { dayWords } from '../life/lines';

/** One opening that is due: when, why, what goes in. */
defineProps<{ visit: Schemas['DueVisitDto']; withPump?: boolean; today: string }>();
</script>

<template>
  <article class="visit" :class="{ late: visit.on <= today }">
    <header>
      <RouterLink v-if="withPump" class="plate" :to="`/pumps/${visit.pumpId}`">{{ visit.tag }}</RouterLink>
      <b>{{ visit.says }}</b>
      <span class="figure">{{ visit.on <= today ? 'now' : dayWords(visit.on) }}</span>
    </header>
    <p v-if="visit.season" class="quiet">
      {{
        visit.wanted
          ? `Before ${visit.season}: it must not stand then; by itself it would be due ${dayWords(visit.wanted)}.`
          : `In ${visit.season}, when it must not stand.`
      }}
    </p>
    <ul>
      <li v-for="i in visit.items" :key="i.says">{{ i.says }}</li>
    </ul>
    <p v-if="visit.parts.length" class="quiet">
      <template v-for="(p, i) in visit.parts" :key="p.name"
        >{{ i ? ', ' : '' }}{{ p.count }} x {{ p.name }}{{ p.leftOver ? ` (left over: ${p.leftOver})` : '' }}</template
      >
    </p>
    <p v-if="visit.minutes" class="quiet">
      {{ visit.minutes }} minutes{{ visit.saved >= 5 ? `, ${visit.saved} fewer than one by one` : '' }}
    </p>
  </article>
</template>

<style scoped>
.visit {
  padding: 0.4rem 0 0.6rem 0.75rem;
  border-bottom: 1px solid var(--line);
  border-left: 4px solid var(--water);
  break-inside: avoid;
}

.visit.late {
  border-left-color: var(--suspect);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
}

header .figure {
  margin-left: auto;
}

ul {
  margin: 0.15rem 0;
  padding-left: 1.1rem;
}

p {
  margin: 0.1rem 0;
}
</style>
