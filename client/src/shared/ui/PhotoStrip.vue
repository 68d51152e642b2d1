<script setup lang="ts">
import Button from 'primevue/button';
import { ref } from 'vue';
import { inWords, Refusal } from '@/shared/api/client';

/** Photographs from the camera or from a file; each is kept as soon as it is taken. */
const props = defineProps<{ photos: readonly string[] }>();
const emit = defineEmits<{ change: [photos: string[]] }>();

const most = 20;
const file = ref<HTMLInputElement>();
const busy = ref(false);
const trouble = ref('');

async function add(event: Event) {
  const input = event.target as HTMLInputElement;
  const chosen = input.files?.[0];
  if (!chosen) return;
  trouble.value = '';
  busy.value = true;
  try {
    if (chosen.size > most * 1024 * 1024)
      throw new Refusal(
        413,
        `This file has ${Math.round(chosen.size / 1024 / 1024)} MB; at most ${most} MB are taken in.`,
      );
    const response = await fetch('/api/photos', {
      method: 'POST',
      headers: { 'Content-Type': chosen.type || 'application/octet-stream' },
      body: chosen,
    });
    const body = (await response.json()) as { hash?: string; detail?: string };
    if (!response.ok || !body.hash) throw new Refusal(response.status, body.detail ?? 'It was not taken in.');
    if (!props.photos.includes(body.hash)) emit('change', [...props.photos, body.hash]);
    input.value = '';
  } catch (error) {
    trouble.value = `${inWords(error)} The photograph is still on this device.`;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="strip">
    <a v-for="p in photos" :key="p" :href="`/api/photos/${p}`" target="_blank" rel="noopener">
      <img :src="`/api/photos/${p}`" alt="Photograph of the part" loading="lazy" />
    </a>
    <Button
      severity="secondary"
      variant="outlined"
      :label="busy ? 'Keeping it …' : 'Photograph'"
      :disabled="busy"
      @click="file?.click()"
    />
    <input
      ref="file"
      class="sr-only"
      type="file"
      accept="image/*"
      aria-label="Photograph from camera or file"
      tabindex="-1"
      @change="add"
    />
    <p v-if="trouble" class="problem" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
}

img {
  display: block;
  width: 64px;
  height: 48px;
  border: 1px solid var(--line);
  object-fit: cover;
}
</style>
