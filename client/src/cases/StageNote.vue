<script setup lang="ts">
import { ref, watch } from 'vue';
import type { CaseResource, ChangeRequest } from '@/shared/api/client';

/** Free words for one stage, saved when you leave the field; a draft survives everything. */
const props = defineProps<{
  data: CaseResource;
  name: string;
  label: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const key = `mild-hunch.draft.${props.data.id}.${props.name}`;
const text = ref(window.localStorage.getItem(key) ?? props.data.facts[props.name] ?? '');

watch(
  () => props.data.facts[props.name],
  (now) => (text.value = now ?? ''),
);
watch(text, (now) => window.localStorage.setItem(key, now));

async function save() {
  if (text.value.trim() === (props.data.facts[props.name] ?? '')) {
    window.localStorage.removeItem(key);
    return;
  }
  if (await props.tell({ facts: { [props.name]: text.value } })) window.localStorage.removeItem(key);
}
</script>

<template>
  <label class="note">
    {{ label }}
    <textarea v-model="text" rows="3" @blur="save" />
  </label>
</template>

<style scoped>
.note {
  display: block;
  font-weight: 700;
}

textarea {
  margin-top: 0.25rem;
}
</style>
