<script setup lang="ts">
import { useEventListener, useMediaQuery } from '@vueuse/core';
import Button from 'primevue/button';
import Chip from 'primevue/chip';
import InputText from 'primevue/inputtext';
import { computed, ref, watch } from 'vue';
import { api, inWords, taken, type CaseResource, type ChangeRequest, type JotResponse } from '@/shared/api/client';
import { useDraft } from '@/shared/drafts/useDraft';
import { useKeys } from '@/shared/keys/useKeys';

/** One line of shorthand. It shows what it understood before it counts; what is typed is kept until it is taken. */
const props = defineProps<{ data: CaseResource; tell: (change: ChangeRequest) => Promise<boolean>; trouble: string }>();

const { typed: text } = useDraft(`mild-hunch.jot.${props.data.id}`, () => '');
const understood = ref<JotResponse>();
/** The line that was understood; what is typed since has not been read yet. */
const readLine = ref('');
const problem = ref('');
const focus = () => document.getElementById('jot-input')?.focus();
const leave = () => document.getElementById('jot-input')?.blur();
const narrow = useMediaQuery('(max-width: 640px)');
let latest = 0;

const items = computed(() => understood.value?.items ?? []);
const gaps = computed(() => understood.value?.notUnderstood ?? []);
const suggestions = computed(() => understood.value?.suggestions ?? []);

async function read(): Promise<boolean> {
  const mine = ++latest;
  const line = text.value;
  if (!line.trim()) {
    understood.value = undefined;
    problem.value = '';
    return false;
  }
  try {
    const answer = taken(await api.POST('/api/jot', { body: { pump: props.data.pump.pump, text: line } }));
    if (mine !== latest) return false;
    understood.value = answer;
    readLine.value = line;
    problem.value = '';
    return true;
  } catch (error) {
    problem.value = inWords(error);
    return false;
  }
}

watch(text, () => void read(), { immediate: true });

// A line that could not be read while the network was gone is read once it is back.
useEventListener(window, 'online', () => void read());

/** Goes on with what was suggested: the word being typed is replaced, the rest stays. */
function take(suggestion: string) {
  const kept = text.value.slice(0, text.value.length - (/[^ ,;]*$/.exec(text.value)?.[0].length ?? 0));
  text.value = `${kept}${suggestion} `;
  focus();
}

async function add() {
  const isRead = understood.value !== undefined && readLine.value === text.value;
  if (!(isRead || (await read())) || items.value.length === 0) return;
  const jotted = items.value;
  const left = gaps.value.map((g) => g.text).join(', ');
  const done = await props.tell({
    says: text.value.trim(),
    readings: jotted.flatMap((i) => (i.reading ? [i.reading] : [])),
    cues: jotted.flatMap((i) => (i.cue ? [i.cue] : [])),
  });
  if (done) text.value = left;
}

useKeys([{ keys: '/', says: 'Jot line', run: focus }]);
</script>

<template>
  <form class="jot" aria-label="Jot line" @submit.prevent="add">
    <kbd aria-hidden="true">/</kbd>
    <label class="sr-only" for="jot-input">Jot line</label>
    <InputText
      id="jot-input"
      v-model="text"
      class="line figure"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      :placeholder="narrow ? '31 bar, weep 2 30/min' : '31 bar swing 24, bucket 10 l in 49 s, weep 2 30/min'"
      @keydown.esc="leave"
    />
    <div class="understood" aria-live="polite">
      <Button v-for="s in suggestions" :key="s" class="suggest" :label="`${s} …`" @click="take(s)" />
      <Chip v-for="(i, n) in items" :key="n" :label="i.says" />
      <Chip v-for="g in gaps" :key="`gap-${g.start}`" class="gap" :label="`${g.text}: ${g.problem}`" />
      <Chip v-if="problem || trouble" class="gap" role="alert" :label="problem || trouble" />
    </div>
    <Button type="submit" class="add" label="Add" :disabled="!text.trim()" />
  </form>
</template>

<style scoped>
.jot {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  min-height: 56px;
  padding: 0.35rem 1rem;
  background: var(--bar);
  color: var(--bar-ink);
}

.line.line {
  flex: 1 1 16rem;
  min-width: 0;
  border-color: transparent;
  background: var(--bar-2);
  color: var(--bar-ink);
  font-size: 1.0625rem;
}

.line::placeholder {
  color: #b7beb8;
  opacity: 1;
}

.line:focus-visible {
  outline-color: #7cc3d4;
}

.understood {
  display: flex;
  flex: 0 1 auto;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
  max-width: 46%;
}

.understood .p-chip {
  background: #17657a;
  color: #ffffff;
  font-size: 0.9375rem;
}

.understood .gap {
  background: #f3d9cb;
  color: #6d2409;
}

.suggest.suggest {
  border: 1.5px dashed #b7beb8;
  background: transparent;
  color: var(--bar-ink);
  font-size: 0.9375rem;
}

.add.add:disabled {
  border-color: #5d6a66;
  background: transparent;
  color: #b7beb8;
}

@media (max-width: 900px) {
  .jot {
    flex-wrap: wrap;
  }

  .understood:not(:empty) {
    order: -1;
    flex-basis: 100%;
    max-width: 100%;
  }

  kbd {
    display: none;
  }
}

@media print {
  .jot {
    display: none;
  }
}
</style>
