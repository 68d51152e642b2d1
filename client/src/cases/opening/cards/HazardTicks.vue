<script setup lang="ts">
import { computed, ref } from 'vue';
import TickBox from '@/shared/ui/TickBox.vue';
import WhoField from '@/cases/opening/WhoField.vue';

/** What can hurt, read one by one and answered for by name before anything is done. */
const props = defineProps<{ hazards: readonly { id: string; text: string }[] }>();
const emit = defineEmits<{ acknowledge: [hazards: string[]] }>();

const read = ref<string[]>([]);
const tried = ref(false);
const left = computed(() => props.hazards.filter((h) => !read.value.includes(h.id)).length);

function go() {
  tried.value = true;
  if (left.value === 0) emit('acknowledge', read.value);
}
</script>

<template>
  <ul class="ticks">
    <li v-for="h in hazards" :key="h.id">
      <TickBox v-model="read" :value="h.id" :label="h.text" />
    </li>
  </ul>
  <p class="quiet">The maker’s manual, the site’s permit rules and local codes come before this page.</p>
  <WhoField always />
  <p v-if="tried && left" class="problem" role="alert">{{ left }} not ticked yet.</p>
  <slot label="I have read these and answer for them" :go="go"></slot>
</template>

<style scoped>
.ticks {
  padding: 0;
  margin: 0;
  list-style: none;
}
</style>
