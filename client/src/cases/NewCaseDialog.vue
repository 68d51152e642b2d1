<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import Dialog from 'primevue/dialog';
import { ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, inWords, taken } from '@/shared/api/client';

const visible = defineModel<boolean>('visible', { required: true });
const props = defineProps<{ pumpId?: string }>();
const router = useRouter();
const client = useQueryClient();
const pumps = useQuery({ queryKey: ['pumps'], queryFn: async () => taken(await api.GET('/api/pumps')) });
const complaint = ref(window.localStorage.getItem('mild-hunch.new-case') ?? '');
const pumpId = ref(props.pumpId ?? '');
const problem = ref('');

watch(complaint, (now) => window.localStorage.setItem('mild-hunch.new-case', now));

async function open() {
  try {
    const made = taken(
      await api.POST('/api/cases', { body: { pumpId: pumpId.value || null, complaint: complaint.value } }),
    );
    complaint.value = '';
    await client.invalidateQueries({ queryKey: ['cases'] });
    await router.push(`/cases/${made.id}`);
  } catch (error) {
    problem.value = inWords(error);
  }
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="New case" :style="{ width: 'min(32rem, 94vw)' }">
    <form @submit.prevent="open">
      <label>
        Which pump?
        <select v-model="pumpId">
          <option value="" disabled>Choose a pump</option>
          <option v-for="p in pumps.data.value" :key="p.id" :value="p.id">{{ p.tag }} · {{ p.name }}</option>
        </select>
      </label>
      <RouterLink to="/pumps/new">A pump that is not on the list</RouterLink>
      <label>
        What is wrong?
        <textarea v-model="complaint" rows="3" placeholder="In the words of whoever told you" />
      </label>
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
      <button type="submit" class="tap on">Open the case</button>
    </form>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.75rem;
}

a {
  color: var(--water);
}
</style>
