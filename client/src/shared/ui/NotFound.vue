<script setup lang="ts">
import { useTitle } from '@vueuse/core';
import ShellBar from './ShellBar.vue';

useTitle('No such page · Mild Hunch');
</script>

<template>
  <div>
    <ShellBar />
    <main class="sheet">
      <h1 tabindex="-1">There is no page at this address</h1>
      <p>It may have been typed wrongly, or what stood here has gone.</p>
      <p>
        <RouterLink class="link" to="/cases">Cases</RouterLink> ·
        <RouterLink class="link" to="/pumps">Pumps</RouterLink>
      </p>
    </main>
  </div>
</template>
