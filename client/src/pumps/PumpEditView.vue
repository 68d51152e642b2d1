<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import Button from 'primevue/button';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, inWords, Refusal, taken } from '@/shared/api/client';
import ShellBar from '@/shared/ui/ShellBar.vue';
import PlateFields from './PlateFields.vue';
import RunFields from './RunFields.vue';
import { problemsOf, toRequest } from './plate';
import { usePlateDraft } from './usePlateDraft';

/** The type plate, typed in once. What is typed is kept until it is stored. */
const props = defineProps<{ id?: string }>();
const router = useRouter();
const client = useQueryClient();
const draft = usePlateDraft(props.id);
const { plate, etag, conflicts, trouble } = draft;
const problems = ref<Record<string, string>>({});

async function save() {
  problems.value = problemsOf(plate);
  trouble.value = Object.keys(problems.value).length ? 'Some figures cannot be read yet; they are marked below.' : '';
  if (trouble.value) return;
  const body = toRequest(plate);
  try {
    const stored = props.id
      ? taken(
          await api.PUT('/api/pumps/{id}', {
            params: { path: { id: props.id } },
            body,
            headers: { 'If-Match': etag.value },
          }),
        )
      : taken(await api.POST('/api/pumps', { body }));
    draft.done();
    await client.invalidateQueries();
    await router.push(`/pumps/${stored.id}`);
  } catch (error) {
    if (error instanceof Refusal && error.status === 412) {
      await draft.renew();
      trouble.value =
        'Somebody corrected this pump meanwhile, so nothing is stored yet. Look it over, then store it again.';
      return;
    }
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
        <div v-if="conflicts.length" class="conflicts" role="alert">
          <p>
            Somebody corrected this pump after you began to type. What only they changed stands here now; these you both
            changed, and yours stays where you leave it:
          </p>
          <ul>
            <li v-for="c in conflicts" :key="c.field">
              <span>{{ c.name }}: yours {{ c.mine }}, theirs {{ c.theirs }}</span>
              <Button label="Take theirs" severity="secondary" variant="outlined" @click="draft.takeTheirs(c)" />
            </li>
          </ul>
        </div>
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

.conflicts {
  padding: 0.5rem 1rem;
  border-left: 4px solid var(--suspect);
  background: var(--card);
}

.conflicts ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.conflicts li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: center;
  padding: 0.25rem 0;
}

.conflicts p {
  margin: 0.25rem 0;
}

form > .tap {
  justify-self: start;
}
</style>
