<script setup lang="ts">
import Button from 'primevue/button';
import Message from 'primevue/message';
import { computed, ref } from 'vue';
import { api, inWords, problemsIn, Refusal, taken, type PumpResource, type Schemas } from '@/shared/api/client';
import DoubtDialog from '@/shared/doubt/DoubtDialog.vue';
import { useDoubts } from '@/shared/doubt/useDoubts';
import { useDraft } from '@/shared/drafts/useDraft';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import PhotoStrip from '@/shared/ui/PhotoStrip.vue';
import TextField from '@/shared/ui/TextField.vue';
import BoltFigures from './BoltFigures.vue';
import KitFigures from './KitFigures.vue';
import { meant, problemsOf, toForm, toSheet } from './serviceForm';

/** What the maker prints and the shop knows: torques in whatever unit they come, bolts, kits, sizes, intervals, photographs. */
const props = defineProps<{ pump: PumpResource; sheets: Schemas['SheetsOfPumpResponse'] }>();
const emit = defineEmits<{ saved: [] }>();

const versions = computed(() => props.sheets.sheets.flatMap((s) => s.versions));
const draft = useDraft(
  `mild-hunch.service.${props.pump.id}`,
  () => toForm(props.pump.sheet, versions.value),
  (kept) => ({
    ...toForm({}, []),
    ...kept,
  }),
);
const form = draft.typed;
const doubts = useDoubts();
const refused = ref<Record<string, string>>({});
const trouble = ref('');
const busy = ref(false);
const said = ref('');
const problems = computed(() => ({ ...refused.value, ...problemsOf(form.value) }));

const parts = computed(() =>
  props.sheets.sheets.flatMap((s) =>
    s.parts.filter((p) => p.renewed).map((p) => ({ value: p.part, text: p.name, count: p.count })),
  ),
);
const part = (id: string) => form.value.parts[id] ?? { size: '', price: '' };
const editPart = (id: string, change: Partial<{ size: string; price: string }>) =>
  (form.value = { ...form.value, parts: { ...form.value.parts, [id]: { ...part(id), ...change } } });
const measured = computed(() =>
  props.sheets.sheets.flatMap((s) =>
    s.parts.flatMap((p) => p.measured.map((m) => ({ key: `${p.part}: ${m}`, text: `${p.name}: ${m}` }))),
  ),
);
const limit = (key: string) => form.value.limits[key] ?? { least: '', most: '' };
const editLimit = (key: string, change: Partial<{ least: string; most: string }>) =>
  (form.value = { ...form.value, limits: { ...form.value.limits, [key]: { ...limit(key), ...change } } });
const photos = computed({
  get: () => form.value.photos.map((p) => p.hash),
  set: (hashes: string[]) =>
    (form.value = {
      ...form.value,
      photos: hashes.map((hash) => form.value.photos.find((p) => p.hash === hash) ?? { hash, of: 'plate or plumbing' }),
    }),
});

async function save(sure = false): Promise<void> {
  said.value = '';
  if (Object.keys(problemsOf(form.value)).length) {
    trouble.value = 'Something cannot be read; it is marked where it stands.';
    return;
  }
  busy.value = true;
  try {
    taken(
      await api.PUT('/api/pumps/{id}/sheet', {
        params: { path: { id: props.pump.id } },
        headers: { 'If-Match': `"${props.pump.version}"` },
        body: { sheet: toSheet(form.value), sure: sure || undefined },
      }),
    );
    refused.value = {};
    trouble.value = '';
    said.value = 'Noted.';
    draft.done();
    emit('saved');
  } catch (error) {
    if (error instanceof Refusal && error.doubts.length) {
      const decision = await doubts.ask(error.doubts);
      if (decision) {
        if ('sure' in decision) return await save(true);
        form.value = meant(form.value, decision.doubt.field, decision.meant);
        return await save();
      }
      trouble.value = 'Nothing was noted; what you typed is still there.';
      return;
    }
    refused.value = problemsIn(error);
    trouble.value = inWords(error);
    if (error instanceof Refusal && error.status === 412) emit('saved');
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <form class="figures" novalidate @submit.prevent="save()">
    <header>
      <RouterLink class="plate" :to="`/pumps/${pump.id}`">{{ pump.tag }}</RouterLink>
      <div>
        <h1 tabindex="-1">Service figures</h1>
        <p class="quiet">
          The maker’s figures win. What is missing is estimated where that is safe, and said to be an estimate.
        </p>
      </div>
    </header>
    <section v-if="sheets.choices.length > 1 || versions.length" aria-labelledby="built-title">
      <h2 id="built-title">How it is built</h2>
      <div class="grid">
        <ChoiceField
          v-if="sheets.choices.length > 1"
          v-model="form.sheet"
          label="Opened by"
          :options="[
            { value: '', text: `${sheets.choices[0]?.name} (assumed)` },
            ...sheets.choices.map((c) => ({ value: c.part, text: c.name })),
          ]"
        />
        <ChoiceField
          v-for="v in versions"
          :key="v.id"
          :model-value="form.choices[v.id] ?? ''"
          :label="v.name"
          :options="[
            { value: '', text: `${v.choices[0]?.name} (assumed)` },
            ...v.choices.map((c) => ({ value: c.part, text: c.name })),
          ]"
          @update:model-value="form = { ...form, choices: { ...form.choices, [v.id]: $event } }"
        />
      </div>
    </section>
    <section aria-labelledby="bolts-title">
      <h2 id="bolts-title">Bolts</h2>
      <template v-for="s in sheets.sheets" :key="s.id">
        <h3 v-if="s.beside && s.groups.length" class="quiet">{{ s.name }}</h3>
        <BoltFigures
          v-for="g in s.groups"
          :key="g.group"
          :model-value="form.bolts[g.group]"
          :group="g"
          :sizes="sheets.sizes"
          :grades="sheets.grades"
          :problem="problems[`sheet.torques.${g.group}`] ?? problems[`sheet.bolts.${g.group}.size`]"
          :problems="problems"
          @update:model-value="$event && (form = { ...form, bolts: { ...form.bolts, [g.group]: $event } })"
        />
      </template>
    </section>
    <section aria-labelledby="kits-title">
      <h2 id="kits-title">Kits</h2>
      <KitFigures v-model="form.kits" :parts="parts" :currency="sheets.currency" :problems="problems" />
    </section>
    <section aria-labelledby="parts-title">
      <h2 id="parts-title">Parts by themselves</h2>
      <div v-for="p in parts" :key="p.value" class="part" role="group" :aria-label="p.text">
        <span
          >{{ p.text }} <span class="quiet">{{ p.count }} in this pump</span></span
        >
        <TextField
          :model-value="part(p.value).size"
          label="Size"
          :placeholder="/ring|gasket/i.test(p.text) ? '14 x 2' : undefined"
          :problem="problems[`sheet.sizes.${p.value}`]"
          @update:model-value="editPart(p.value, { size: $event })"
        />
        <EntryField
          :model-value="part(p.value).price"
          label="Price of one"
          :units="[sheets.currency]"
          :problem="problems[`sheet.prices.${p.value}`]"
          @update:model-value="editPart(p.value, { price: $event })"
        />
      </div>
    </section>
    <section v-if="measured.length" aria-labelledby="limits-title">
      <h2 id="limits-title">Limits of what is measured</h2>
      <div v-for="m in measured" :key="m.key" class="part" role="group" :aria-label="m.text">
        <span>{{ m.text }}</span>
        <EntryField
          :model-value="limit(m.key).least"
          label="Not below"
          :units="['mm']"
          :problem="problems[`sheet.limits.${m.key}.least`]"
          @update:model-value="editLimit(m.key, { least: $event })"
        />
        <EntryField
          :model-value="limit(m.key).most"
          label="Not above"
          :units="['mm']"
          :problem="problems[`sheet.limits.${m.key}.most`]"
          @update:model-value="editLimit(m.key, { most: $event })"
        />
      </div>
    </section>
    <section aria-labelledby="rest-title">
      <h2 id="rest-title">Oil, grease and when it is due</h2>
      <div class="grid">
        <TextField v-model="form.oil" label="Oil" :problem="problems['sheet.oil']" />
        <TextField v-model="form.grease" label="Grease that suits its seals" :problem="problems['sheet.grease']" />
        <EntryField
          v-model="form.hours"
          label="Serviced every"
          :units="['h']"
          :problem="problems['sheet.interval.hours']"
        />
        <EntryField
          v-model="form.sealChanges"
          label="Or every so many changes of the seals"
          :problem="problems['sheet.interval.sealChanges']"
        />
        <EntryField
          v-model="form.newPump"
          label="A new pump costs"
          :units="[sheets.currency]"
          :problem="problems['sheet.newPump']"
        />
      </div>
    </section>
    <section aria-labelledby="photos-title">
      <h2 id="photos-title">Photographs of plate and plumbing</h2>
      <PhotoStrip :photos="photos" @change="photos = $event" />
    </section>
    <footer>
      <Message v-if="trouble" severity="error" :closable="false">{{ trouble }}</Message>
      <span v-else-if="said && !draft.changed.value" aria-live="polite">{{ said }}</span>
      <Button type="submit" label="Note these figures" :disabled="busy || !draft.changed.value" />
    </footer>
    <DoubtDialog :doubts="doubts" />
  </form>
</template>

<style scoped>
.figures {
  display: grid;
  gap: 1.25rem;
}

.plate {
  min-height: 44px;
}

/* What is chosen is read whole. */
.figures :deep(.p-select-label) {
  white-space: normal;
}

header {
  display: flex;
  gap: 1rem;
  align-items: center;
}

p {
  margin: 0;
}

section {
  display: grid;
  gap: 0.5rem;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 0.5rem 1rem;
  align-items: end;
}

.part {
  display: grid;
  grid-template-columns: minmax(10rem, 2fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 0.75rem;
  align-items: end;
  padding-bottom: 0.35rem;
  border-bottom: 1px solid var(--line);
}

.part > span {
  align-self: center;
}

footer {
  position: sticky;
  bottom: 0;
  display: flex;
  gap: 1rem;
  align-items: center;
  justify-content: flex-end;
  padding: 0.6rem 0;
  border-top: 2px solid var(--ink);
  background: var(--paper);
}

@media (max-width: 640px) {
  .part {
    grid-template-columns: 1fr 1fr;
  }

  .part > span {
    grid-column: 1 / -1;
  }
}
</style>
