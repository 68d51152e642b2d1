import { usePreferredDark, useStorage } from '@vueuse/core';
import { computed, watchEffect, type WritableComputedRef } from 'vue';

const chosen = useStorage<'dark' | 'light' | ''>('mild-hunch.theme', '');
const preferred = usePreferredDark();
const dark = computed({
  get: () => (chosen.value ? chosen.value === 'dark' : preferred.value),
  set: (is) => (chosen.value = is ? 'dark' : 'light'),
});

watchEffect(() => document.documentElement.classList.toggle('dark', dark.value));

/** Day and plant room; follows the machine until somebody chooses. */
export const useTheme = (): { dark: WritableComputedRef<boolean>; toggle: () => void } => ({
  dark,
  toggle: () => (dark.value = !dark.value),
});
