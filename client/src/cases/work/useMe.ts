import { useLocalStorage } from '@vueuse/core';

const name = useLocalStorage('mild-hunch.name', '');
const wrench = useLocalStorage('mild-hunch.wrench', '');

/** Who works with this device, and with which wrench: chosen once, said with every step. */
export const useMe = () => ({ name, wrench });
