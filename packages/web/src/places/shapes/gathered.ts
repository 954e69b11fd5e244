/** Cards gathered for a page, kept for the tab; the same grip of the same chord is gathered once. */
import type { PaperCard } from '@finch/core/paper';
import { useSessionStorage } from '@vueuse/core';
import { computed } from 'vue';

const MOST = 120;

export const withCard = (cards: readonly PaperCard[], card: PaperCard): PaperCard[] => {
  const same = (one: PaperCard) => one.name === card.name && one.frets.join() === card.frets.join();
  return cards.some(same) ? [...cards] : [...cards, card].slice(0, MOST);
};

export function useGathered() {
  const cards = useSessionStorage<PaperCard[]>('finch-gathered', []);
  return {
    cards: computed(() => cards.value),
    add: (card: PaperCard) => (cards.value = withCard(cards.value, card)),
    clear: () => (cards.value = []),
  };
}
