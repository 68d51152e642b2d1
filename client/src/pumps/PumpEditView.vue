<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { onMounted, reactive, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, inWords, Refusal, taken } from '@/shared/api/client';
import ShellBar from '@/shared/ui/ShellBar.vue';
import PlateFields from './PlateFields.vue';
import RunFields from './RunFields.vue';
import { emptyPlate, fromResource, problemsOf, toRequest } from './plate';

/** The type plate, typed in once. What is typed is kept until it is stored. */
const props = defineProps<{ id?: string }>();
const router = useRouter();
const client = useQueryClient();
const draftKey = `mild-hunch.pump.${props.id ?? 'new'}`;
const plate = reactive(emptyPlate());
const problems = ref<Record<string, string>>({});
const trouble = ref('');
let etag = '';

onMounted(async () => {
  if (props.id) {
    const result = await api.GET('/api/pumps/{id}', { params: { path: { id: props.id } } });
    etag = result.response.headers.get('ETag') ?? '';
    Object.assign(plate, fromResource(taken(result)));
  }
  const draft = window.localStorage.getItem(draftKey);
  if (draft) Object.assign(plate, JSON.parse(draft) as object);
  watch(plate, (now) => window.localStorage.setItem(draftKey, JSON.stringify(now)), { deep: true });
});

async function save() {
  problems.value = problemsOf(plate);
  trouble.value = Object.keys(problems.value).length ? 'Some figures cannot be read yet; they are marked below.' : '';
  if (trouble.value) return;
  const body = toRequest(plate);
  try {
    const stored = props.id
      ? taken(
          await api.PUT('/api/pumps/{id}', { params: { path: { id: props.id } }, body, headers: { 'If-Match': etag } }),
        )
      : taken(await api.POST('/api/pumps', { body }));
    window.localStorage.removeItem(draftKey);
    await client.invalidateQueries();
    await router.push(`/pumps/${stored.id}`);
  } catch (error) {
    trouble.value = inWords(error);
    if (error instanceof Refusal)
      problems.value = Object.fromEntries(Object.entries(error.fields).map(([k, v]) => [k, v.join(' ')]));
  }
}
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <h1>{{ id ? 'Correct the pump' : 'New pump' }}</h1>
      <form @submit.prevent="save">
        <fieldset>
          <legend>Which one</legend>
          <label>Tag <input v-model="plate.tag" placeholder="FOG-2" autocomplete="off" /></label>
          <label
            >What is it? <input v-model="plate.name" placeholder="Triplex plunger, 18 x 18 mm" autocomplete="off"
          /></label>
          <label
            >What does it do? <input v-model="plate.duty" placeholder="Greenhouse fogging" autocomplete="off"
          /></label>
        </fieldset>
        <PlateFields :plate="plate" :problems="problems" />
        <RunFields :plate="plate" :problems="problems" />
        <p v-if="trouble" class="problem" role="alert">{{ trouble }}</p>
        <button type="submit" class="tap on">{{ id ? 'Store' : 'Store the pump' }}</button>
      </form>
    </main>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 1rem;
}

form :deep(fieldset) {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 0.75rem 1.5rem;
  align-items: start;
  margin: 0;
  padding: 0.5rem 1rem 1rem;
  border: 1.5px solid var(--line);
}

form :deep(legend) {
  padding: 0 0.5rem;
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 1.125rem;
}

form :deep(.check) {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  min-height: 44px;
}

form :deep(.check input) {
  width: 24px;
  min-height: 24px;
  height: 24px;
}

form :deep(.across) {
  grid-column: 1 / -1;
  margin: 0;
}

form > .tap {
  justify-self: start;
}
</style>
