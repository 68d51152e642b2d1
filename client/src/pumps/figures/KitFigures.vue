<script setup lang="ts">
import Button from 'primevue/button';
import ChoiceField from '@/shared/ui/ChoiceField.vue';
import EntryField from '@/shared/ui/EntryField.vue';
import TextField from '@/shared/ui/TextField.vue';
import type { KitForm } from './serviceForm';

/** Kits as they are sold: their name, price, and how many of which part they hold. */
const kits = defineModel<KitForm[]>({ required: true });
defineProps<{
  parts: readonly { value: string; text: string }[];
  currency: string;
  problems: Record<string, string>;
}>();

const edit = (k: number, change: Partial<KitForm>) =>
  (kits.value = kits.value.map((kit, i) => (i === k ? { ...kit, ...change } : kit)));
const hold = (k: number, h: number, change: Partial<KitForm['holds'][number]>) =>
  edit(k, { holds: kits.value[k]?.holds.map((held, i) => (i === h ? { ...held, ...change } : held)) ?? [] });
</script>

<template>
  <div class="kits">
    <fieldset v-for="(kit, k) in kits" :key="k">
      <legend class="sr-only">Kit {{ k + 1 }}</legend>
      <TextField
        :model-value="kit.name"
        label="Kit, name or number"
        :problem="problems[`sheet.kits[${k}].name`]"
        @update:model-value="edit(k, { name: $event })"
      />
      <EntryField
        :model-value="kit.price"
        label="Price of one"
        :units="[currency]"
        :problem="problems[`sheet.kits[${k}].price`]"
        @update:model-value="edit(k, { price: $event })"
      />
      <div v-for="(held, h) in kit.holds" :key="h" class="held">
        <ChoiceField
          :model-value="held.part"
          label="Holds"
          :options="parts"
          placeholder="part"
          @update:model-value="hold(k, h, { part: $event })"
        />
        <EntryField
          :model-value="held.count"
          label="How many"
          :problem="problems[`sheet.kits[${k}].holds.${held.part}`]"
          @update:model-value="hold(k, h, { count: $event })"
        />
        <Button
          variant="text"
          severity="secondary"
          label="Not in it"
          @click="edit(k, { holds: kit.holds.filter((_, i) => i !== h) })"
        />
      </div>
      <p v-if="problems[`sheet.kits[${k}].holds`]" class="problem" role="alert">
        {{ problems[`sheet.kits[${k}].holds`] }}
      </p>
      <div class="row">
        <Button
          severity="secondary"
          variant="outlined"
          label="Another part in it"
          @click="edit(k, { holds: [...kit.holds, { part: '', count: '1' }] })"
        />
        <Button
          variant="text"
          severity="secondary"
          label="Take this kit out"
          @click="kits = kits.filter((_, i) => i !== k)"
        />
      </div>
    </fieldset>
    <Button
      severity="secondary"
      variant="outlined"
      label="Add a kit"
      @click="kits = [...kits, { name: '', price: '', holds: [{ part: '', count: '1' }] }]"
    />
  </div>
</template>

<style scoped>
.kits {
  display: grid;
  gap: 0.75rem;
  justify-items: start;
}

fieldset {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: 0.5rem 0.75rem;
  align-items: end;
  width: 100%;
  margin: 0;
  padding: 0 0 0.75rem;
  border: 0;
  border-bottom: 1px solid var(--line);
}

.held {
  display: grid;
  grid-column: 1 / -1;
  grid-template-columns: minmax(0, 2fr) minmax(5rem, 1fr) auto;
  gap: 0.75rem;
  align-items: end;
}

@media (max-width: 640px) {
  fieldset,
  .held {
    grid-template-columns: minmax(0, 1fr);
  }
}

.row {
  grid-column: 1 / -1;
}
</style>
