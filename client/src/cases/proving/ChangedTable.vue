<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';
import { quantity } from '@/shared/format';

/** What was read before the mend and after it. */
defineProps<{ changed: Schemas['BeforeAfterDto'][] }>();
</script>

<template>
  <table v-if="changed.length">
    <thead>
      <tr>
        <th scope="col">Read</th>
        <th scope="col">Before</th>
        <th scope="col">After</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="c in changed" :key="c.quantity">
        <th scope="row">{{ c.name }}</th>
        <td class="figure">{{ c.before ? quantity(c.before) : '–' }}</td>
        <td class="figure">{{ c.after ? quantity(c.after) : '–' }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}

th {
  font-weight: 400;
  text-align: left;
}

td,
th[scope='col'] + th {
  text-align: right;
}
</style>
