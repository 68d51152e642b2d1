import { computed, type WritableComputedRef } from 'vue';
import { useRoute, useRouter, type LocationQueryRaw, type Router } from 'vue-router';

/** The way back out of what was open last. Whatever opens next waits for it, or it would be gone back from at once. */
let leaving: Promise<void> = Promise.resolve();

function goBack(router: Router): void {
  leaving = new Promise((arrived) => {
    const stop = router.afterEach(() => {
      stop();
      arrived();
    });
    router.back();
  });
}

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
        void leaving.then(() => {
          // From one to the next there is one step back, not two.
          const go = route.query[name] === undefined ? router.push : router.replace;
          return go({ query: { ...route.query, [name]: what } });
        });
        return;
      }
      if (route.query[name] === undefined) return;
      const before = router.resolve({ query: without() }).fullPath;
      const cameFrom = (window.history.state as { back?: string | null } | null)?.back;
      if (cameFrom === before) goBack(router);
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
