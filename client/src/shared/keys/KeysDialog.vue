<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed } from 'vue';
import { allKeys } from './useKeys';

const visible = defineModel<boolean>('visible', { required: true });
const keys = computed(() => (visible.value ? allKeys() : []));
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Keys" :style="{ width: 'min(30rem, 94vw)' }">
    <dl>
      <template v-for="key in keys" :key="key.keys">
        <dt>
          <kbd v-for="stroke in key.keys.split(' ')" :key="stroke">{{ stroke }}</kbd>
        </dt>
        <dd>{{ key.says }}</dd>
      </template>
    </dl>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.5rem 1rem;
  margin: 0;
}

dt {
  display: flex;
  gap: 0.25rem;
}

dd {
  margin: 0;
}
</style>
