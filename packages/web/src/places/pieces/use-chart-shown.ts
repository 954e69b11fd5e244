/** What of a piece is on the screen: which part, which bars are picked, what each bar weighs, and how it is heard. */
import { fretsText, type Frets } from '@finch/core/grips';
import type { Instrument } from '@finch/core/fretboard';
import { playedBars, type PartGrade, type PartKind, type Piece, type PieceDemand } from '@finch/core/score';
import { computed, ref, watch, type Ref } from 'vue';
import { usePiecePlayer } from '../../workers/piece-player';
import { pickBar, stretchOf } from './picked';

export function useChartShown(given: {
  readonly piece: Readonly<Ref<Piece | null>>;
  readonly demand: Readonly<Ref<PieceDemand | null>>;
  readonly parts: Readonly<Ref<readonly PartGrade[]>>;
  readonly instrument: Readonly<Ref<Instrument>>;
}) {
  const { piece, demand, parts } = given;
  const player = usePiecePlayer();
  const part = ref<PartKind>('full');
  const partShown = computed(() => parts.value.find((one) => one.kind === part.value) ?? null);
  const asPart = computed<Piece | null>(() =>
    piece.value && part.value === 'capo' && partShown.value
      ? { ...piece.value, capo: partShown.value.capo }
      : piece.value,
  );
  /** The heaviest grip of each bar, by its number. */
  const efforts = computed(() => {
    const found = new Map<number, number>();
    if (part.value !== 'full') return found;
    for (const { step, number } of demand.value?.chords ?? []) {
      const effort = step.grip?.effort.total;
      if (effort !== undefined) found.set(number, Math.max(found.get(number) ?? 0, effort));
    }
    return found;
  });
  /** The two bars of the weakest change. */
  const weak = computed(() => {
    const now = demand.value;
    if (part.value !== 'full' || !now || now.weakest === null) return [];
    const change = now.changes[now.weakest];
    return [now.chords[change.from].number, now.chords[change.to].number];
  });
  const picked = ref<readonly number[]>([]);
  watch(piece, () => (picked.value = []));
  /** By written chord, of the part shown; null where nothing is gripped. */
  const grips = computed<readonly (Frets | null)[]>(() =>
    part.value !== 'full' && partShown.value
      ? partShown.value.grips
      : (demand.value?.chords.map((one) => one.step.grip?.frets ?? null) ?? []),
  );
  const slow = ref(100);
  async function hear() {
    if (player.playing.value) return player.stop();
    const now = asPart.value;
    const stretch = now && stretchOf(playedBars(now), picked.value, false);
    if (!now || !stretch) return;
    const capo = part.value === 'two notes' ? 0 : now.capo;
    await player.play(
      now,
      {
        grips: grips.value,
        instrument: { ...given.instrument.value, capo },
        fromBar: stretch.from,
        toBar: stretch.to,
        tempoShare: slow.value / 100,
      },
      picked.value.length > 0,
    );
  }
  // By what is played, not by the object: a look at the server makes the same piece anew.
  const asHeard = computed(() =>
    JSON.stringify([asPart.value, grips.value.map((frets) => frets && fretsText(frets))]),
  );
  watch(asHeard, () => player.stop());
  return {
    part,
    partShown,
    asPart,
    efforts,
    weak,
    picked,
    pick: (bar: number) => (picked.value = pickBar(picked.value, bar)),
    grips,
    slow,
    hear,
    player,
  };
}
