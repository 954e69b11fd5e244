/** Plays a piece, whole or some bars of it round and round, and says which bar of the chart sounds. */
import type { Piece } from '@finch/core/score';
import { pieceSounds, type PiecePlayback } from '@finch/core/sound';
import { computed, ref } from 'vue';
import { usePlayer } from './player';

export function usePiecePlayer() {
  const player = usePlayer();
  const bars = ref<readonly { readonly at: number; readonly number: number }[]>([]);
  /** Number on the chart of the bar now sounding; null when silent. */
  const soundingBar = computed(() => {
    const now = player.at.value;
    return now === null ? null : (bars.value.findLast((bar) => bar.at <= now + 0.02)?.number ?? null);
  });
  async function play(piece: Piece, playback: PiecePlayback, loop: boolean): Promise<void> {
    const made = pieceSounds(piece, playback);
    bars.value = made.bars.map((bar) => ({ at: bar.atSeconds, number: bar.played.number }));
    await player.play(made.sounds, {
      instrument: playback.instrument,
      seconds: made.seconds,
      ...(loop ? { loopFrom: made.bars[0]?.atSeconds ?? 0 } : {}),
    });
  }
  return { play, stop: player.stop, playing: player.playing, soundingBar };
}
