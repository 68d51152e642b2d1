<script setup lang="ts">
import { nextTick } from 'vue';
import { RouterView, useRouter, type RouteLocationNormalizedLoaded } from 'vue-router';
import ArchiveMessages from '@/shared/archive/ArchiveMessages.vue';
import KeysDialog from '@/shared/keys/KeysDialog.vue';
import { keysShown, useKeyListener, useKeys } from '@/shared/keys/useKeys';
import { useTheme } from '@/shared/theme/useTheme';

const router = useRouter();
const { toggle } = useTheme();

/** A case keeps its page from stage to stage, and the workings from sum to sum. */
const pageOf = ({ path }: Pick<RouteLocationNormalizedLoaded, 'path'>) =>
  /^\/cases\/[^/]+/.exec(path)?.[0] ?? (path.startsWith('/workings') ? '/workings' : path);

// On a new page a reader starts at its heading, not at the button that led here.
router.afterEach((to, from) => {
  if (from.matched.length && pageOf(to) !== pageOf(from))
    void nextTick(() => document.querySelector<HTMLElement>('h1')?.focus({ preventScroll: true }));
});

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
  <RouterView v-slot="{ Component, route }">
    <component :is="Component" :key="pageOf(route)" />
  </RouterView>
  <ArchiveMessages />
  <KeysDialog v-model:visible="keysShown" />
</template>
