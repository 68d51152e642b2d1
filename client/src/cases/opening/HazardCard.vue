<script setup lang="ts">
import { computed, ref } from 'vue';
import TickBox from '@/shared/ui/TickBox.vue';
import GoButton from './GoButton.vue';
import WhoField from './WhoField.vue';
import type { Plan, Work } from './cards';

/** What can hurt, read one by one and answered for by name; anew each time the pump goes from running to open. */
const props = defineProps<{ plan: Plan; work: Work }>();
const emit = defineEmits<{ acknowledge: [hazards: string[]]; next: [] }>();

const read = ref<string[]>([]);
const tried = ref(false);
const left = computed(() => props.plan.hazards.filter((h) => !read.value.includes(h.id)).length);

function go() {
  tried.value = true;
  if (left.value === 0) emit('acknowledge', read.value);
}
</script>

<template>
  <section class="card" aria-labelledby="hazards-title">
    <h2 id="hazards-title">What can hurt you here</h2>
    <template v-if="work.acknowledged">
      <p>
        Read by <b>{{ work.acknowledged.by }}</b>,
        {{ new Date(work.acknowledged.at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' }) }}.
      </p>
      <ul>
        <li v-for="h in plan.hazards" :key="h.id">{{ h.text }}</li>
      </ul>
      <GoButton label="Go on" @go="emit('next')" />
    </template>
    <template v-else>
      <ul class="ticks">
        <li v-for="h in plan.hazards" :key="h.id">
          <TickBox v-model="read" :value="h.id" :label="h.text" />
        </li>
      </ul>
      <p class="quiet">The maker’s manual, the site’s permit rules and local codes come before this page.</p>
      <WhoField always />
      <p v-if="tried && left" class="problem" role="alert">{{ left }} not ticked yet.</p>
      <GoButton label="I have read these and answer for them" @go="go" />
    </template>
  </section>
</template>

<style scoped src="./card.css"></style>
<style scoped>
.ticks {
  padding: 0;
  list-style: none;
}
</style>
