import { computed, type WritableComputedRef } from 'vue';
import { useRoute, useRouter, type LocationQueryRaw } from 'vue-router';

/**
 * What is open over a page stands in its address: a reload keeps it, a link carries it, and Back closes it.
 * Undefined while nothing of that name is open.
 */
export function useDialogAddress(name: string): WritableComputedRef<string | undefined> {
  const route = useRoute();
  const router = useRouter();

  const without = (): LocationQueryRaw => ({ ...route.query, [name]: undefined });

  return computed({
    get: () => {
      const open = route.query[name];
      return typeof open === 'string' ? open : undefined;
    },
    set: (what) => {
      if (what !== undefined) {
        // From one to the next there is one step back, not two.
        const go = route.query[name] === undefined ? router.push : router.replace;
        void go({ query: { ...route.query, [name]: what } });
        return;
      }
      if (route.query[name] === undefined) return;
      const before = router.resolve({ query: without() }).fullPath;
      const cameFrom = (window.history.state as { back?: string | null } | null)?.back;
      if (cameFrom === before) router.back();
      else void router.replace({ query: without() });
    },
  });
}

/** The same for something that is either open or not. */
export function useOpenInAddress(name: string): WritableComputedRef<boolean> {
  const address = useDialogAddress(name);
  return computed({
    get: () => address.value !== undefined,
    set: (open) => (address.value = open ? 'open' : undefined),
  });
}
