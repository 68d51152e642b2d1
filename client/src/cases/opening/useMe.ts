import { useLocalStorage } from '@vueuse/core';
import { ref } from 'vue';

const name = useLocalStorage('mild-hunch.name', '');
const wrench = useLocalStorage('mild-hunch.wrench', '');

// True once something was to be noted and nobody had said who did it.
const asked = ref(false);

/** Who works with this device, and with which wrench: chosen once, said with every step. */
export function useMe() {
  /** True where somebody is named; otherwise the name is asked for. */
  function known(): boolean {
    asked.value = !name.value.trim();
    return !asked.value;
  }
  return { name, wrench, asked, known };
}
