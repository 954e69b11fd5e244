/**
 * What a tense hand does to today's cards: after the first tense take the easier notch is offered, after two running the card
 * is off for the day. Held for the day in this browser, so that a reload brings nothing back that tired the hand.
 */
import type { PracticeCard } from '@finch/contract';
import { easier, type Feel, type Recipe } from '@finch/core/drills';
import type { DrillContext } from '@finch/core/hands';
import { computed, shallowRef } from 'vue';
import type { Drafts } from '../../session/drafts';

/** A card as it lies today; its key stays when an easier notch of it is taken. */
export interface LaidCard extends PracticeCard {
  readonly key: string;
}

interface Tense {
  readonly day: string;
  /** Tense takes running, by card. */
  readonly running: Readonly<Record<string, number>>;
  readonly lighter: Readonly<Record<string, Recipe>>;
  readonly off: readonly string[];
}
const KEPT = 'tense';
const OFF_AFTER = 2;

/** @param today the day it is, in any spelling that changes from day to day */
export function useCardEase(
  given: () => readonly PracticeCard[],
  context: () => DrillContext | null,
  drafts: Drafts,
  today: () => string,
) {
  const none = (): Tense => ({ day: today(), running: {}, lighter: {}, off: [] });
  const stored = drafts.read<Tense>(KEPT)?.value;
  const tense = shallowRef<Tense>(stored?.day === today() ? stored : none());
  const keep = (now: Tense) => {
    tense.value = now;
    drafts.write(KEPT, now);
  };
  const all = computed<LaidCard[]>(() =>
    given().map((card) => {
      const key = JSON.stringify(card.recipe);
      return { ...card, key, recipe: tense.value.lighter[key] ?? card.recipe };
    }),
  );
  const notchOf = (card: LaidCard): Recipe | null => {
    const on = context();
    const found = on && easier(card.recipe, on);
    return found?.ok ? found.value : null;
  };
  return {
    /** All of today's, those that are off too. */
    all,
    cards: computed(() => all.value.filter(({ key }) => !tense.value.off.includes(key))),
    /** What stands after a take of a card by how the hand felt in it; null where nothing does. */
    felt: (card: LaidCard, hand: Feel['hand'] | null): 'tense' | 'off' | null => {
      const { running, off, ...rest } = tense.value.day === today() ? tense.value : none();
      if (hand !== 'tense') {
        if (running[card.key]) keep({ ...rest, off, running: { ...running, [card.key]: 0 } });
        return null;
      }
      const times = (running[card.key] ?? 0) + 1;
      const ends = times >= OFF_AFTER;
      keep({
        ...rest,
        running: { ...running, [card.key]: times },
        off: ends ? [...off, card.key] : off,
      });
      return ends ? 'off' : 'tense';
    },
    /** Whether the last take of it was tense and there is a notch that asks less. */
    offers: (card: LaidCard): boolean => tense.value.running[card.key] === 1 && notchOf(card) !== null,
    wasTense: (card: LaidCard): boolean => tense.value.running[card.key] === 1,
    /** The easier notch lies in its place for today; the hand begins anew with it. */
    ease: (card: LaidCard): void => {
      const recipe = notchOf(card);
      if (!recipe) return;
      const { running, lighter, ...rest } = tense.value;
      keep({
        ...rest,
        running: { ...running, [card.key]: 0 },
        lighter: { ...lighter, [card.key]: recipe },
      });
    },
  };
}
