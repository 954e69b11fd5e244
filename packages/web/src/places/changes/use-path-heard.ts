/** The path as it sounds: with a bar counted in, or the change looked at round and round. */
import { computed, ref, watch, type Ref } from 'vue';
import { usePiecePlayer } from '../../workers/piece-player';
import type { PathWork } from './use-path';

export function usePathHeard(
  work: PathWork,
  wantedBpm: Readonly<Ref<number>>,
  changeAt: Readonly<Ref<number | null>>,
) {
  const player = usePiecePlayer();
  const looping = ref(false);
  const chords = computed(() => work.foundFor.value.chords);
  async function hear() {
    if (player.playing.value) return player.stop();
    const path = work.path.value;
    if (!path) return;
    const { piece } = work.foundFor.value;
    const at = looping.value ? changeAt.value : null;
    // The bars as written are the bars as played here: a progression has no repeats unless it was typed so.
    await player.play(
      piece,
      {
        grips: path.steps.map((one) => one.grip?.frets ?? null),
        instrument: work.options.value.instrument,
        tempoShare: wantedBpm.value / piece.tempoBpm,
        ...(at === null
          ? {}
          : { fromBar: chords.value[at].number - 1, toBar: chords.value[at + 1].number - 1 }),
      },
      looping.value,
    );
  }
  const sounding = computed(() => {
    const bar = player.soundingBar.value;
    const found = bar === null ? -1 : chords.value.findIndex((one) => one.number === bar);
    return found < 0 ? null : found;
  });
  watch(work.path, () => player.stop());
  return { playing: player.playing, looping, hear, sounding };
}
