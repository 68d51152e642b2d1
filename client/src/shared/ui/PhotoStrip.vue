<script setup lang="ts">
import { ref } from 'vue';
import { inWords, Refusal, upload, type Schemas } from '@/shared/api/client';
import FilePick from './FilePick.vue';

/** Photographs from the camera or from a file; each is kept as soon as it is taken. */
const props = defineProps<{ photos: readonly string[] }>();
const emit = defineEmits<{ change: [photos: string[]] }>();

const most = 20;
const busy = ref(false);
const trouble = ref('');

async function add(chosen: File) {
  trouble.value = '';
  busy.value = true;
  try {
    if (chosen.size > most * 1024 * 1024)
      throw new Refusal(
        413,
        `This file has ${Math.round(chosen.size / 1024 / 1024)} MB; at most ${most} MB are taken in.`,
      );
    const { hash } = await upload<Schemas['PhotoResource']>(
      '/api/photos',
      chosen,
      chosen.type || 'application/octet-stream',
    );
    if (!props.photos.includes(hash)) emit('change', [...props.photos, hash]);
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
    <FilePick
      :label="busy ? 'Keeping it …' : 'Photograph'"
      name="Photograph from camera or file"
      accept="image/*"
      :disabled="busy"
      @pick="add"
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
