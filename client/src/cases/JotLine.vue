<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { api, inWords, taken, type CaseResource, type ChangeRequest, type JotResponse } from '@/shared/api/client';
import { useKeys } from '@/shared/keys/useKeys';

/** One line of shorthand. It shows what it understood before it counts; what is typed is kept until it is taken. */
const props = defineProps<{ data: CaseResource; tell: (change: ChangeRequest) => Promise<boolean>; trouble: string }>();

const draftKey = `mild-hunch.jot.${props.data.id}`;
const text = ref(window.localStorage.getItem(draftKey) ?? '');
const understood = ref<JotResponse>();
const problem = ref('');
const input = ref<HTMLInputElement>();
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
    problem.value = '';
    return true;
  } catch (error) {
    problem.value = inWords(error);
    return false;
  }
}

watch(
  text,
  (now) => {
    window.localStorage.setItem(draftKey, now);
    void read();
  },
  { immediate: true },
);

// A line that could not be read while the network was gone is read once it is back.
useEventListener(window, 'online', () => void read());

/** Goes on with what was suggested: the word being typed is replaced, the rest stays. */
function take(suggestion: string) {
  const kept = text.value.slice(0, text.value.length - (/[^ ,;]*$/.exec(text.value)?.[0].length ?? 0));
  text.value = `${kept}${suggestion} `;
  input.value?.focus();
}

async function add() {
  if (!(await read()) || items.value.length === 0) return;
  const jotted = items.value;
  const left = gaps.value.map((g) => g.text).join(', ');
  const done = await props.tell({
    says: text.value.trim(),
    readings: jotted.flatMap((i) => (i.reading ? [i.reading] : [])),
    cues: jotted.flatMap((i) => (i.cue ? [i.cue] : [])),
  });
  if (done) text.value = left;
}

useKeys([{ keys: '/', says: 'Jot line', run: () => input.value?.focus() }]);
</script>

<template>
  <form class="jot" @submit.prevent="add">
    <kbd aria-hidden="true">/</kbd>
    <label class="sr-only" for="jot-input">Jot line</label>
    <input
      id="jot-input"
      ref="input"
      v-model="text"
      class="figure"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      placeholder="31 bar swing 24, bucket 10 l in 49 s, weep 2 30/min"
      @keydown.esc="($event.target as HTMLInputElement).blur()"
    />
    <div class="understood" aria-live="polite">
      <button v-for="s in suggestions" :key="s" type="button" class="chip suggest" @click="take(s)">{{ s }} …</button>
      <span v-for="(i, n) in items" :key="n" class="chip">{{ i.says }}</span>
      <span v-for="g in gaps" :key="`gap-${g.start}`" class="chip gap">{{ g.text }}: {{ g.problem }}</span>
      <span v-if="problem || trouble" class="chip gap" role="alert">{{ problem || trouble }}</span>
    </div>
    <button type="submit" class="tap add" :disabled="!text.trim()">Add</button>
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

input {
  flex: 1 1 24rem;
  min-width: 8rem;
  min-height: 44px;
  padding: 0 0.75rem;
  border: 1.5px solid transparent;
  border-radius: 4px;
  background: var(--bar-2);
  color: var(--bar-ink);
  font-size: 1.0625rem;
}

input::placeholder {
  color: #b7beb8;
  opacity: 1;
}

input:focus-visible {
  outline-color: #7cc3d4;
}

.understood {
  display: flex;
  flex: 0 1 auto;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
  max-width: 46%;
  max-height: 5rem;
  overflow-y: auto;
}

.chip {
  padding: 0.2rem 0.5rem;
  border-radius: 4px;
  background: #17657a;
  color: #ffffff;
  font-size: 0.875rem;
}

.chip.suggest {
  min-height: 44px;
  border: 1.5px dashed #b7beb8;
  background: transparent;
  color: var(--bar-ink);
  font: inherit;
  font-size: 0.875rem;
  cursor: pointer;
}

.chip.gap {
  background: #f3d9cb;
  color: #6d2409;
}

.add:disabled {
  background: transparent;
  border-color: #5d6a66;
  color: #b7beb8;
}

@media (max-width: 700px) {
  .jot {
    flex-wrap: wrap;
  }

  .understood {
    order: 3;
    max-width: 100%;
  }

  kbd {
    display: none;
  }
}
</style>
