<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { ref, watch } from 'vue';
import type { CaseResource, ChangeRequest, Knowledge } from '@/shared/api/client';
import { readNumber } from '@/shared/numbers';

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
      <label class="check"><input v-model="keepRunning" type="checkbox" /> The plant must not be stopped</label>
      <label class="check"><input v-model="apprentice" type="checkbox" /> Only what an apprentice may do alone</label>
      <label>
        Longest check there is time for, minutes
        <input v-model="minutes" class="figure" inputmode="decimal" autocomplete="off" />
      </label>
      <fieldset>
        <legend>Not at hand</legend>
        <label v-for="t in knowledge.tools" :key="t" class="check"
          ><input v-model="without" type="checkbox" :value="t" /> {{ t }}</label
        >
      </fieldset>
      <fieldset>
        <legend>Nobody answers for</legend>
        <label v-for="h in knowledge.hazards" :key="h.id" class="check"
          ><input v-model="avoid" type="checkbox" :value="h.id" /> {{ h.text }}</label
        >
      </fieldset>
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
      <button type="submit" class="tap on">Keep to these</button>
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

.check {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  min-height: 44px;
}

.check input {
  flex: none;
  width: 24px;
  height: 24px;
}
</style>
