<script setup lang="ts">
import Button from 'primevue/button';
import Dialog from 'primevue/dialog';
import { ref, watch } from 'vue';
import type { CaseResource, ChangeRequest, Knowledge } from '@/shared/api/client';
import { readNumber } from '@/shared/numbers';
import EntryField from '@/shared/ui/EntryField.vue';
import TickBox from '@/shared/ui/TickBox.vue';

/** What cannot or must not be done today; checks beyond it are not proposed. */
const visible = defineModel<boolean>('visible', { required: true });
const props = defineProps<{ data: CaseResource; knowledge: Knowledge }>();
const emit = defineEmits<{ tell: [change: ChangeRequest] }>();

const without = ref<string[]>([]);
const avoid = ref<string[]>([]);
const keepRunning = ref(false);
const apprentice = ref(false);
const minutes = ref('');
const problem = ref('');

watch(
  visible,
  () => {
    const l = props.data.limits;
    without.value = [...(l.without ?? [])];
    avoid.value = [...(l.avoid ?? [])];
    keepRunning.value = !!l.keepRunning;
    apprentice.value = !!l.apprentice;
    minutes.value = l.mostMinutes ? String(l.mostMinutes) : '';
    problem.value = '';
  },
  { immediate: true },
);

function save() {
  const most = minutes.value.trim() ? readNumber(minutes.value) : null;
  if (minutes.value.trim() && (most === null || most < 1 || most > 1000)) {
    problem.value = `“${minutes.value}” is no time for a check. Write 1 to 1000 minutes, or nothing.`;
    return;
  }
  emit('tell', {
    limits: {
      without: without.value,
      avoid: avoid.value,
      keepRunning: keepRunning.value,
      apprentice: apprentice.value,
      ...(most === null ? {} : { mostMinutes: most }),
    },
  });
  visible.value = false;
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Limits of today" :style="{ width: 'min(36rem, 94vw)' }">
    <form class="limits" @submit.prevent="save">
      <TickBox v-model="keepRunning" label="The plant must not be stopped" />
      <TickBox v-model="apprentice" label="Only what an apprentice may do alone" />
      <EntryField v-model="minutes" label="Longest check there is time for" :units="['minutes']" :problem="problem" />
      <fieldset>
        <legend>Not at hand</legend>
        <TickBox v-for="t in knowledge.tools" :key="t" v-model="without" :value="t" :label="t" />
      </fieldset>
      <fieldset>
        <legend>Nobody answers for</legend>
        <TickBox v-for="h in knowledge.hazards" :key="h.id" v-model="avoid" :value="h.id" :label="h.text" />
      </fieldset>
      <Button type="submit" label="Keep to these" class="keep" />
    </form>
  </Dialog>
</template>

<style scoped>
.limits {
  display: grid;
  gap: 0.5rem;
}

fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(14rem, 1fr));
  border: 1px solid var(--line);
}

.keep {
  justify-self: start;
}
</style>
