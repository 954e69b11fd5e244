/** The card as it sounds, at the tempo of the try; another tempo is heard at once. */
import type { Drill } from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import { scoreBeats, type Score } from '@finch/core/score';
import { soundSchedule } from '@finch/core/sound';
import { watch, type Ref } from 'vue';
import { usePlayer } from '../../workers/player';
import { useHeard } from '../../workers/use-heard';
import type { CardShown } from './use-card-shown';
import type { Running } from './use-in-time';
import type { Try } from './use-try';

const TEMPO = { lowest: 20, highest: 300 };
/** Seconds a last stroke may come after the last bar. */
const LATE_SECONDS = 0.6;

export function useCardHeard(
  drill: Readonly<Ref<Drill | null>>,
  own: Readonly<Ref<Instrument | null>>,
  shown: CardShown,
  trial: Try,
) {
  const player = usePlayer();
  const sound = useHeard(drill, own);
  const { draft } = trial;
  async function play(from = 0) {
    const score = sound.score.value;
    const instrument = sound.instrument.value;
    if (!score || !instrument) return;
    await player.play(soundSchedule(score, instrument, bpmOf(score)), { instrument, from });
  }
  const bpmOf = (score: Score) =>
    Math.min(TEMPO.highest, Math.max(TEMPO.lowest, draft.value?.tempoBpm ?? score.tempoBpm));
  /** Counted in, then silent: what is struck can be heard. */
  const silently: Running = {
    start: async () => {
      const [score, instrument] = [drill.value?.score, sound.instrument.value];
      if (!score || !instrument) return null;
      const bpm = bpmOf(score);
      trial.start();
      await player.play(soundSchedule(score, instrument, bpm), {
        instrument,
        noClick: true,
        clickOnly: true,
        seconds: ((score.countInBeats + scoreBeats(score)) * 60) / bpm + LATE_SECONDS,
      });
      return { score, instrument, bpm };
    },
    stop: () => {
      player.stop();
    },
    at: () => (player.playing.value ? (player.at.value ?? 0) : null),
  };
  async function toggle() {
    if (player.playing.value) return player.stop();
    if (!drill.value || !shown.instrument.value) return;
    trial.start();
    await play();
  }
  /** Another tempo; while it plays it goes on from the same beat. */
  async function faster(by: number) {
    const was = draft.value?.tempoBpm ?? null;
    trial.faster(by);
    const bpm = draft.value?.tempoBpm ?? null;
    if (player.playing.value && was && bpm) await play(((player.at.value ?? 0) * was) / bpm);
  }
  /** One round of the ladder, heard at its rung. */
  async function playRung(bpm: number) {
    if (player.playing.value) return player.stop();
    trial.patch({ tempoBpm: bpm });
    await toggle();
  }
  const beat = (elapsed: number) => elapsed - (drill.value?.score.countInBeats ?? 0);
  watch(
    () => player.elapsed.value,
    (elapsed) => {
      if (player.playing.value && drill.value) shown.beatShown.value = beat(elapsed);
    },
  );
  watch(sound.heard, () => player.playing.value && void play(player.at.value ?? 0));
  return { player, sound, silently, toggle, faster, playRung, now: () => beat(player.elapsed.value) };
}

export type CardHeard = ReturnType<typeof useCardHeard>;
