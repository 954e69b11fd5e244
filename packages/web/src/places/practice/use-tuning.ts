/** Tuning up: which string sounds, how far off it is, and which are in tune. */
import type { Instrument } from '@finch/core/fretboard';
import { stringHeard, toneOf, TUNER, TUNER_SAMPLES, type StringHeard } from '@finch/core/sound';
import { onScopeDispose, readonly, ref, type Ref } from 'vue';
import { MicrophoneRefusal, type Listening, type Microphone } from '../../workers/microphone';

/** How often is listened, and how many times running a string must be heard in tune. */
const EVERY_MS = 100;
const RUNNING = 4;

export interface Tuning {
  readonly listening: Readonly<Ref<boolean>>;
  /** The string that sounds now; null in silence. */
  readonly now: Readonly<Ref<StringHeard | null>>;
  /** Strings that were heard in tune, by their index from the thickest. */
  readonly inTune: Readonly<Ref<readonly number[]>>;
  /** What is wrong with the microphone; null while nothing is. */
  readonly trouble: Readonly<Ref<MicrophoneRefusal['code'] | null>>;
  readonly listen: (microphone: Microphone) => Promise<void>;
  readonly stop: () => void;
}

export function useTuning(instrument: () => Instrument | null): Tuning {
  const listening = ref(false);
  const now = ref<StringHeard | null>(null);
  const inTune = ref<readonly number[]>([]);
  const trouble = ref<MicrophoneRefusal['code'] | null>(null);
  const samples = new Float32Array(TUNER_SAMPLES);
  let open: Listening | null = null;
  let timer: ReturnType<typeof setInterval> | undefined;
  let running = 0;
  let turn = 0;

  const hear = () => {
    const strings = instrument();
    if (!open || !strings) return;
    open.read(samples);
    const tone = toneOf(samples, open.sampleRate);
    const before = now.value?.stringIndex;
    const heard = tone && stringHeard(tone.hz, strings);
    now.value = heard;
    if (!heard) return;
    const good = Math.abs(heard.cents) <= TUNER.inTuneCents;
    running = good && before === heard.stringIndex ? running + 1 : good ? 1 : 0;
    const { stringIndex } = heard;
    if (running >= RUNNING && !inTune.value.includes(stringIndex))
      inTune.value = [...inTune.value, stringIndex];
    // A string that is turned away again is not in tune any more.
    if (Math.abs(heard.cents) > 3 * TUNER.inTuneCents)
      inTune.value = inTune.value.filter((one) => one !== stringIndex);
  };
  const stop = () => {
    turn++;
    clearInterval(timer);
    open?.close();
    open = null;
    listening.value = false;
    now.value = null;
    running = 0;
  };
  onScopeDispose(stop);
  return {
    listening: readonly(listening),
    now,
    inTune,
    trouble: readonly(trouble),
    stop,
    listen: async (microphone) => {
      stop();
      const mine = turn;
      trouble.value = null;
      inTune.value = [];
      try {
        const opened = await microphone.open();
        // Stopped while somebody was asked whether it may be heard.
        if (mine !== turn) return opened.close();
        open = opened;
        listening.value = true;
        timer = setInterval(hear, EVERY_MS);
      } catch (error) {
        trouble.value = error instanceof MicrophoneRefusal ? error.code : 'mic.busy';
      }
    },
  };
}
