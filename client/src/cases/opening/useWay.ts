import { computed, ref, watch, type Ref } from 'vue';
import { useDialogAddress } from '@/shared/address/useDialogAddress';
import { cardKey, cardsOf, firstOpen, nextPlace, type Card, type Plan, type Work } from './cards/cards';

const longest = 42;
const names: Record<string, string> = {
  ready: 'lay ready',
  hazards: 'the hazards',
  inspect: 'look at everything',
  parts: 'the new parts',
  closed: 'closed',
};

function wordsOf(card: Card | undefined): string {
  if (!card) return 'the end';
  if (!('step' in card)) return names[card.kind] ?? '';
  const words = card.kind === 'bolts' ? card.group.name.toLowerCase() : card.step.text;
  return words.length > longest ? `${words.slice(0, longest).replace(/\W+\w*$/, '')} …` : words;
}

/** Where we are on the way through a stage. The address says the card, so that a reload and a link keep it. */
export function useWay(plan: Ref<Plan | undefined>, work: Ref<Work>, stage: () => 'open' | 'mend') {
  const cards = computed(() => (plan.value ? cardsOf(plan.value, stage()) : []));
  const named = useDialogAddress('step');
  const begun = ref(-1);
  const at = computed({
    get: () => {
      const there = cards.value.findIndex((c) => cardKey(c) === named.value);
      return there < 0 ? begun.value : there;
    },
    set: (index: number) => {
      const next = cards.value[index];
      if (next) named.value = cardKey(next);
    },
  });

  // Without an address it is taken up where something is left to do, whenever the plan comes or is another.
  watch(
    plan,
    (now, before) => {
      if (now && now !== before) begun.value = firstOpen(cards.value, now, work.value);
    },
    { immediate: true },
  );

  const card = computed(() => cards.value[at.value]);
  const step = computed(() => (card.value && 'step' in card.value ? card.value.step : undefined));
  return {
    cards,
    at,
    card,
    step,
    /** The place at which the step goes on, or where it ended. */
    here: computed(() => (step.value ? (nextPlace(step.value, work.value) ?? step.value.places.at(-1)) : undefined)),
    next: computed(() => wordsOf(cards.value[at.value + 1])),
    forward: () => void (at.value = Math.min(at.value + 1, cards.value.length - 1)),
    back: () => void (at.value = Math.max(at.value - 1, 0)),
    restart: () => void (named.value = undefined),
  };
}
