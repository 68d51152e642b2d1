<script setup lang="ts">
import Message from 'primevue/message';
import type { Schemas } from '@/shared/api/client';

/** Pumps that are left out because what is stored of them cannot be read: each named, with why and the way to it. */
defineProps<{ pumps?: Schemas['UnreadPump'][] }>();
</script>

<template>
  <Message v-for="p in pumps ?? []" :key="p.id" severity="warn" :closable="false">
    <RouterLink :to="`/pumps/${p.id}/edit`">{{ p.tag }}</RouterLink> is left out until it is corrected: {{ p.why }}
  </Message>
</template>
