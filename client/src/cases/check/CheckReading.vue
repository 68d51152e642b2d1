<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import { percent } from '@/shared/format';
import type { ChangeRequest, NextCheck, Schemas } from '@/shared/api/client';
import ReadingField from '@/cases/measure/ReadingField.vue';

/** A check whose answer is a number: the field for it, and what each stretch of the scale would mean. */
const props = defineProps<{
  caseId: string;
  check: NextCheck;
  what: Schemas['ObservableDto'];
  trouble?: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();
defineEmits<{ couldNot: [] }>();

/** Who would lead over which stretches of the scale; neighbours with one leader stand together. */
const meanings = computed(() => {
  const groups = new Map<string, string[]>();
  for (const a of props.check.answers)
    groups.set(a.leader, [...(groups.get(a.leader) ?? []), `${a.text} → ${percent(a.leaderProbability)}`]);
  return [...groups].map(([leader, bands]) => ({ leader, bands: bands.join(', ') }));
});
</script>

<template>
  <div class="measure">
    <ul>
      <li v-for="g in meanings" :key="g.leader">
        {{ g.leader }} <span class="quiet">{{ g.bands }}</span>
      </li>
    </ul>
    <ReadingField :key="what.id" :case-id="caseId" :what="what" :standing="undefined" :trouble="trouble" :tell="tell" />
    <Button
      severity="secondary"
      variant="outlined"
      class="could-not"
      label="Could not do it"
      @click="$emit('couldNot')"
    />
  </div>
</template>

<style scoped>
.measure {
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
  min-height: 215px;
}

ul {
  margin: 0.25rem 0 auto;
  padding: 0;
  list-style: none;
  font-size: 0.9375rem;
  line-height: 1.25;
}

.could-not {
  justify-content: flex-start;
  margin-top: 5px;
  font-weight: 700;
}
</style>
