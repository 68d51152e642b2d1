import { useQuery } from '@tanstack/vue-query';
import { api, taken } from './client';

/** Cues, readings, contexts and faults; the same for all cases. */
export function useKnowledge() {
  return useQuery({
    queryKey: ['knowledge'],
    queryFn: async () => taken(await api.GET('/api/knowledge')),
    staleTime: Infinity,
  });
}
