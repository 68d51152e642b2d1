import { ref, watchEffect } from 'vue';

const key = 'mild-hunch.theme';
const stored = window.localStorage.getItem(key);
const dark = ref(stored === null ? window.matchMedia('(prefers-color-scheme: dark)').matches : stored === 'dark');

watchEffect(() => document.documentElement.classList.toggle('dark', dark.value));

/** Day and plant room; follows the machine until somebody chooses. */
export function useTheme() {
  return {
    dark,
    toggle() {
      dark.value = !dark.value;
      window.localStorage.setItem(key, dark.value ? 'dark' : 'light');
    },
  };
}
