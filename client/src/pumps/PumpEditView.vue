<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { onMounted, reactive, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, inWords, Refusal, taken } from '@/shared/api/client';
import ShellBar from '@/shared/ui/ShellBar.vue';
import QuantityInput from './QuantityInput.vue';
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
        <fieldset>
          <legend>Type plate and drawing</legend>
          <label
            >Cylinders
            <select v-model.number="plate.cylinders">
              <option v-for="k in 7" :key="k" :value="k">{{ k }}</option>
            </select></label
          >
          <QuantityInput
            v-model="plate.plungerDiameter"
            label="Plunger diameter"
            :units="['mm', 'in']"
            :problem="problems['pump.plungerDiameter']"
          />
          <QuantityInput
            v-model="plate.stroke"
            label="Stroke"
            :units="['mm', 'in']"
            :problem="problems['pump.stroke']"
          />
          <QuantityInput
            v-model="plate.ratedSpeed"
            label="Rated speed"
            :units="['rpm']"
            :problem="problems['pump.ratedSpeed']"
          />
          <QuantityInput
            v-model="plate.ratedPressure"
            label="Rated pressure"
            :units="['bar', 'MPa', 'psi']"
            :problem="problems['pump.ratedPressure']"
          />
          <label
            >Control
            <select v-model="plate.control">
              <option value="unloader">unloader</option>
              <option value="regulator">regulator</option>
              <option value="auto-stop">auto stop</option>
              <option value="relief">relief only</option>
              <option value="none">none</option>
            </select></label
          >
          <label
            >Head
            <select v-model="plate.headLayout">
              <option value="six-caps">a cap for every valve</option>
              <option value="stacked-bore">valves stacked in one bore</option>
            </select></label
          >
          <label
            >High-pressure seal returns
            <select v-model="plate.sealReturn">
              <option value="inlet">to the inlet</option>
              <option value="weep">to the weep</option>
            </select></label
          >
        </fieldset>
        <fieldset>
          <legend>As it is run</legend>
          <QuantityInput v-model="plate.speed" label="Speed" :units="['rpm']" :problem="problems['setup.speed']" />
          <QuantityInput
            v-model="plate.nozzleFlow"
            label="Nozzle passes, when sound"
            :units="['L/min', 'US gal/min', 'm³/h']"
            :problem="problems['setup.nozzle.flow']"
          />
          <QuantityInput
            v-model="plate.nozzleAt"
            label="at this pressure"
            :units="['bar', 'MPa', 'psi']"
            :problem="problems['setup.nozzle.at']"
          />
          <QuantityInput
            v-if="plate.control !== 'none'"
            v-model="plate.controlSetting"
            label="Control opens at"
            :units="['bar', 'MPa', 'psi']"
            :problem="problems['setup.controlSetting']"
          />
          <label
            >Between pump and nozzle
            <select v-model="plate.line">
              <option value="hose">a hose</option>
              <option value="rigid">rigid pipe</option>
              <option value="unknown">not known</option>
            </select></label
          >
          <QuantityInput
            v-model="plate.temperature"
            label="Water temperature"
            :units="['°C', '°F']"
            :problem="problems['setup.temperature']"
          />
          <QuantityInput
            v-model="plate.voltage"
            label="Three-phase motor, between phases"
            :units="['V']"
            :problem="problems['setup.voltage']"
          />
        </fieldset>
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

fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 0.75rem 1.5rem;
  margin: 0;
  padding: 0.5rem 1rem 1rem;
  border: 1.5px solid var(--line);
}

legend {
  padding: 0 0.5rem;
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 1.125rem;
}

form > .tap {
  justify-self: start;
}
</style>
