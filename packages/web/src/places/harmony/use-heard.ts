/** What is heard in Harmony: grips one after another, a line, a drone under it; a press while it sounds stops it. */
import type { Instrument } from '@finch/core/fretboard';
import type { Frets } from '@finch/core/grips';
import type { Spot } from '@finch/core/scales';
import { droneSounds, lineSounds, strumSounds } from '@finch/core/sound';
import type { Ref } from 'vue';
import { usePlayer } from '../../workers/player';

const STRUM_SECONDS = 1.2;

export function useHeard(instrument: Readonly<Ref<Instrument>>) {
  const player = usePlayer();
  const options = () => ({ instrument: instrument.value });
  async function grips(all: readonly (Frets | null)[]) {
    if (player.playing.value) return player.stop();
    await player.play(strumSounds(all, instrument.value, STRUM_SECONDS), options());
  }
  /** A line, with its tonic under it where one is given. */
  async function line(notes: readonly Spot[], notesPerSecond: number, drone: number | null) {
    if (player.playing.value) return player.stop();
    const sounds = lineSounds(notes, instrument.value, notesPerSecond);
    const under = drone === null ? [] : droneSounds(drone, instrument.value, notes.length / notesPerSecond);
    await player.play(
      [...under, ...sounds].sort((a, b) => a.atSeconds - b.atSeconds),
      options(),
    );
  }
  /** A grip over a root that is not its own. */
  async function over(grip: Frets | null, root: number) {
    if (player.playing.value) return player.stop();
    const under = droneSounds(root, instrument.value, 2 * STRUM_SECONDS, 2 * STRUM_SECONDS);
    const strums = strumSounds([null, grip], instrument.value, STRUM_SECONDS);
    await player.play([...under, ...strums], options());
  }
  return { playing: player.playing, stop: player.stop, grips, line, over };
}
