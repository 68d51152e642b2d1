<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import { dayWords, type PumpLife } from './lines';

/** What the hour meter showed, the last first; a slip is taken back here. */
const props = defineProps<{ hours: PumpLife['hours'] }>();
const emit = defineEmits<{ takeBack: [entry: string] }>();
const shown = 12;
const last = computed(() => [...props.hours.readings].reverse().slice(0, shown));
</script>

<template>
  <details v-if="last.length">
    <summary>Read {{ hours.readings.length }} times</summary>
    <ol>
      <li v-for="r in last" :key="r.id ?? ''">
        <span class="figure">{{ r.hours }} h</span>
        <span
          >{{ dayWords(r.on ?? '') }}<template v-if="r.by">, {{ r.by }}</template
          ><template v-if="r.newMeter">, a new meter</template></span
        >
        <RouterLink v-if="r.caseId" class="link" :to="`/cases/${r.caseId}`">Its case</RouterLink>
        <Button
          v-else
          severity="secondary"
          variant="text"
          label="Take it back"
          :aria-label="`Take it back: ${r.hours} h`"
          @click="emit('takeBack', r.id ?? '')"
        />
      </li>
    </ol>
    <p v-if="hours.readings.length > shown" class="quiet">and {{ hours.readings.length - shown }} earlier ones</p>
  </details>
</template>

<style scoped>
summary {
  min-height: 44px;
  padding: 0.6rem 0;
  cursor: pointer;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.75rem;
  align-items: center;
  min-height: 44px;
}

p {
  margin: 0.15rem 0;
}
</style>
