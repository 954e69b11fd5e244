/**
 * What a tense hand does to today's cards: after the first tense take the easier notch is offered, after two running the card
 * is off for the day, and what grades lower for this hand lies in its place. Held for the day in this browser, so that a reload brings nothing back that tired the hand.
 */
import type { PracticeCard } from '@finch/contract';
import { easier, lighterInstead, type Feel, type Recipe } from '@finch/core/drills';
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
  /** What lies in the place of a card that is off, by its key. */
  readonly instead: Readonly<Record<string, PracticeCard>>;
}
const KEPT = 'tense';
const INSTEAD = 'instead of ';
/** Key of what lies in the place of a card. */
export const insteadOf = (key: string) => INSTEAD + key;
const OFF_AFTER = 2;

/** @param today the day it is, in any spelling that changes from day to day */
export function useCardEase(
  given: () => readonly PracticeCard[],
  context: () => DrillContext | null,
  drafts: Drafts,
  today: () => string,
) {
  const none = (): Tense => ({ day: today(), running: {}, lighter: {}, off: [], instead: {} });
  const stored = drafts.read<Tense>(KEPT)?.value;
  const tense = shallowRef<Tense>(stored?.day === today() ? { ...none(), ...stored } : none());
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
  const cards = computed<LaidCard[]>(() =>
    all.value.flatMap((card) => {
      const { off, instead } = tense.value;
      if (!off.includes(card.key)) return [card];
      const key = insteadOf(card.key);
      const other = instead[card.key];
      return other && !off.includes(key) ? [{ ...other, key }] : [];
    }),
  );
  /** What may lie in the place of a card that is off. */
  const lighterFor = (card: LaidCard): PracticeCard | null => {
    const on = context();
    const found = on && lighterInstead(card.recipe, on);
    if (!found) return null;
    const { key: _key, ...rest } = card;
    const values = { now: Math.round(found.effort), was: Math.round(found.was) };
    return { ...rest, recipe: found.recipe, because: { code: 'because.lighter', values } };
  };
  const notchOf = (card: LaidCard): Recipe | null => {
    const on = context();
    const found = on && easier(card.recipe, on);
    return found?.ok ? found.value : null;
  };
  return {
    /** All of today's, those that are off too. */
    all,
    cards,
    /** What stands after a take of a card by how the hand felt in it; null where nothing does. */
    felt: (card: LaidCard, hand: Feel['hand'] | null): 'tense' | 'off' | null => {
      const { running, off, instead, ...rest } = tense.value.day === today() ? tense.value : none();
      if (hand !== 'tense') {
        if (running[card.key]) keep({ ...rest, off, instead, running: { ...running, [card.key]: 0 } });
        return null;
      }
      const times = (running[card.key] ?? 0) + 1;
      const ends = times >= OFF_AFTER;
      const other = ends ? lighterFor(card) : null;
      keep({
        ...rest,
        running: { ...running, [card.key]: times },
        instead: other ? { ...instead, [card.key]: other } : instead,
        off: ends ? [...off, card.key] : off,
      });
      return ends ? 'off' : 'tense';
    },
    /** Whether something lighter lies in its place. */
    hasInstead: (card: LaidCard): boolean => tense.value.instead[card.key] !== undefined,
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
