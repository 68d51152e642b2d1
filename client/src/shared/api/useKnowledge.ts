import { useQuery } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { api, taken, type PumpResource } from './client';

/** Cues, readings, contexts and faults: everything the product knows. */
export function useKnowledge() {
  return useQuery({
    queryKey: ['knowledge'],
    queryFn: async () => taken(await api.GET('/api/knowledge')),
    staleTime: Infinity,
  });
}

/** What of it concerns a pump as it stands: the server knows what fits; asked anew once the pump was corrected. */
export function usePumpKnowledge(pump: MaybeRefOrGetter<Pick<PumpResource, 'id' | 'version'> | undefined>) {
  const id = computed(() => toValue(pump)?.id);
  return useQuery({
    queryKey: ['knowledge', id, computed(() => toValue(pump)?.version)],
    queryFn: async () => taken(await api.GET('/api/knowledge', { params: { query: { pump: id.value } } })),
    enabled: computed(() => id.value !== undefined),
    staleTime: Infinity,
    // The same pump corrected: what was known of it stays in view until the answer is there, and nobody loses his place.
    placeholderData: (before, query) => (query?.queryKey[1] === id.value ? before : undefined),
  });
}
