<script setup lang="ts">
import Textarea from 'primevue/textarea';
import { ref } from 'vue';
import type { CaseResource, ChangeRequest } from '@/shared/api/client';
import DraftConflict from '@/shared/drafts/DraftConflict.vue';
import { useDraft } from '@/shared/drafts/useDraft';

/** Free words for one stage, saved when you leave the field; a draft survives everything, and is overwritten by nobody. */
const props = defineProps<{
  data: CaseResource;
  name: string;
  label: string;
  tell: (change: ChangeRequest) => Promise<boolean>;
}>();

const draft = useDraft(`mild-hunch.draft.${props.data.id}.${props.name}`, () => props.data.facts[props.name] ?? '');
const { typed: text, changed, conflict } = draft;
const saving = ref(false);

async function save() {
  if (!changed.value || conflict.value !== undefined || saving.value) return;
  saving.value = true;
  if (await props.tell({ facts: { [props.name]: text.value } })) draft.done();
  saving.value = false;
}

function keepMine() {
  draft.keepMine();
  void save();
}
</script>

<template>
  <div class="note">
    <label>
      {{ label }}
      <Textarea v-model="text" rows="2" auto-resize @blur="save" />
    </label>
    <DraftConflict
      v-if="conflict !== undefined && !saving"
      :theirs="conflict"
      what="this note"
      @mine="keepMine"
      @theirs="draft.takeStored()"
    />
  </div>
</template>

<style scoped>
label {
  display: block;
  font-weight: 700;
}

label :deep(textarea) {
  margin-top: 0.25rem;
}
</style>
