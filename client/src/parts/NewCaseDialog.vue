<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import Button from 'primevue/button';
import Dialog from 'primevue/dialog';
import Textarea from 'primevue/textarea';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, inWords, Refusal, taken } from '@/shared/api/client';
import { useDraft } from '@/shared/drafts/useDraft';
import ChoiceField from '@/shared/ui/ChoiceField.vue';

/** A new case asks two things; both stay on this device until it is opened. */
const visible = defineModel<boolean>('visible', { required: true });
const props = defineProps<{ pumpId?: string }>();
const router = useRouter();
const client = useQueryClient();
const pumps = useQuery({ queryKey: ['pumps'], queryFn: async () => taken(await api.GET('/api/pumps')) });
const choices = computed(() => (pumps.data.value ?? []).map((p) => ({ value: p.id, text: `${p.tag} · ${p.name}` })));
const draft = useDraft('mild-hunch.new-case', () => ({ pumpId: '', complaint: '' }));
const { typed } = draft;
if (props.pumpId) typed.value.pumpId = props.pumpId;
const problems = ref<{ pumpId?: string; complaint?: string }>({});
const trouble = ref('');

async function open() {
  problems.value = {
    ...(typed.value.pumpId ? {} : { pumpId: 'Choose the pump it is about.' }),
    ...(typed.value.complaint.trim() ? {} : { complaint: 'Say what is wrong, in a sentence.' }),
  };
  trouble.value = '';
  if (Object.keys(problems.value).length) return;
  try {
    const made = taken(await api.POST('/api/cases', { body: typed.value }));
    draft.takeStored();
    await client.invalidateQueries({ queryKey: ['cases'] });
    await router.push(`/cases/${made.id}/${made.stage}`);
  } catch (error) {
    if (error instanceof Refusal && 'complaint' in error.fields) problems.value = { complaint: error.message };
    else trouble.value = inWords(error);
  }
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="New case" :style="{ width: 'min(32rem, 94vw)' }">
    <form @submit.prevent="open">
      <ChoiceField
        v-model="typed.pumpId"
        label="Which pump?"
        :options="choices"
        placeholder="Choose a pump"
        :problem="problems.pumpId"
      />
      <RouterLink class="link" to="/pumps/new">A pump that is not on the list</RouterLink>
      <label>
        What is wrong?
        <Textarea
          v-model="typed.complaint"
          rows="3"
          autofocus
          placeholder="In the words of whoever told you"
          :invalid="!!problems.complaint"
          :aria-describedby="problems.complaint ? 'complaint-problem' : undefined"
        />
      </label>
      <p v-if="problems.complaint" id="complaint-problem" role="alert" class="problem">{{ problems.complaint }}</p>
      <p v-if="trouble" role="alert" class="problem">{{ trouble }}</p>
      <Button type="submit" label="Open the case" />
    </form>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.75rem;
}

form > :last-child {
  justify-self: start;
}
</style>
