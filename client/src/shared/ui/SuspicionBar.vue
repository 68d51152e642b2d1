<script setup lang="ts">
/** How strong a hunch is: hatched where a part is suspected, plain water where nothing is wrong. */
defineProps<{ probability: number; sound: boolean }>();
</script>

<template>
  <span class="bar" :class="{ sound }" aria-hidden="true">
    <span class="moves" :class="{ hatch: !sound }" :style="{ width: `${100 * probability}%` }" />
  </span>
</template>

<style scoped>
.bar {
  display: block;
  height: 12px;
  margin: 0.2rem 0;
  border: 1.5px solid var(--suspect);
}

.bar span {
  display: block;
  height: 100%;
}

.sound {
  border-color: var(--water);
}

.sound span {
  background: var(--water-soft);
}
</style>
