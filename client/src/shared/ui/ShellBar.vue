<script setup lang="ts">
import Button from 'primevue/button';
import Popover from 'primevue/popover';
import { ref } from 'vue';
import { useRoute } from 'vue-router';
import { keysShown } from '../keys/useKeys';
import DisplayChoices from './DisplayChoices.vue';

const route = useRoute();
const display = ref<InstanceType<typeof Popover>>();
const places = [
  { to: '/cases', name: 'Cases' },
  { to: '/pumps', name: 'Pumps' },
  { to: '/due', name: 'Due' },
  { to: '/workings', name: 'Workings' },
  { to: '/record', name: 'Record' },
  { to: '/shop', name: 'Shop' },
];
const isHere = (to: string) => route.path.startsWith(to);
</script>

<template>
  <header class="shell">
    <RouterLink class="name" to="/cases">mild hunch</RouterLink>
    <nav aria-label="Places">
      <RouterLink
        v-for="p in places"
        :key="p.to"
        :to="p.to"
        :class="{ here: isHere(p.to) }"
        :aria-current="isHere(p.to) ? 'true' : undefined"
        >{{ p.name }}</RouterLink
      >
    </nav>
    <div class="middle"><slot /></div>
    <Button variant="text" severity="secondary" aria-haspopup="dialog" @click="display?.toggle($event)">Display</Button>
    <Button variant="text" severity="secondary" class="keys" @click="keysShown = true">Keys <kbd>?</kbd></Button>
    <Popover ref="display" :pt="{ root: { 'aria-label': 'Display' } }">
      <DisplayChoices />
    </Popover>
  </header>
</template>

<style scoped>
.shell {
  display: flex;
  align-items: center;
  gap: 0.25rem 0.75rem;
  min-height: 52px;
  padding: 0 0.5rem 0 1rem;
  border-bottom: 2px solid var(--ink);
  background: var(--paper);
}

.name {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  color: var(--ink);
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 1.375rem;
  text-decoration: none;
  white-space: nowrap;
}

nav {
  display: flex;
}

nav a {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  min-width: 44px;
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
  align-self: stretch;
  min-width: 0;
}

.keys {
  white-space: nowrap;
}

@media (max-width: 1000px) {
  .shell {
    flex-wrap: wrap;
    padding: 0 0.5rem;
  }

  nav a {
    padding: 0 0.5rem;
  }

  .middle:not(:empty) {
    order: 9;
    flex: 1 0 100%;
  }
}

@media (max-width: 520px) {
  .keys {
    display: none;
  }

  .shell {
    gap: 0;
    justify-content: space-between;
  }

  .shell > :not(nav) {
    padding-inline: 0.2rem;
  }

  .name {
    font-size: 1.125rem;
  }

  .middle:empty {
    display: none;
  }

  nav a {
    min-width: 44px;
    padding: 0 0.2rem;
    justify-content: center;
    font-size: 1.0625rem;
  }
}

@media print {
  .shell {
    display: none;
  }
}
</style>
