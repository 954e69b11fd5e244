/** Swaps of the chord in hand: what may stand for it, the grip nearest its neighbours, and what that costs this hand. */
import { swapsFor, type Swap } from '@finch/core/harmony';
import type { PathOptions } from '@finch/core/changes';
import type { Chord, Key, NoteName } from '@finch/core/theory';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import type { PlacedChord } from '../../workers/bench-jobs';
import { benchWork, plain } from '../../workers/bench';

export interface ChordAsked {
  readonly chord: Chord;
  readonly key: Key;
  readonly before: Chord | null;
  readonly next: Chord | null;
}

export function useSwaps(
  asked: Readonly<Ref<ChordAsked | null>>,
  melody: Readonly<Ref<NoteName | null>>,
  options: Readonly<Ref<PathOptions>>,
) {
  const swaps = computed<readonly Swap[]>(() => {
    const now = asked.value;
    if (!now) return [];
    const all = swapsFor({
      key: now.key,
      chord: now.chord,
      ...(now.next ? { next: now.next } : {}),
      ...(melody.value ? { melody: melody.value } : {}),
    });
    // Those the tune rubs against come last, and say so.
    return [...all].sort((a, b) => Number(a.clash !== null) - Number(b.clash !== null));
  });
  /** By symbol; the chord itself is among them. Filled one after another. */
  const placed = shallowRef<Readonly<Record<string, PlacedChord>>>({});
  const failed = ref(false);
  let turn = 0;
  async function place() {
    const mine = ++turn;
    placed.value = {};
    failed.value = false;
    const now = asked.value;
    if (!now) return;
    const given = plain(options.value);
    for (const chord of [now.chord, ...swaps.value.map((one) => one.chord)]) {
      try {
        const made = await benchWork().placed(plain(now.before), plain(chord), plain(now.next), given);
        if (mine !== turn) return;
        placed.value = { ...placed.value, [chord.symbol]: made };
      } catch {
        if (mine !== turn) return;
        failed.value = true;
        return;
      }
    }
  }
  watch(
    () => JSON.stringify([asked.value, swaps.value.map((one) => one.chord.symbol), options.value]),
    () => void place(),
    { immediate: true },
  );
  return { swaps, placed, failed, again: place };
}
