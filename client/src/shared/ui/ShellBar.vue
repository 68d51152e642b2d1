<script setup lang="ts">
import { useRoute } from 'vue-router';
import { keysShown } from '../keys/useKeys';
import { useTheme } from '../theme/useTheme';

const { dark, toggle } = useTheme();
const route = useRoute();
</script>

<template>
  <header class="shell">
    <RouterLink class="name" to="/cases">mild hunch</RouterLink>
    <nav aria-label="Places">
      <RouterLink to="/cases" :class="{ here: route.path.startsWith('/cases') }">Cases</RouterLink>
      <RouterLink to="/pumps" :class="{ here: route.path.startsWith('/pumps') }">Pumps</RouterLink>
      <RouterLink to="/workings" :class="{ here: route.path.startsWith('/workings') }">Workings</RouterLink>
      <RouterLink to="/record" :class="{ here: route.path.startsWith('/record') }">Record</RouterLink>
    </nav>
    <div class="middle"><slot /></div>
    <button class="tap plain" type="button" @click="toggle">{{ dark ? 'Day' : 'Plant room' }}</button>
    <button class="tap plain" type="button" @click="keysShown = true">Keys <kbd>?</kbd></button>
  </header>
</template>

<style scoped>
.shell {
  display: flex;
  align-items: center;
  gap: 0.25rem 1rem;
  min-height: 52px;
  padding: 0 1rem;
  border-bottom: 2px solid var(--ink);
  background: var(--paper);
}

.name {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 1.375rem;
  color: var(--ink);
  text-decoration: none;
  white-space: nowrap;
}

nav {
  display: flex;
}

nav a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 0.75rem;
  color: var(--ink);
  font-family: var(--font-tag);
  font-weight: 500;
  font-size: 1.125rem;
  text-decoration: none;
}

nav a.here {
  text-decoration: underline;
  text-decoration-thickness: 3px;
  text-underline-offset: 6px;
}

.middle {
  flex: 1;
  min-width: 0;
}

@media (max-width: 520px) {
  kbd {
    display: none;
  }
}

@media (max-width: 1000px) {
  .shell {
    flex-wrap: wrap;
    padding: 0 0.5rem;
  }

  .middle:not(:empty) {
    order: 9;
    flex: 1 0 100%;
  }
}
</style>
