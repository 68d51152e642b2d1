import { keepPreviousData, useQuery } from '@tanstack/vue-query';
import { watchDebounced } from '@vueuse/core';
import { computed, ref, watch, type Ref } from 'vue';
import { api, inWords, taken, type PumpResource } from '@/shared/api/client';
import { asItIs, untouched, whatIfBody, type WhatIf } from './whatIf';

const pause = 60;

/** The pump as it is and as it would be: expectation, curves and a stretch of simulated time, renewed while something is moved. */
export function useWhatIf(pump: Ref<PumpResource | undefined>) {
  const tried = ref<WhatIf>();
  watch(
    pump,
    (now) => {
      if (now && !tried.value) tried.value = asItIs(now);
    },
    { immediate: true },
  );

  const sound = useQuery({
    queryKey: ['expectation', pump],
    queryFn: async ({ signal }) =>
      taken(
        await api.POST('/api/expectation', {
          body: { pump: pump.value?.pump ?? null, setup: pump.value?.setup ?? null },
          signal,
        }),
      ),
    enabled: computed(() => pump.value !== undefined),
  });
  const running = computed(() => sound.data.value?.figures.find((f) => f.id === 'speed')?.value);

  // A slider speaks dozens of times a second; the last word counts.
  const body = ref<ReturnType<typeof whatIfBody>>();
  watchDebounced(
    [pump, tried],
    () => {
      if (pump.value && tried.value) body.value = whatIfBody(pump.value, tried.value, running.value);
    },
    { debounce: pause, deep: true, immediate: true },
  );

  const on = computed(() => body.value !== undefined);
  const nothing = { pump: null, setup: null };
  const expectation = useQuery({
    queryKey: ['what-if', body],
    queryFn: async ({ signal }) => taken(await api.POST('/api/expectation', { body: body.value ?? nothing, signal })),
    enabled: on,
    placeholderData: keepPreviousData,
  });
  const curves = useQuery({
    queryKey: ['curves', body],
    queryFn: async ({ signal }) => taken(await api.POST('/api/curves', { body: body.value ?? nothing, signal })),
    enabled: on,
    placeholderData: keepPreviousData,
  });
  const simulation = useQuery({
    queryKey: ['simulation', body],
    queryFn: async ({ signal }) => {
      const hertz = (body.value?.setup.speed?.value ?? 1000) / 60;
      // Four turns are enough to see what comes back once a turn.
      const seconds = Math.min(Math.max(4 / hertz, 0.05), 8);
      const plan = { seconds, samplesPerSecond: Math.min(20000, 600 / seconds) };
      return taken(await api.POST('/api/simulation', { body: { ...(body.value ?? nothing), plan }, signal }));
    },
    enabled: on,
    placeholderData: keepPreviousData,
    retry: 0,
  });

  return {
    tried,
    running,
    sound: sound.data,
    expectation: expectation.data,
    curves: curves.data,
    simulation: simulation.data,
    changed: computed(() => !!(pump.value && tried.value && !untouched(pump.value, tried.value))),
    trouble: computed(() => {
      const error = expectation.error.value ?? simulation.error.value;
      return error ? inWords(error) : '';
    }),
    reset: () => {
      if (pump.value) tried.value = asItIs(pump.value);
    },
  };
}
