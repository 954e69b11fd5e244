/**
 * Hands free: a pedal that turns pages, or four counted aloud and a rest, go on to the next card. While the drill sounds nobody is
 * listened to: the room would hear itself.
 */
import { levelsOf, makeCountListener } from '@finch/core/sound';
import { useLocalStorage } from '@vueuse/core';
import { onScopeDispose, readonly, ref, watch, type Ref } from 'vue';
import { freshSamples, type FreshSamples } from '../../workers/fresh-samples';
import { MicrophoneRefusal, type Listening, type Microphone } from '../../workers/microphone';

const EVERY_MS = 40;

export interface HandsFree {
  /** Whether pedals are answered. */
  readonly on: Ref<boolean>;
  readonly listening: Readonly<Ref<boolean>>;
  readonly trouble: Readonly<Ref<MicrophoneRefusal['code'] | null>>;
  readonly listen: (microphone: Microphone) => Promise<void>;
  readonly stop: () => void;
}

/** @param counted what a count does @param sounds whether the room itself sounds @param now ms, for tests */
export function useHandsFree(
  counted: () => void,
  sounds: () => boolean,
  now: () => number = () => performance.now(),
): HandsFree {
  const on = useLocalStorage('finch-hands-free', false);
  const listening = ref(false);
  const trouble = ref<MicrophoneRefusal['code'] | null>(null);
  const listener = makeCountListener();
  let open: Listening | null = null;
  let timer: ReturnType<typeof setInterval> | undefined;
  let fresh: FreshSamples | null = null;
  let turn = 0;

  const hear = () => {
    if (!open || !fresh) return;
    if (sounds()) {
      fresh.skip();
      return listener.forget();
    }
    const levels = levelsOf(fresh.read(), open.sampleRate);
    for (const level of levels) if (listener.hear(level)) counted();
  };
  const stop = () => {
    turn++;
    clearInterval(timer);
    open?.close();
    open = null;
    listening.value = false;
    listener.forget();
  };
  watch(on, (now) => !now && stop());
  onScopeDispose(stop);
  return {
    on,
    listening: readonly(listening),
    trouble: readonly(trouble),
    stop,
    listen: async (microphone) => {
      stop();
      const mine = turn;
      trouble.value = null;
      try {
        const opened = await microphone.open();
        // Stopped while somebody was asked whether it may be heard.
        if (mine !== turn) return opened.close();
        open = opened;
        fresh = freshSamples(opened, now);
        listening.value = true;
        timer = setInterval(hear, EVERY_MS);
      } catch (error) {
        trouble.value = error instanceof MicrophoneRefusal ? error.code : 'mic.busy';
      }
    },
  };
}
