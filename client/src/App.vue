<script setup lang="ts">
import { RouterView, useRouter } from 'vue-router';
import KeysDialog from './shared/keys/KeysDialog.vue';
import { keysShown, useKeyListener, useKeys } from './shared/keys/useKeys';
import { useTheme } from './shared/theme/useTheme';

const router = useRouter();
const { toggle } = useTheme();

useKeyListener();
useKeys([
  { keys: 'g c', says: 'Go to the cases', run: () => void router.push('/cases') },
  { keys: 'g p', says: 'Go to the pumps', run: () => void router.push('/pumps') },
  { keys: 'g w', says: 'Go to the workings', run: () => void router.push('/workings') },
  { keys: 'd', says: 'Day or plant-room colours', run: toggle },
  { keys: '?', says: 'Show all keys', run: () => (keysShown.value = true) },
]);
</script>

<template>
  <RouterView :key="$route.path.startsWith('/workings') ? '/workings' : $route.path" />
  <KeysDialog v-model:visible="keysShown" />
</template>
